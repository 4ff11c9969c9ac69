/** How many taps the way through a car takes beside its numbers and words, and how fast its pages come. */
import { bookOf, expect, poll, patient, sent, stage, test } from './shop';
import { Hands, heightsIn, setTheRound, walkToTheRound } from './walk';

test.use({ hasTouch: true });

test('measure and set, front axle: at most 15 taps beside its numbers', async ({ tomas: page }) => {
	const hands = await Hands.on(page);
	await page.goto('/');
	await page.getByRole('link', { name: 'Open a job' }).tap();
	await page.getByRole('searchbox', { name: /Which car/ }).fill('fae683');
	await expect(page.getByRole('listitem')).toHaveCount(1);
	await page.getByRole('link', { name: /FAE 683/ }).tap();
	await page.getByText('Measure and set only').tap();
	await page.getByLabel('Complaint').fill('Front bushes renewed elsewhere, to be set at height');
	await page.getByRole('button', { name: 'Front axle' }).tap();
	await page.getByRole('button', { name: 'Open the job' }).tap();
	await page.getByRole('link', { name: /Read the height before/ }).tap();
	const heights = { 'Front left': 360, 'Front right': 361, 'Rear left': 356, 'Rear right': 357 };
	await heightsIn(page, heights);
	await page.keyboard.press('Enter');
	await expect(page.getByRole('region', { name: 'In hand' })).toBeVisible();

	await setTheRound(page);
	await sent(page);
	await page.keyboard.press('Enter');
	await expect(page).toHaveURL(/\/check/);
	await expect(page.locator('#entry-title')).toBeVisible();
	await heightsIn(page, heights);
	await page.keyboard.press('Enter');
	await page.getByRole('button', { name: 'Sign and seal' }).tap();
	await expect(page.getByText('Signed by Tomas Okoro')).toBeVisible();
	console.log(`measure and set: ${hands.taps} taps, ${hands.enters} Enters`);
	expect(hands.taps).toBeLessThanOrEqual(15);
});

test('a new car with front struts, the whole way: at most 90 taps beside its numbers and words', async ({
	tomas: page
}) => {
	test.setTimeout(300_000);
	const hands = await Hands.on(page);
	const heights = { 'Front left': 352, 'Front right': 353, 'Rear left': 356, 'Rear right': 357 };
	await test.step('car and job', async () => {
		await page.goto('/');
		await page.getByRole('link', { name: 'Open a job' }).tap();
		await page.getByRole('link', { name: 'A new car' }).tap();
		await page.getByLabel('Plate', { exact: true }).fill('WAY 090');
		await page.getByRole('button', { name: 'Keep the car and go on' }).tap();
		await page.getByLabel('Complaint').fill('Keeps bouncing at the front');
		await page.getByRole('button', { name: 'Front axle' }).tap();
		await page.getByRole('button', { name: 'Open the job' }).tap();
		await expect(page.getByRole('link', { name: /Read the height before/ })).toBeVisible();
	});
	const url = new URL(page.url()).pathname;
	await test.step('look', async () => {
		await stage(page, 'Look').tap();
		for (const corner of ['Front left', 'Front right', 'Rear right', 'Rear left']) {
			await page.getByRole('button', { name: new RegExp(`^${corner}`) }).tap();
			if (corner.startsWith('Front')) {
				const group = page.getByRole('group', { name: 'Damper body', exact: true });
				await group.getByRole('button', { name: 'Leak' }).tap();
			}
			await page.getByRole('button', { name: /^(All|The other) \d+ sound/ }).tap();
		}
	});
	await test.step('measure', async () => {
		await page
			.getByRole('link', { name: /Read the height before/ })
			.first()
			.tap();
		await heightsIn(page, heights);
	});
	await test.step('plan', async () => {
		await stage(page, 'Plan').tap();
		const pair = page.getByRole('group', { name: /Dampers, front pair/ });
		await pair.getByRole('button', { name: 'Accepted' }).tap();
		await page.getByRole('button', { name: /^Customer takes all/ }).tap();
		await page
			.getByRole('link', { name: /Parts and tools/ })
			.first()
			.tap();
		await page.getByRole('button', { name: /^All .*here/ }).tap();
	});
	await test.step('work and set, in turns', async () => {
		for (let turn = 0; turn < 12; turn++) {
			await walkToTheRound(page, url);
			const round = page.getByRole('link', { name: /Into the torque round/ });
			if (!(await round.isVisible())) break;
			// It has the focus: one Enter, as after a round that is through.
			await page.keyboard.press('Enter');
			await expect(page).toHaveURL(/\/set/);
			await setTheRound(page);
			await sent(page);
		}
	});
	await test.step('heights after, and signed', async () => {
		await page
			.getByRole('link', { name: /Read the height after/ })
			.first()
			.tap();
		await heightsIn(page, heights);
		await page.keyboard.press('Enter');
		await page.getByRole('button', { name: 'Sign and seal' }).tap();
		await expect(page.getByText('Signed by Tomas Okoro')).toBeVisible();
		await expect(page.getByText('where they stand: sill seams, both sides').first()).toBeVisible();
	});
	console.log(`a new car, front struts, whole way: ${hands.taps} taps, ${hands.enters} Enters`);
	expect(hands.taps).toBeLessThanOrEqual(90);
});

test('a sound corner is one tap', async ({ tomas: page, jobUrl }) => {
	const url = await jobUrl('2026-0261');
	const hands = await Hands.on(page);
	await page.goto(`${url}/look?corner=FL`);
	await page.getByRole('button', { name: /^All \d+ sound/ }).tap();
	await expect(page.getByRole('button', { name: /sound/ })).toHaveCount(0);
	await sent(page);
	const { entries } = await bookOf(page, url);
	const found = entries.filter(
		({ kind, subject }) => kind === 'finding' && subject.startsWith('FL/')
	);
	expect(found.length).toBeGreaterThan(12);
	expect(hands.taps).toBe(1);
});

