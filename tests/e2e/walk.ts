/** The way through a car as hands go it, for tests that count or drive it. */
import type { Page } from '@playwright/test';
import { expect, poll, pull, sent } from './shop';

/** Counts what hands do on a page: touches, and Enters as a foot switch sends them. */
export class Hands {
	taps = 0;
	enters = 0;

	static async on(page: Page): Promise<Hands> {
		const hands = new Hands();
		await page.exposeFunction('countTap', () => void hands.taps++);
		await page.exposeFunction('countEnter', () => void hands.enters++);
		await page.addInitScript(() => {
			const count = window as unknown as { countTap: () => void; countEnter: () => void };
			addEventListener(
				'click',
				// What a label or an Enter passes on is no touch of its own.
				(event) => event.isTrusted && event.detail > 0 && count.countTap(),
				true
			);
			addEventListener('keydown', (event) => event.key === 'Enter' && count.countEnter(), true);
		});
		return hands;
	}
}

/** Three readings at each corner as the page asks for them; Enter keeps each and goes on. */
export const heightsIn = async (page: Page, heights: Record<string, number>): Promise<void> => {
	for (let i = 0; i < 4; i++) {
		const corner = page.locator('#entry-title');
		const name = await corner.innerText();
		for (const add of [0, 1, 0]) {
			const field = page.locator('#reading');
			await expect(field).toBeFocused();
			await page.keyboard.type(String(heights[name]! + add));
			await page.keyboard.press('Enter');
			// Kept: the field is empty, or put away with everything read.
			await poll(() =>
				page.evaluate(() => document.querySelector<HTMLInputElement>('#reading')?.value)
			).toBeFalsy();
		}
		if (i < 3) await expect(corner).not.toHaveText(name);
	}
	await expect(page.getByText('✓ Read all round')).toBeVisible();
};

/** How many steps are left, whatever else is: a part that was compared is to be fitted from then on. */
export async function toGo(page: Page): Promise<number> {
	const said = await page.getByText(/left to do here/).innerText();
	return Number((/(\d+) steps?/.exec(said) ?? /^(\d+)/.exec(said))![1]);
}

/** What the bench page wants before a step there counts. @returns whether the step was ticked off there */
async function atTheBench(page: Page, title: string): Promise<boolean> {
	await page.getByRole('link', { name: /To the bench page/ }).click();
	await expect(page.getByRole('group', { name: 'At the bench' })).toBeVisible();
	const at = (name: string) => page.getByRole('group', { name: 'At the bench' }).getByText(name);
	if (/Old part/.test(title)) {
		const dimensions = {
			Damper: ['Length extended', 'Length compressed'],
			// A broken one has no free length.
			Spring: ['Outer diameter', 'Wire diameter']
		};
		for (const [part, names] of Object.entries(dimensions)) {
			const panel = page.getByRole('region', { name: `${part}, old against new` });
			if (!(await panel.isVisible())) continue;
			for (const name of names) {
				for (const which of ['old', 'new']) {
					await panel.getByLabel(`${name}, ${which}`).fill('320');
				}
			}
			await panel.getByRole('button', { name: 'It fits' }).click();
			await expect(panel.getByText('fits', { exact: true })).toBeVisible();
		}
	} else if (/Spring compressed/.test(title)) {
		await at('Compressor').click();
		const values = {
			Wire: '12.5 mm',
			'Active coils': '5.5',
			Rate: '25 N/mm',
			'Free length': '330 mm',
			'Length in the strut': '250 mm',
			'Coils between the hooks': '4'
		};
		for (const [name, value] of Object.entries(values)) {
			await page.getByLabel(name, { exact: true }).fill(value);
		}
		await page.getByRole('button', { name: 'All turns are on' }).click();
		await page.getByLabel(/turns loosely in its seat/).check();
		await page.getByRole('button', { name: /Free: the shaft nut may come off/ }).click();
		await expect(page.getByText('✓ Seen free')).toBeVisible();
	} else {
		await at(/stacked/.test(title) ? 'Put together' : 'Change over').click();
		await page.getByLabel('Priming strokes').fill('4');
		await page.getByLabel('Comes out, old').focus();
		await expect(page.getByText('primed with 4 strokes')).toBeVisible();
		const on = page.getByRole('button', { name: 'It is on, that way' });
		for (let i = 0; i < 14 && (await on.isVisible()); i++) {
			const name = await page.locator('p.font-bold').innerText();
			if (name === 'Spring') await page.getByText('Either side', { exact: true }).click();
			await on.click();
			await expect(page.getByText(`✓ ${name}`)).toBeVisible();
		}
	}
	const done = page.getByRole('button', { name: 'Done, next step' });
	const toTheStep = page.getByRole('link', { name: /→/ }).filter({ hasText: /\?/ });
	await expect(done.or(toTheStep).first()).toBeVisible();
	if (!(await done.isVisible())) {
		// Something has to be seen before it counts, and that is asked at the step.
		await toTheStep.click();
		return false;
	}
	const here = page.url();
	await done.click();
	// Where the next step is, at the bench or not.
	await expect(page).not.toHaveURL(here);
	return true;
}

