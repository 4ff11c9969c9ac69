/** The torque round on a page: by keyboard and by touch, alone and in pairs, with devices. */
import type { Locator, Page } from '@playwright/test';
import { actionsOf } from '../../src/core/fastener/joint-programme';
import { roundStops } from '../../src/core/procedure/round';
import { atWork } from '../../src/core/job/joints';
import type { JobRecord } from '../../src/core/job/record';
import { viewJob } from '../../src/core/job/view';
import type { Behaviour } from '../../devices/joint-model';
import { newJob, specify } from './prepared';
import { bookOf, expect, poll, pull, sent, test } from './shop';

test.use({ hasTouch: true });

const owed = (page: Page) =>
	page.getByRole('region', { name: 'In hand' }).getByRole('status').first();
const heading = (page: Page) =>
	page.getByRole('region', { name: 'In hand' }).getByRole('heading', { level: 1 });
const through = (page: Page) => page.getByText('The round is through');

/** What stands in the page: the joint and its step, or the gate. */
const standing = (page: Page) => page.getByRole('region', { name: 'In hand' }).innerText();

/** One stop: the number that is asked is what was reached; a corner is brought to its target. */
async function step(page: Page, how: 'keyboard' | 'touch'): Promise<void> {
	const before = await standing(page);
	if ((await heading(page).innerText()) === 'Load the corner') {
		const target = await page.locator('.num.text-mark').first().innerText();
		await page.getByLabel('Hub to arch now').fill(/\d+/.exec(target)![0]);
		if (how === 'keyboard') await page.keyboard.press('Enter');
		else await page.getByRole('button', { name: 'Record the reading' }).tap();
	} else if (how === 'keyboard') {
		await ready(page);
		await page.keyboard.press('Enter');
	} else {
		await (await nextButton(page)).tap();
	}
	await poll(() => standing(page)).not.toBe(before);
}

/** What Enter does next has the focus: a moment after it is drawn. */
const ready = (page: Page) =>
	poll(() => page.evaluate(() => document.activeElement !== document.body)).toBe(true);

/** What is to be touched: an answer that is asked for, else the record. */
async function nextButton(page: Page): Promise<Locator> {
	const stands = page.getByRole('button', { name: 'It stands' });
	if (await stands.isVisible()) return stands;
	const asked = page.getByText('Recorded as soon as you say');
	if (await asked.isVisible())
		return page.getByRole('button', { name: /^New( pin, bent)?$/ }).first();
	return page
		.getByRole('button', { name: 'Record', exact: true })
		.or(page.getByRole('button', { name: 'Rubber at the washer’s edge' }))
		.first();
}

async function walk(page: Page, how: 'keyboard' | 'touch', most = 400): Promise<void> {
	for (let i = 0; i < most; i++) {
		await expect(heading(page).or(through(page)).first()).toBeVisible();
		if (await through(page).isVisible()) return sent(page);
		await step(page, how);
	}
}

/** Nothing owed but heights, and every step of every joint on record exactly once since `from` rows. */
function checkRecord(job: JobRecord, from: JobRecord): void {
	const { standing } = viewJob(job);
	expect(standing.owed.filter(({ kind }) => kind === 'joint' || kind === 'hardware')).toEqual([]);
	const added = job.torques.slice(from.torques.length);
	const steps = added.map(({ jointId, action }) => `${jointId} ${action}`);
	expect(new Set(steps).size).toBe(steps.length);
	const before = viewJob(from).standing;
	const wanted = job.joints
		.filter(({ id }) => before.joints.get(id)!.owed)
		.flatMap((joint) => [...actionsOf(atWork(joint)).keys()].map((i) => `${joint.id} ${i}`));
	expect(new Set(steps)).toEqual(new Set(wanted));
}