test('a whole round by foot switch: no tap', async ({ tomas: page, jobUrl }) => {
	const hands = await Hands.on(page);
	await page.goto(`${await jobUrl('2026-0267')}/set`);
	const region = page.getByRole('region', { name: 'In hand' });
	// Not through what lies over it.
	const first = await region.innerText();
	await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
	await page.keyboard.press('?');
	await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
	await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
	await page.keyboard.press('Enter');
	await sent(page);
	expect(await region.innerText()).toBe(first);
	await page.keyboard.press('Escape');
	await expect(page.getByRole('dialog', { name: 'Keys' })).toBeHidden();
	for (let i = 0; i < 120; i++) {
		// Of one moment: the joint in hand gives way to the next one, or to the end.
		const before = await region.innerText();
		if (before.includes('The round is through')) break;
		const height = page.getByLabel('Hub to arch now');
		if (await height.isVisible()) {
			await expect(height).toBeFocused();
			const target = await page.locator('.num.text-mark').first().innerText();
			await page.keyboard.type(/\d+/.exec(target)![0]);
		} else if (i % 3 === 0) {
			// As if it came before what is in hand has the focus: it does the same, and goes nowhere else.
			await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
		}
		await page.keyboard.press('Enter');
		await poll(() => region.innerText()).not.toBe(before);
	}
	await expect(page.getByText('The round is through')).toBeVisible();
	console.log(`a whole round: ${hands.taps} taps, ${hands.enters} Enters`);
	expect(hands.taps).toBe(0);
});

test('the main number is read from two metres: 64 px and more', async ({ tomas: page, jobUrl }) => {
	await page.setViewportSize({ width: 1280, height: 800 });
	const size = (selector: string) =>
		page
			.locator(selector)
			.first()
			.evaluate((element) => parseFloat(getComputedStyle(element).fontSize));
	await page.goto(`${await jobUrl('2026-0260')}/measure?corner=FL`);
	expect(await size('#reading')).toBeGreaterThanOrEqual(64);
	await page.goto(`${await jobUrl('2026-0256')}/set?of=FL`);
	expect(await size('.num.text-mark')).toBeGreaterThanOrEqual(64);
	await page.goto(`${await jobUrl('2026-0259')}/set`);
	expect(await size('[aria-label="In hand"] .num.leading-none')).toBeGreaterThanOrEqual(64);
});

test('the first view and every stage of a job are within their budgets', async ({
	browser,
	shop,
	jobUrl
}) => {
	const context = await browser.newContext({ baseURL: shop.origin });
	const at = patient(await context.newPage());
	await at.request.post('/api/v1/session', { data: { handle: 'tomas', secret: '258014' } });
	const weigh = async (path: string) => {
		const page = patient(await context.newPage());
		// What is fetched when the page stands and has nothing better to do is no part of its first view.
		await page.addInitScript(() => (window.requestIdleCallback = () => 0));
		const client = await context.newCDPSession(page);
		await client.send('Network.enable');
		await client.send('Network.setCacheDisabled', { cacheDisabled: true });
		/** Bodies as they travel, compressed. */
		const scripts: number[] = [];
		client.on('Network.responseReceived', ({ type, response }) => {
			if (type === 'Script') scripts.push(Number(response.headers['Content-Length']));
		});
		const answer = (await page.goto(path))!;
		const html = (await answer.body()).length;
		await expect(page.locator('html[data-ready]')).toBeVisible();
		const script = scripts.reduce((sum, bytes) => sum + bytes, 0);
		await page.close();
		const found = {
			scriptKb: Math.round(script / 1000),
			files: scripts.length,
			htmlKb: Math.round(html / 1000)
		};
		console.log(`${path}: ${JSON.stringify(found)}`);
		return found;
	};
	const desk = await weigh('/');
	const url = await jobUrl('2026-0268');
	const board = await weigh(url);
	const stages = [];
	for (const stage of [
		'look',
		'measure',
		'plan',
		'work',
		'work/bench',
		'set',
		'check',
		'check/drive'
	])
		stages.push(await weigh(`${url}/${stage}`));
	stages.push(await weigh(`${url}/hand-over`));
	// A signed job on four corners, and the one whose round is longest.
	const whole = await jobUrl('2026-0187');
	for (const page of [`${whole}/set`, `${whole}/hand-over`]) stages.push(await weigh(page));
	stages.push(await weigh(`${await jobUrl('2026-0264')}/set`));
	await context.close();
	expect(desk.scriptKb).toBeLessThan(120);
	for (const one of [board, ...stages]) {
		expect(one.scriptKb).toBeLessThanOrEqual(150);
		expect(one.files).toBeLessThan(25);
		expect(one.htmlKb).toBeLessThanOrEqual(60);
	}
});

test('a drawing is saved under the name of its car, job and day', async ({
	tomas: page,
	jobUrl
}) => {
	await page.goto(`${await jobUrl('2026-0257')}/set?of=FL`);
	await page.getByRole('button', { name: 'Save drawings of this page' }).click();
	for (const kind of ['SVG', 'PNG']) {
		const saved = page.waitForEvent('download');
		await page.getByRole('dialog').getByRole('button', { name: kind }).first().click();
		expect((await saved).suggestedFilename()).toMatch(
			new RegExp(`^NUM-309_2026-0257_\\d{4}-\\d\\d-\\d\\d_[a-z-]+\\.${kind.toLowerCase()}$`)
		);
	}
});