/**
 * Steps done one after the other until the round or the heights take over, or all are done.
 *
 * @param last ends with a step of this title
 */
export async function walkToTheRound(page: Page, url: string, last?: RegExp): Promise<string[]> {
	await page.goto(`${url}/work`);
	const card = page.getByRole('region', { name: 'The step in hand' });
	const through = page.getByText('Every step is done');
	const done: string[] = [];
	for (let i = 0; i < 90; i++) {
		if (last && done.some((title) => last.test(title))) return done;
		await expect(card.or(through).first()).toBeVisible();
		if (await through.isVisible()) return done;
		if (await card.getByRole('link', { name: /Read the heights/ }).isVisible()) return done;
		if (await card.getByRole('link', { name: /Into the torque round/ }).isVisible()) return done;
		const left = await toGo(page);
		const title = await card.getByRole('heading', { level: 1 }).innerText();
		if (await card.getByText('The bench still wants').isVisible()) {
			if (await atTheBench(page, title)) done.push(title);
			await sent(page);
			await page.goto(`${url}/work`);
			continue;
		}
		const gate = card.getByRole('checkbox');
		if (await gate.isVisible()) await gate.check();
		const spring = card.getByRole('group', { name: 'The spring is marked for' });
		if ((await gate.isVisible()) && /^Spring in/.test(title)) {
			await spring.getByText('Either side').click();
			await card.getByText('Label reads upright').click();
			for (const pad of ['Upper pad', 'Lower pad'])
				await card.getByRole('group', { name: pad }).getByText('Renewed').click();
		}
		const preload = card.getByLabel('Preload');
		if (/^Perch to zero/.test(title)) {
			await preload.fill('6 mm');
			await card.getByLabel('Rebound').fill('12');
			await card.getByLabel('Compression').focus();
			await expect(card.getByText('✓ preload 6.0 mm from zero, rebound 12 clicks')).toBeVisible();
		}
		const words = card.getByLabel(/^(Where|How it was seen|Sizes drilled|Torque, and)/);
		if (await words.isVisible()) await words.fill('sill seams, both sides');
		// The button has the focus where nothing had to be touched before it.
		const next = card.getByRole('button', { name: 'Done, next step' });
		if (await next.evaluate((element) => element === document.activeElement))
			await page.keyboard.press('Enter');
		else await next.click();
		await poll(() => toGo(page)).toBeLessThan(left);
		done.push(title);
	}
	throw new Error('The steps never came to the round');
}

/** Every joint whose turn has come, loading where it asks; a number that nobody specified is typed. */
export async function setTheRound(page: Page): Promise<void> {
	const heading = page.getByRole('heading', { level: 1 });
	for (let i = 0; i < 140; i++) {
		const through = page.getByText(/The round is through|The round waits/);
		await expect(heading.or(through).first()).toBeVisible();
		// Of one moment: the joint in hand gives way to the next one, or to none.
		const name = await page.evaluate(() => document.querySelector('main h1')?.textContent?.trim());
		if (!name) break;
		if (name === 'Load the corner') {
			const target = await page.locator('.num.text-mark').first().innerText();
			await expect(page.getByLabel('Hub to arch now')).toBeFocused();
			await page.keyboard.type(/\d+/.exec(target)![0]);
			await page.keyboard.press('Enter');
			await expect(heading).not.toHaveText('Load the corner');
			continue;
		}
		const field = page.locator('#torque');
		if (await field.isVisible()) {
			// Or the joint before gave way to this look meanwhile, which has no number.
			const ready = () => page.evaluate(() => document.activeElement?.id === 'torque');
			await poll(async () => (await ready()) || !(await field.isVisible())).toBe(true);
			if (!(await field.isVisible())) continue;
			if ((await field.inputValue()) === '') await page.keyboard.type('120');
		}
		await pull(page);
	}
	await expect(page.getByText(/The round is through|The round waits/)).toBeVisible();
}
