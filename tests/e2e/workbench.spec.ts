import type { Page } from '@playwright/test';
import { compute, findComputation } from '../../src/core/compute';
import { expect, test } from './shop';

const result = (page: Page, label: string | RegExp) =>
	page
		.getByRole('region', { name: 'Results' })
		.locator('div', { has: page.locator('dt', { hasText: label }) })
		.locator('dd');

test('the numbers of a bench are those of the core', async ({ mara: page }) => {
	await page.goto('/workbench/spring?wireDiameterMm=14.4&hookedCoils=3.5');
	const found = compute(findComputation('spring-identify')!, {
		wireDiameterMm: 14.4,
		outerDiameterMm: 144.4,
		totalCoils: 6.5,
		deadCoils: 1,
		coatMm: 0.2,
		freeLengthMm: 345,
		shearModulusGPa: 79.5
	});
	const { rateNPerMm, expanded } = (found as { value: Record<string, never> }).value as unknown as {
		rateNPerMm: number;
		expanded: { rateNPerMm: number };
	};
	await expect(result(page, /^Rate$/)).toContainText(
		`${rateNPerMm.toFixed(1)}N/mm ± ${expanded.rateNPerMm.toFixed(1)} N/mm`
	);
	const squeezed = compute(findComputation('spring-compressor')!, {
		rateNPerMm,
		activeCoils: 5.5,
		hookedCoils: 3.5,
		freeLengthMm: 345,
		installedLengthMm: 250,
		clearanceMm: 10,
		screws: 2,
		hooksPerScrew: 1,
		screwLeadMm: 2,
		wireDiameterMm: 14
	}) as unknown as { value: { forcePerHookN: number } };
	await expect(result(page, 'Force on each hook')).toContainText(
		squeezed.value.forcePerHookN.toFixed(0)
	);
});

test('what is set stays in the link, in any unit, and comes back', async ({ mara: page }) => {
	await page.goto('/workbench/coilover');
	await page.getByRole('textbox', { name: /^Preload/ }).fill('1 in');
	await expect(page.getByText('= 25.4 mm')).toBeVisible();
	await page.getByText('The body’s length').click();
	await expect(page).toHaveURL(/preloadMm=25\.4.*adjust=body/);
	const turns = await result(page, /^Turns for/).textContent();
	await page.goto(page.url());
	await expect(page.getByRole('textbox', { name: /^Preload/ })).toHaveValue('25.4');
	await expect(result(page, /^Turns for/)).toHaveText(turns!);
	await page.getByRole('button', { name: 'Start over' }).click();
	await expect(page.getByRole('textbox', { name: /^Preload/ })).toHaveValue('10');
	await expect(page).toHaveURL(/\/workbench\/coilover$/);
});

test('the wheel is moved by hand and by keyboard', async ({ mara: page }) => {
	await page.goto('/workbench/corner');
	const twist = result(page, /^Bush twist/).locator('.num');
	await expect(twist).toContainText('−9.5');
	const wheel = page.locator('svg g.cursor-ns-resize');
	const box = (await wheel.boundingBox())!;
	await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
	await page.mouse.down();
	await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 - 80, { steps: 8 });
	await page.mouse.up();
	await expect(twist).toContainText('+');
	const travel = page.getByRole('slider', { name: 'Wheel travel' });
	await travel.focus();
	await travel.press('Home');
	await expect(page.getByLabel('Wheel now')).toHaveValue('-80');
	await travel.press('ArrowRight');
	await expect(page.getByLabel('Wheel now')).toHaveValue('-79');
	await expect(twist).toContainText('−');
});

test('a layout with no reach says what stops the wheel; a missing number says what is needed', async ({
	mara: page
}) => {
	await page.goto('/workbench/corner?layout=double-wishbone&source=points&travelMm=300');
	await expect(page.getByText(/then .* blocks it/)).toBeVisible();
	await page.getByLabel('upper ball joint').fill('1, 2');
	await expect(page.getByText('needs three numbers')).toBeVisible();
	await page.getByLabel('upper ball joint').fill('-15 690 500');
	await expect(page.getByText('needs three numbers')).toBeHidden();
	await page.getByLabel('tie rod outer').fill('-130, 360, 230');
	await expect(page.getByText('must be at least 1 mm from tieRodInner').first()).toBeVisible();
});

