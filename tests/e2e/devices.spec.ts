/** Devices beside the round: gauge and scales at the heights, the rack's page, who may do what. */
import { v7 as uuidv7 } from 'uuid';
import { viewJob } from '../../src/core/job/view';
import type { Page } from '@playwright/test';
import { expect, poll, sent, test } from './shop';

test('the gauge reads round the car, and the scales say what stands on each wheel', async ({
	tomas: page,
	jobUrl,
	record,
	shop
}) => {
	const standIns = shop.devices();
	try {
		await page.goto(`${await jobUrl('2026-0253')}/check?corner=FL`);
		await page.getByRole('checkbox', { name: /Height gauge/ }).check();
		await poll(() => standIns.gauge.task?.label).toContain('front left, height after');
		for (const mm of [352.2, 351.8, 352]) {
			const { length } = standIns.gauge.answers;
			standIns.measure(mm);
			await poll(() => standIns.gauge.answers.length).toBe(length + 1);
		}
		await expect(page.getByRole('button', { name: /Front left.*352\.0 mm/ })).toBeVisible();
		await page.getByRole('button', { name: /Rear right/ }).click();
		await poll(() => standIns.gauge.task?.label).toContain('rear right');
		standIns.measure(349.5);
		await expect(page.getByRole('button', { name: /Rear right.*1\/3.*349\.5 mm/ })).toBeVisible();

		await page.getByRole('button', { name: 'Weigh' }).click();
		await poll(() => standIns.scales.task?.kind).toBe('loads');
		standIns.weigh({ FL: 4000, FR: 3800, RL: 2700, RR: 2500 });
		// (FR + RL) over all four.
		await expect(page.getByText('50.0 %')).toBeVisible();
		await expect(page.getByText('4000 N')).toBeVisible();
		const { corners } = viewJob(await record(page, '2026-0253'));
		expect(corners.FL.after).toMatchObject({ n: 3, meanMm: 352 });
	} finally {
		standIns.end();
	}
});

test('a reading nobody asked for waits at the rack, and is set aside there with a reason', async ({
	mara: page,
	shop
}) => {
	const standIns = shop.devices();
	try {
		await poll(() => standIns.wrench.connected).toBe(true);
		await poll(() => standIns.wrench.task).toBeNull();
		standIns.pull('good');
		await poll(() => standIns.wrench.answers.length).toBe(1);
		await page.goto('/rack');
		const devices = page.getByRole('region', { name: 'Devices' });
		await expect(devices).toContainText('nobody had asked for a reading');
		await devices.getByRole('button', { name: 'Set aside …' }).first().click();
		await devices.getByLabel('Why it is set aside').fill('pulled to try the wrench');
		await devices.getByRole('button', { name: 'Set aside', exact: true }).click();
		await expect(devices).not.toContainText('nobody had asked for a reading');
	} finally {
		standIns.end();
	}
});

test('a device is added with a token that is told once, and switched off', async ({
	mara: page
}) => {
	await page.goto('/rack');
	await page.getByRole('button', { name: 'Add a device' }).click();
	await page.getByLabel('Name').fill('Second gauge');
	await page.getByText('Height gauge', { exact: true }).last().click();
	await page.getByRole('button', { name: 'Add and show its token' }).click();
	await expect(page.getByText('Its token, shown this once')).toBeVisible();
	expect((await page.locator('code').innerText()).length).toBeGreaterThan(20);
	await page.reload();
	await expect(page.getByText('Its token')).toHaveCount(0);
	const row = page.getByRole('listitem').filter({ hasText: 'Second gauge' });
	await row.getByRole('button', { name: 'Switch off' }).click();
	await expect(row).toContainText('off');
});

test('a technician calibrates, but adds neither wrench nor device', async ({ tomas: page }) => {
	await page.goto('/rack');
	await expect(page.getByRole('button', { name: 'Calibrate' }).first()).toBeVisible();
	for (const name of ['Add a wrench', 'Add a device', 'Change', 'Switch off'])
		await expect(page.getByRole('button', { name, exact: true })).toHaveCount(0);
	const wrench = { id: uuidv7(), name: 'Mine', kind: 'click', lowest: '5', highest: '50' };
	const device = { id: uuidv7(), name: 'Mine', kind: 'wrench' };
	for (const [path, data] of [
		['wrenches', wrench],
		['devices', device]
	] as const)
		expect((await page.request.post(`/api/v1/${path}`, { data })).status(), path).toBe(403);
});