test('air struts: two people on two sides, live on both screens', async ({ tomas, mara }) => {
	const url = await newJob(tomas, ['air-strut-front', 'trailing-arm-rear'], ['FL', 'FR'], 'Sinks');
	await specify(tomas, url);
	const from = await bookOf(tomas, url);
	const stops = roundStops(viewJob(from).facts.joints);
	expect(stops.filter(({ corner }) => corner.endsWith('L')).length * 2).toBe(stops.length);
	const round = `${url}/set`;
	await Promise.all([tomas.goto(`${round}?of=left`), mara.goto(`${round}?of=right`)]);

	await test.step('what one records stands on the other’s screen at once', async () => {
		await mara.getByRole('link', { name: 'Whole car' }).click();
		await step(tomas, 'touch');
		if (await tomas.getByText('Recorded as soon as you say').isVisible())
			await step(tomas, 'touch');
		await expect(mara.getByRole('button', { name: /FL Air line fitting.*torqued/ })).toBeVisible();
		await mara.getByRole('link', { name: 'Right side' }).click();
	});

	await Promise.all([walk(tomas, 'touch'), walk(mara, 'keyboard')]);
	await expect(through(tomas)).toBeVisible();
	await tomas.getByRole('link', { name: 'Whole car' }).tap();
	await expect(through(tomas)).toBeVisible();
	const job = await bookOf(tomas, url);
	checkRecord(job, from);
	expect(new Set(job.torques.map(({ personId }) => personId)).size).toBe(2);
});

test('two at the same joint: the second is told, and nothing counts twice', async ({
	tomas,
	mara,
	jobUrl,
	record
}) => {
	const round = `${await jobUrl('2026-0259')}/set`;
	const before = (await record(tomas, '2026-0259')).torques.length;
	// The second presses before the first's entry has reached the screen.
	await mara.route('**/events', (route) => route.abort());
	await tomas.goto(round);
	const name = await heading(tomas).innerText();
	// The next joint may be the same one of the other side.
	const inHand = (page: Page) => page.getByRole('region', { name: 'In hand' }).innerText();
	await mara.goto(round);
	await expect(heading(mara)).toHaveText(name);
	const [first, second] = [await inHand(tomas), await inHand(mara)];
	await pull(tomas);
	await poll(() => inHand(tomas)).not.toBe(first);
	await sent(tomas);
	await pull(mara);
	await expect(mara.getByRole('alert')).toContainText('Tomas Okoro has recorded');
	await poll(() => inHand(mara)).not.toBe(second);
	const rows = (await record(tomas, '2026-0259')).torques.slice(before);
	expect(rows).toHaveLength(1);
});

test('passed over with a reason, undone by a row of its own, and the server killed in the middle', async ({
	tomas: page,
	jobUrl,
	record,
	shop
}) => {
	const from = await record(page, '2026-0258');
	await page.goto(`${await jobUrl('2026-0258')}/set`);
	await expect(heading(page)).toHaveText('Load the corner');
	await step(page, 'keyboard');
	await expect(heading(page)).toHaveText('Lower arm, front bush bolt');

	await test.step('passed over: it stays owed, and the round goes on', async () => {
		await page.getByRole('button', { name: 'Pass over …' }).click();
		await page.getByRole('button', { name: 'No torque wrench fits' }).click();
		await expect(page.getByLabel('Why it is passed over')).toHaveValue(/^Tight by feel/);
		await page.getByLabel('Why it is passed over').fill('waiting for the new bolt');
		await page.getByRole('button', { name: 'Pass over', exact: true }).click();
		await expect(heading(page)).toHaveText('Lower arm, rear bush bolt');
		await expect(owed(page)).toContainText('1 passed over');
	});

	await test.step('undone: the row stays, a later one takes it back', async () => {
		await pull(page);
		await expect(heading(page)).toHaveText('Anti-roll bar, bush bracket');
		await page.keyboard.press('Alt+u');
		await expect(heading(page)).toHaveText('Lower arm, rear bush bolt');
		await pull(page);
		await expect(heading(page)).toHaveText('Anti-roll bar, bush bracket');
		await pull(page);
		await expect(heading(page)).toHaveText('Wheel fasteners');
	});

	await test.step('server killed: what is recorded meanwhile is kept and sent', async () => {
		await expect(page.getByText('Is the car down on its wheels')).toBeVisible();
		await step(page, 'keyboard');
		await step(page, 'keyboard');
		await sent(page);
		await expect(page.getByText('Step 2 of 10')).toBeVisible();
		shop.kill();
		for (let i = 0; i < 3; i++) await step(page, 'keyboard');
		await expect(page.getByText('3 kept here, waiting for the server')).toBeVisible();
		await expect(page.getByText('Step 5 of 10')).toBeVisible();
		await shop.start();
		await expect(page.getByText('kept here')).toHaveCount(0);
		await expect(page.getByText('Step 5 of 10')).toBeVisible();
	});

	await walk(page, 'keyboard');
	await expect(page.getByText('but for what was passed over')).toBeVisible();
	await expect(page.getByText('waiting for the new bolt').first()).toBeVisible();
	await page.getByRole('button', { name: 'Do it now' }).click();
	await expect(heading(page)).toHaveText('Lower arm, front bush bolt');
	await pull(page);
	await expect(page.getByText('✓ The round is through')).toBeVisible();
	await sent(page);

	const rows = (await record(page, '2026-0258')).torques.slice(from.torques.length);
	// Skip, rear, its withdrawal, rear again, bar, ten wheel steps, front.
	expect(rows).toHaveLength(16);
	const counted = rows.filter((row) => row.skipReason === null && !row.withdrawn);
	const withdrawn = new Set(rows.map(({ correctsId }) => correctsId));
	const steps = counted
		.filter(({ id }) => !withdrawn.has(id))
		.map(({ jointId, action }) => `${jointId} ${action}`);
	expect(steps).toHaveLength(13);
	expect(new Set(steps).size).toBe(13);
});