test('an entry that cannot be stays, marked, with what would be right', async ({ mara: page }) => {
	await page.goto('/workbench/bush');
	await expect(result(page, 'Twist left')).toContainText('Wound up');
	const height = page.getByLabel('Set at, hub to arch');
	await height.fill('nine');
	await expect(page.getByText(/'nine' is not a number/)).toBeVisible();
	await expect(height).toHaveValue('nine');
	await height.fill('900');
	await expect(page.getByText(/the arm is only 350 mm long/)).toBeVisible();
	await expect(page.getByRole('alert')).toContainText('last state that could be computed');
	await height.fill('366');
	await expect(result(page, 'Twist left')).toContainText('✓ Set');
});

test('a hundred thousand draws run beside the page, and can be stopped', async ({ mara: page }) => {
	await page.goto('/workbench/heights?samples=200000');
	await expect(result(page, /^Hub to arch, settled/)).toBeVisible();
	// Both in the page: the draws must not be over before the second press gets there.
	await page.evaluate(async () => {
		const press = (name: string) =>
			[...document.querySelectorAll('button')]
				.find((b) => b.textContent!.trim().startsWith(name))!
				.click();
		press('Draw');
		await new Promise(requestAnimationFrame);
		press('Stop');
	});
	await expect(page.getByRole('button', { name: /^Draw/ })).toBeVisible();
	await expect(result(page, /^By draws/)).toBeHidden();
	await page.getByLabel('Draws').fill('100000');
	const frames = page.evaluate(
		() =>
			new Promise<number>((done) => {
				let count = 0;
				const frame = () => {
					count++;
					const drawn = [...document.querySelectorAll('dt')].some((dt) =>
						dt.textContent!.startsWith('By draws')
					);
					if (drawn) done(count);
					else requestAnimationFrame(frame);
				};
				requestAnimationFrame(frame);
			})
	);
	await page.getByRole('button', { name: /^Draw 100000/ }).click();
	await expect(result(page, /^By draws/)).toContainText('100000 draws');
	expect(await frames).toBeGreaterThan(5);
});

test('a trace from a file is read as it comes', async ({ mara: page }) => {
	await page.goto('/workbench/trace');
	await expect(result(page, 'Peak')).toContainText('✓ Accepted');
	for (const [sample, words] of [
		['Stopped early', 'Stopped early'],
		['Cross-threaded', 'cross-threaded?'],
		['Rubber wound, sleeve not clamped', 'sleeve is not clamped'],
		['Screw stretching', 'stretches for good'],
		['Slip and stick', 'sticking thread'],
		['Let go and hit again', 'Pulled once more']
	] as const) {
		await page.getByLabel('Start from').selectOption(sample);
		await expect(result(page, 'Peak'), sample).toContainText(words);
	}
	const lines = Array.from({ length: 250 }, (_, i) => `${i};${Math.max(2, (i - 180) * 1.5 + 2)}`);
	await page.locator('input[type=file]').setInputFiles({
		name: 'pull.csv',
		mimeType: 'text/csv',
		buffer: Buffer.from(`angle;torque\n${lines.join('\n').replaceAll('.', ',')}\n`)
	});
	await expect(page.getByText('250 points, 1 lines without two numbers left out')).toBeVisible();
	await expect(result(page, 'Peak')).toContainText('105.5');
});

test('a bench prints its drawing and its numbers without buttons', async ({ mara: page }) => {
	await page.goto('/workbench/four-corner');
	await expect(result(page, 'Cross weight')).toBeVisible();
	await page.emulateMedia({ media: 'print' });
	await expect(page.getByRole('button', { name: 'Copy link' })).toBeHidden();
	await expect(page.getByRole('navigation', { name: 'Benches' })).toBeHidden();
	await expect(page.getByRole('img', { name: /How the body stands/ })).toBeVisible();
});

test('a collar is turned by quarter-turns', async ({ mara: page }) => {
	await page.goto('/workbench/four-corner');
	await page.getByRole('button', { name: '+ ¼ turn, Rear right' }).click();
	await expect(page.getByLabel('Perch RR')).toHaveValue('0.4');
	await page.getByText('Low: which spring?').click();
	await expect(result(page, 'From these heights alone')).toContainText('RL');
	await expect(page).toHaveURL(/mode=sag/);
});

test('a quantity in every unit of its kind', async ({ mara: page }) => {
	await page.goto('/workbench');
	await expect(page.getByText('84.0607')).toBeVisible();
	await page.getByLabel('As it is said').fill('14 3/8 in');
	await expect(page.getByText(/is a unit of length/)).toBeVisible();
	await page.getByLabel('What it is').selectOption('Length');
	await expect(page.getByText('365.125')).toBeVisible();
});