test('what a device or a wrench cannot be is said by its field', async ({ mara: page }) => {
	const send = async (path: string, data: object) => {
		const answer = await page.request.post(`/api/v1/${path}`, { data });
		const { faults } = (await answer.json()) as { faults?: { field: string }[] };
		return [answer.status(), faults?.map(({ field }) => field)];
	};
	const wrench = { id: uuidv7(), name: 'Odd', kind: 'click', lowest: '5', highest: '50' };
	expect(await send('wrenches', { ...wrench, highest: '4' })).toEqual([422, ['highest']]);
	expect(await send('wrenches', { ...wrench, kind: 'hammer', lowest: 'little' })).toEqual([
		422,
		expect.arrayContaining(['kind', 'lowest'])
	]);
	const device = { id: uuidv7(), name: 'Odd', kind: 'height-gauge', wrenchId: uuidv7() };
	expect(await send('devices', device)).toEqual([422, ['wrenchId']]);
	const { wrenches } = (await (await page.request.get('/api/v1/wrenches')).json()) as {
		wrenches: { id: string }[];
	};
	const readings = [{ set: '10', read: '10' }];
	expect(
		await send(`wrenches/${wrenches[0]!.id}/calibrations`, {
			id: uuidv7(),
			calibratedOn: '2999-02-30',
			readings
		})
	).toEqual([422, expect.arrayContaining(['calibratedOn', 'readings'])]);
});

test('the corner of a car by tape and by hardpoints, and what cannot be one', async ({
	mara: page
}) => {
	await page.goto('/cars?search=NUM+309');
	await page.getByRole('link', { name: /NUM 309/ }).click();
	await page.getByRole('button', { name: 'Change the car' }).click();
	const front = page.getByRole('group', { name: 'Front axle' });
	await front.getByText('The rest of the corner by tape').click();
	await front.getByLabel('Upper arm, pivot to joint').fill('10 1/4 in');
	await front.getByText('Hardpoints of the left side').click();
	await front.locator('textarea').fill('{ "layout": ');
	await page.getByRole('button', { name: /^Keep/ }).click();
	await expect(front.getByText(/hardpoints: must be of type object/)).toBeVisible();
	await expect(front.getByLabel('Upper arm, pivot to joint')).toHaveValue('10 1/4 in');
	await front.locator('textarea').fill('');
	await page.getByRole('button', { name: /^Keep/ }).click();
	await expect(page.getByText('1 more by tape, the rest assumed')).toBeVisible();
});

test('a changed height owes every bush of the corner, undone or not', async ({
	tomas: page,
	jobUrl,
	record
}) => {
	// Read 331 mm, to stand at 352 mm.
	const url = await jobUrl('2026-0255');
	await page.goto(`${url}/set`);
	await page
		.getByRole('button', { name: /RL Trailing arm, pivot bush bolt/ })
		.first()
		.click();
	await page.getByRole('button', { name: 'Change this joint …' }).click();
	await page.getByRole('button', { name: 'More of this joint …' }).click();
	await page.getByLabel('Undone in this job').uncheck();
	await page.getByLabel(/The same at/).uncheck();
	await page.getByRole('button', { name: 'Keep', exact: true }).click();
	await page.goto(`${url}/set?of=RL`);
	await page.getByRole('button', { name: /Trailing arm, pivot bush bolt/ }).click();
	await expect(
		page.getByText(/not undone, but the car stands 2\d mm higher than before/)
	).toBeVisible();
	await page.goto(`${url}/edit`);
	await page.getByLabel('Bushes are owed a re-set above a change of').fill('30 mm');
	await page.getByRole('button', { name: 'Keep the change' }).click();
	await expect(page).toHaveURL(new RegExp(`${url}$`));
	await page.goto(`${url}/set?of=RL`);
	await expect(
		page.getByRole('button', { name: /Trailing arm, pivot bush bolt.*not undone/ })
	).toBeVisible();
	expect((await record(page, '2026-0255')).resetAboveMm).toBe(30);
});

