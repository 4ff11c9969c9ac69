import { expect, poll, patient, sent, test } from './shop';

test('the server dies between two readings: nothing is lost, nothing twice', async ({
	tomas: page,
	shop,
	jobUrl,
	record
}) => {
	await page.goto(`${await jobUrl('2026-0261')}/measure?corner=FL`);
	const field = page.locator('#reading');
	await field.fill('364');
	await field.press('Enter');
	await expect(page.getByRole('button', { name: /364 mm reading 1/ })).toBeVisible();

	shop.kill();
	await field.fill('365');
	await field.press('Enter');
	await expect(page.getByText('1 kept here, waiting for the server')).toBeVisible();
	await expect(page.getByRole('button', { name: /365 mm kept here, not sent yet/ })).toBeVisible();
	await expect(page.getByRole('button', { name: /Front left.*2\/3/ })).toBeVisible();

	await shop.start();
	await expect(page.getByText('waiting for the server')).toHaveCount(0);
	await page.reload();
	await expect(page.getByRole('button', { name: /365 mm reading 2/ })).toBeVisible();
	const { readings } = await record(page, '2026-0261');
	expect(readings.map((reading) => reading.heightMm)).toEqual([364, 365]);
});

test('a reload with entries waiting keeps them', async ({ tomas: page, jobUrl, record }) => {
	await page.goto(`${await jobUrl('2026-0261')}/measure?corner=RL`);
	await page.route('**/entries', (route) => route.abort());
	await page.locator('#reading').fill('358');
	await page.locator('#reading').press('Enter');
	await expect(page.getByText('1 kept here')).toBeVisible();
	await page.unroute('**/entries');
	await page.reload();
	await poll(async () =>
		(await record(page, '2026-0261')).readings.some((r) => r.heightMm === 358)
	).toBe(true);
});

test('two tabs of one browser, both without network, lose nothing to each other', async ({
	tomas: page,
	jobUrl,
	record
}) => {
	const url = `${await jobUrl('2026-0258')}/check`;
	const other = patient(await page.context().newPage());
	await page.goto(`${url}?corner=FL`);
	await other.goto(`${url}?corner=FL`);
	await page.context().route('**/entries', (route) => route.abort());
	for (const [tab, height] of [
		[page, '341'],
		[other, '342'],
		[page, '343']
	] as const) {
		await tab.locator('#reading').fill(height);
		await tab.locator('#reading').press('Enter');
		await expect(tab.getByRole('button', { name: `${height} mm kept here` })).toBeVisible();
	}
	await other.close();
	await page.context().unroute('**/entries');
	await page.reload();
	const { readings } = await record(page, '2026-0258');
	const left = readings
		.filter(({ corner, phase }) => corner === 'FL' && phase === 'after')
		.map((r) => r.heightMm);
	expect(left.sort()).toEqual([341, 342, 343]);
});

test('two people on one car see each other’s readings and lose none', async ({
	tomas,
	mara,
	jobUrl,
	record
}) => {
	const url = await jobUrl('2026-0261');
	await tomas.goto(`${url}/measure?corner=FR`);
	await mara.goto(`${url}/measure?corner=RR`);
	await Promise.all(
		[tomas, mara].map(async (page, i) => {
			for (const height of [360, 361]) {
				await page.locator('#reading').fill(String(height + 10 * i));
				await page.locator('#reading').press('Enter');
			}
		})
	);
	// Told by the server: a connected page asks only every half minute.
	await expect(tomas.getByRole('button', { name: /Rear right.*2\/3/ })).toBeVisible();
	await sent(tomas);
	const { readings } = await record(mara, '2026-0261');
	expect(
		readings
			.filter((r) => r.corner === 'FR' || r.corner === 'RR')
			.map((r) => r.heightMm)
			.sort()
	).toEqual([360, 361, 370, 371]);
});

test('the job file goes out and comes back', async ({ mara: page, jobUrl }, testInfo) => {
	await page.goto(`${await jobUrl('2026-0214')}/hand-over`);
	const [download] = await Promise.all([
		page.waitForEvent('download'),
		page.getByRole('link', { name: 'Job file (JSON)' }).click()
	]);
	expect(download.suggestedFilename()).toBe('job-2026-0214.json');
	const file = testInfo.outputPath('job.json');
	await download.saveAs(file);
	await page.goto('/');
	await page.getByLabel('Job file').setInputFiles(file);
	await expect(page).toHaveURL(new RegExp(await jobUrl('2026-0214')));
	await page.goto('/');
	await page.getByLabel('Job file').setInputFiles({
		name: 'notes.json',
		mimeType: 'application/json',
		buffer: Buffer.from('{"format":"other"}')
	});
	await expect(page.getByRole('alert')).toContainText('format');
	await page
		.getByLabel('Job file')
		.setInputFiles({ name: 'broken.json', mimeType: 'application/json', buffer: Buffer.from('{') });
	await expect(page.getByRole('alert')).toContainText('broken.json is not a JSON file');
});