test('a corner that creeps is said, and the rubber waits', async ({
	tomas: page,
	jobUrl,
	record
}) => {
	await page.goto(`${await jobUrl('2026-0257')}/set?of=left`);
	await expect(heading(page)).toHaveText('Load the corner');
	await page.getByText('Jacked to height').click();
	await page.getByLabel('Hub to arch now').fill('341');
	await page.getByText('Has the body moved?').click();
	await page.getByLabel('Rear right before').fill('700');
	await page.getByLabel('Rear right now').fill('706');
	await page.keyboard.press('Enter');
	await expect(page.getByText('the body has left its stands')).toBeVisible();
	await page.getByLabel('Hub to arch now').fill('342');
	await page.getByLabel('Rear right now').fill('701');
	await page.keyboard.press('Enter');
	await expect(heading(page)).toHaveText('Upper wishbone, front bush bolt');
	await page.getByRole('button', { name: 'Read the height again' }).click();
	await page.getByLabel('Hub to arch now').fill('365');
	await page.getByLabel('Hub to arch now').press('Enter');
	await expect(page.getByText(/has crept 23 mm/)).toBeVisible();
	await expect(heading(page)).toHaveText('Load the corner');
	await sent(page);
	expect((await record(page, '2026-0257')).loadings).toHaveLength(3);
});

test('devices: the gauge brings the corner to height, the wrench sets it, whatever it does', async ({
	tomas: page,
	jobUrl,
	record,
	shop
}) => {
	const standIns = shop.devices();
	try {
		await page.goto(`${await jobUrl('2026-0256')}/set?of=left`);
		await expect(page.getByText('✓ connected')).toHaveCount(2);
		for (const name of [/Height gauge/, /Wireless wrench/])
			await page.getByRole('checkbox', { name }).check();
		await expect(heading(page)).toHaveText('Load the corner');
		await poll(() => standIns.gauge.task?.kind).toBe('loading');
		standIns.measure(323.5);
		await expect(heading(page)).toHaveText('Upper wishbone, front bush bolt');

		const pull = async (how: Behaviour) => {
			const { length } = standIns.wrench.answers;
			await poll(() => standIns.wrench.task?.kind).toBe('torque');
			standIns.pull(how);
			await poll(() => standIns.wrench.answers.length).toBeGreaterThan(length);
		};
		for (const [how, words] of [
			['early', 'Stopped early'],
			['over', 'Pulled too far'],
			['cross-thread', 'cross-threaded?'],
			['rubber', 'rubber'],
			['stick-slip', 'sticking thread or head'],
			['yield', 'stretches for good'],
			['wrong-joint', 'another joint than the one asked for'],
			['battery', 'broke off at']
		] as const) {
			await test.step(how, async () => {
				await pull(how);
				const tray = page.getByRole('region', { name: 'A reading waits to be placed' });
				await expect(tray).toContainText(words);
				await expect(heading(page)).toHaveText('Upper wishbone, front bush bolt');
				await tray.getByRole('button', { name: 'Set aside …' }).click();
				await tray.getByLabel('Why it is set aside').fill(`stand-in: ${how}`);
				await tray.getByRole('button', { name: 'Set aside', exact: true }).click();
				await expect(tray).toHaveCount(0);
			});
		}
		const joints = [
			['good', 'Upper wishbone, rear bush bolt'],
			['duplicate', 'Lower wishbone, front bush bolt'],
			['reconnect', 'Lower wishbone, rear bush bolt']
		] as const;
		for (const [how, next] of joints) {
			await test.step(how, async () => {
				await pull(how);
				await expect(heading(page)).toHaveText(next);
			});
		}
		await test.step('placed by hand where it is wanted', async () => {
			await pull('early');
			await page.getByRole('button', { name: 'Place it here' }).click();
			await expect(page.getByText(/% under its specified torque: finish it/)).toBeVisible();
			await pull('good');
			await expect(heading(page)).toHaveText('Damper, lower bush bolt');
		});
		const job = await record(page, '2026-0256');
		const bushes = job.joints.filter((j) => j.corner === 'FL' && j.kind === 'bonded-bush');
		const { standing } = viewJob(job);
		expect(bushes.filter(({ id }) => standing.joints.get(id)!.state === 'set')).toHaveLength(4);
		expect(job.torques.filter(({ deviceReadingId }) => deviceReadingId)).toHaveLength(5);
		expect(job.loadings).toMatchObject([{ hubToArchMm: 323.5, corner: 'FL' }]);
	} finally {
		standIns.end();
	}
});