/** What a phone's sensor says, at 60 Hz; `felt` of the seconds since the first. */
const feel = (page: Page, seconds: number, felt: { deg?: number; swing?: boolean }) =>
	page.evaluate(
		async ([length, { deg = 0, swing = false }]) => {
			const [g, rad] = [9.80665, (deg * Math.PI) / 180];
			const [natural, ratio] = [8.2, 0.28];
			const damped = natural * Math.sqrt(1 - ratio ** 2);
			for (let i = 0; i < 60 * length; i++) {
				const t = i / 60 - 0.5;
				// Let go 40 mm down after half a second.
				const up =
					swing && t >= 0
						? 0.04 *
							natural ** 2 *
							Math.exp(-ratio * natural * t) *
							(Math.cos(damped * t) - ((ratio * natural) / damped) * Math.sin(damped * t))
						: 0;
				const event = new DeviceMotionEvent('devicemotion', {
					accelerationIncludingGravity: {
						x: 0,
						y: (g + up) * Math.sin(rad),
						z: (g + up) * Math.cos(rad)
					}
				});
				Object.defineProperty(event, 'timeStamp', { value: 1000 * (i / 60) });
				dispatchEvent(event);
				await Promise.resolve();
			}
		},
		[seconds, felt] as const
	);

test('a phone as an instrument: a bounce on the wing, an arm’s angle turned round, and typed', async ({
	tomas: page,
	jobUrl
}) => {
	await test.step('laid on the wing it reads the damping', async () => {
		await page.goto(`${await jobUrl('2026-0253')}/check/drive`);
		const corner = page.getByRole('region', { name: 'Front left' });
		await corner.getByRole('button', { name: /By this phone/ }).click();
		await corner.getByRole('button', { name: 'Record with this phone' }).click();
		await expect(corner.getByText(/this device may have none/)).toBeVisible();
		await feel(page, 4.5, { swing: true });
		await corner.getByRole('button', { name: 'It is at rest: stop' }).click();
		await expect(corner.getByText(/^0\.2[78] of critical/)).toBeVisible();
		await corner.getByRole('button', { name: 'Keep it for FL' }).click();
		await expect(corner.getByText('in good order')).toBeVisible();
	});
	await test.step('laid on an arm, turned round: its zero falls out', async () => {
		await page.goto(`${await jobUrl('2026-0257')}/set?of=FL`);
		const arm = page.getByRole('region', { name: /Angle of the lower arm/ });
		const phone = arm.getByRole('button', { name: 'Read by this phone' });
		await arm.getByRole('button', { name: 'Read an angle' }).click();
		await arm.getByLabel('Hub to arch here').fill('335');
		const listens = arm.getByText('No sensor has answered yet');
		await phone.click();
		await expect(listens).toBeVisible();
		await feel(page, 2, { deg: 4.4 });
		await expect(arm.getByText('Now turn it end for end')).toBeVisible();
		await phone.click();
		await expect(listens).toBeVisible();
		await feel(page, 2, { deg: -3.6 });
		await expect(arm.getByText('zero of the instrument +0.4°')).toBeVisible();
		await arm.getByRole('button', { name: 'Keep the angle' }).click();
		await expect(arm.getByText(/at 335 mm: \+4\.0°/)).toBeVisible();
		await arm.getByRole('button', { name: 'Read an angle' }).click();
		await arm.getByLabel('Hub to arch here').fill('395');
		const typed = arm.getByLabel('Or typed, °');
		const add = arm.getByRole('button', { name: 'Add', exact: true });
		await typed.fill('steep');
		await add.click();
		await expect(arm.getByRole('alert')).toContainText('‘steep’ is no angle over level');
		await typed.fill('−5,1');
		await add.click();
		await typed.fill('5.3');
		await add.click();
		await arm.getByRole('button', { name: 'Keep the angle' }).click();
		await expect(arm.getByText(/Turned by 9\.2°/)).toBeVisible();
		await sent(page);
	});
});
