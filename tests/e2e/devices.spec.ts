/** Devices beside the round: gauge and scales at the heights, the rack's page, who may do what. */
import { v7 as uuidv7 } from 'uuid';
import { viewJob } from '../../src/core/job/view';
import { expect, test } from './shop';

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
		await expect.poll(() => standIns.gauge.task?.label).toContain('front left, height after');
		for (const mm of [352.2, 351.8, 352]) {
			const { length } = standIns.gauge.answers;
			standIns.measure(mm);
			await expect.poll(() => standIns.gauge.answers.length).toBe(length + 1);
		}
		await expect(page.getByRole('button', { name: /Front left.*352\.0 mm/ })).toBeVisible();
		await page.getByRole('button', { name: /Rear right/ }).click();
		await expect.poll(() => standIns.gauge.task?.label).toContain('rear right');
		standIns.measure(349.5);
		await expect(page.getByRole('button', { name: /Rear right.*1\/3.*349\.5 mm/ })).toBeVisible();

		await page.getByRole('button', { name: 'Weigh' }).click();
		await expect.poll(() => standIns.scales.task?.kind).toBe('loads');
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
		await expect.poll(() => standIns.wrench.connected).toBe(true);
		await expect.poll(() => standIns.wrench.task).toBeNull();
		standIns.pull('good');
		await expect.poll(() => standIns.wrench.answers.length).toBe(1);
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