test('the rack: a wrench is added, calibrated, judged, and refused when it fails', async ({
	mara: page
}) => {
	await page.goto('/rack');
	await page.getByRole('button', { name: 'Add a wrench' }).click();
	await page.getByLabel('Name').fill('New dial');
	await page.getByLabel('Lowest on its scale').fill('20 ft-lb');
	await page.getByLabel('Highest on its scale').fill('100 ft-lb');
	await page.getByText('Dial', { exact: true }).click();
	await page.getByRole('button', { name: 'Add the wrench' }).click();
	const card = page.getByRole('article').filter({ hasText: 'New dial' });
	await expect(card).toContainText('never calibrated');
	await card.getByRole('button', { name: 'Calibrate' }).click();
	for (const [share, read] of [
		['20', '20 ft-lb'],
		['60', '60 ft-lb'],
		['100', '95 ft-lb']
	])
		await page.getByLabel(`Read at ${share} %`).fill(read!);
	await expect(page.getByText('Fails: not to be used until it is adjusted')).toBeVisible();
	await page.getByLabel('Read at 100 %').fill('99 ft-lb');
	await expect(page.getByText('Passes by ISO 6789-1')).toBeVisible();
	await page.getByRole('button', { name: 'Keep the calibration' }).click();
	await expect(card).toContainText('calibrated until');
	await card.getByRole('button', { name: 'History' }).click();
	await expect(card.getByRole('row', { name: /passed/ })).toBeVisible();
});

test('a torque that does not belong to its thread is asked about', async ({
	tomas: page,
	jobUrl,
	record
}) => {
	await page.goto(`${await jobUrl('2026-0261')}/set`);
	await page
		.getByRole('button', { name: /Brake hose and sensor bracket/ })
		.first()
		.click();
	await page.getByRole('button', { name: 'Change this joint …' }).click();
	await page.getByRole('button', { name: 'More of this joint …' }).click();
	await page.getByLabel('Thread', { exact: true }).selectOption('M8×1.25');
	await page.getByLabel('Specified torque').fill('90');
	await expect(page.getByText('Wrong unit or thread?')).toBeVisible();
	await expect(page.getByText(/lbf·in/)).toBeVisible();
	await page.getByLabel('Specified torque').fill('20');
	await expect(page.getByText('Wrong unit or thread?')).toHaveCount(0);
	await page.getByLabel('Thread goes together').selectOption('anti-seize');
	await expect(page.getByText(/gives the same clamp/)).toBeVisible();
	await page.getByLabel('Tightened', { exact: true }).selectOption('angle');
	await page.getByLabel('Then turn, °').fill('45');
	await page.getByRole('button', { name: 'Keep', exact: true }).click();
	await expect(page.getByText(/Step 1 of 2/)).toBeVisible();
	const joint = (await record(page, '2026-0261')).joints.find(({ thread }) => thread)!;
	expect(joint).toMatchObject({
		torqueNm: 20,
		programme: { then: [{ kind: 'angle', angleDeg: 45 }] },
		thread: { condition: 'anti-seize' }
	});
});
