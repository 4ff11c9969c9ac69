import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { operations } from '../../src/lib/server/api/operations';
import { compute, computations } from '../../src/core/compute';
import { expect, test, stage } from './shop';

test('every page and route needs a session', async ({ playwright, shop }) => {
	const request = await playwright.request.newContext({ baseURL: shop.origin, maxRedirects: 0 });
	for (const page of ['/', '/cars', '/jobs/new', '/shop', '/rack', '/me', '/jobs/x/set']) {
		const answer = await request.get(page);
		expect([page, answer.status(), answer.headers().location]).toEqual([
			page,
			303,
			`/sign-in?to=${encodeURIComponent(page)}`
		]);
	}
	for (const { method, path, open } of operations) {
		const answer = await request.fetch(`/api/v1${path.replace(/\{\w+\}/g, 'x')}`, {
			method,
			data: {}
		});
		if (!open) expect([path, answer.status()]).toEqual([path, 401]);
	}
	expect((await request.get('/api/v1/health')).status()).toBe(200);
	expect((await request.get('/api/v1/ready')).status()).toBe(200);
	await request.dispose();
});

test('the OpenAPI document covers exactly the routes there are', async ({ mara }) => {
	const routes = (folder: string): string[] =>
		readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
			entry.isDirectory()
				? routes(join(folder, entry.name))
				: entry.name === '+server.ts'
					? [folder]
					: []
		);
	const documented = new Set(
		operations.map(({ path }) => path.replace(/^\/compute\/.+/, '/compute/{name}'))
	);
	const served = routes('src/routes/api/v1').map((path) =>
		path.replace('src/routes/api/v1', '').replaceAll('[', '{').replaceAll(']', '}')
	);
	expect([...documented].sort()).toEqual(served.sort());
	const document = await (await mara.request.get('/api/v1/openapi.json')).json();
	expect(document.openapi).toBe('3.1.0');
	expect(Object.keys(document.paths)).toHaveLength(
		new Set(operations.map(({ path }) => path)).size
	);
});

test('a session that was ended is of no use, also not another person’s', async ({
	browser,
	shop
}) => {
	const context = await browser.newContext({ baseURL: shop.origin });
	const page = await context.newPage();
	await page.goto('/sign-in?to=https://elsewhere.example/');
	await page.getByLabel('Sign-in name').fill('jo');
	await page.getByLabel('PIN or password').fill('137950');
	await page.getByRole('button', { name: 'Sign in' }).click();
	await expect(page).toHaveURL(`${shop.origin}/`);
	const cookies = await context.cookies();
	expect(cookies[0]).toMatchObject({ httpOnly: true, sameSite: 'Strict' });
	await page.goto('/me');
	await page.getByRole('button', { name: 'Sign out on every device' }).click();
	await expect(page).toHaveURL(/sign-in/);
	await context.addCookies(cookies);
	expect((await page.request.get('/api/v1/jobs')).status()).toBe(401);
	await context.close();
});

test('sign-in says no to a wrong PIN and, after five, to any', async ({ browser, shop }) => {
	const page = await browser.newPage({ baseURL: shop.origin });
	await page.goto('/sign-in');
	for (let i = 0; i < 5; i++) {
		await page.getByLabel('Sign-in name').fill('ilse-guess');
		await page.getByLabel('PIN or password').fill(`000${i}`);
		await page.getByRole('button', { name: 'Sign in' }).click();
		await expect(page.getByRole('alert')).toContainText('do not belong together');
		await expect(page.getByLabel('PIN or password')).toHaveValue('');
	}
	await page.getByLabel('PIN or password').fill('864207');
	await page.getByRole('button', { name: 'Sign in' }).click();
	await expect(page.getByRole('alert')).toContainText('Too many wrong tries. Wait 30 s');
	await page.close();
});

test('answers carry the security headers, and pages a strict policy', async ({ mara }) => {
	const headers = (await mara.request.get('/')).headers();
	expect(headers['x-content-type-options']).toBe('nosniff');
	expect(headers['referrer-policy']).toBe('same-origin');
	const policy = headers['content-security-policy']!;
	expect(policy).toContain("default-src 'self'");
	expect(policy).toContain("frame-ancestors 'none'");
	expect(policy).not.toContain('unsafe-inline');
	expect(policy).not.toContain('unsafe-eval');
});

test('bad requests are answered in words', async ({ mara }) => {
	const post = (path: string, data: string | Buffer, type = 'application/json') =>
		mara.request.post(`/api/v1${path}`, { data, headers: { 'content-type': type } });
	expect((await post('/jobs', Buffer.from('{'))).status()).toBe(400);
	expect((await post('/jobs', 'a=b', 'application/x-www-form-urlencoded')).status()).toBe(403);
	expect((await post('/jobs', 'text', 'text/xml')).status()).toBe(415);
	const large = await post('/import', Buffer.alloc(10 * 1024 * 1024, 32));
	expect([large.status(), (await large.json()).title]).toEqual([
		413,
		expect.stringContaining('8 MB')
	]);
	const unknown = await mara.request.get('/api/v1/jobs/0199b000-0000-7000-8000-000000000000');
	expect([unknown.status(), unknown.headers()['content-type']]).toEqual([
		404,
		'application/problem+json'
	]);
	for (const id of ['x', "' OR 1=1 --", '%00'])
		expect(
			(await mara.request.get(`/api/v1/jobs/${encodeURIComponent(id)}`)).status()
		).toBeLessThan(500);
	const answer = await (await post('/compute/bush-set', '{"armLengthMm":-1}')).json();
	expect(answer.faults).toContainEqual({
		field: 'armLengthMm',
		message: 'must be greater than 0',
		value: -1
	});
	expect((await post('/compute/nonsense', '{}')).status()).toBe(404);
});

/** As it goes over a wire: JSON knows no minus zero and no undefined. */
const asJson = (data: object): unknown => JSON.parse(JSON.stringify(data));

test('every computation answers over HTTP as in the core', async ({ mara }) => {
	for (const computation of computations) {
		const answer = await mara.request.post(`/api/v1/compute/${computation.name}`, {
			data: computation.example
		});
		expect({ ok: true, value: await answer.json() }, computation.name).toEqual(
			asJson(compute(computation, computation.example))
		);
		const refused = await mara.request.post(`/api/v1/compute/${computation.name}`, { data: {} });
		expect([refused.status(), refused.headers()['content-type']], computation.name).toEqual([
			422,
			'application/problem+json'
		]);
	}
});

test('markup and SQL in every text field stay text', async ({ mara: page }) => {
	const nasty = `<img src=x onerror=alert(1)>'; DROP TABLE jobs;--`;
	page.on('dialog', () => expect('a dialog').toBe('never opened'));
	await page.goto('/cars/new?for=job');
	await page.getByLabel('Plate').fill(`<b>';--`);
	await page.getByRole('button', { name: /^More of the car/ }).click();
	for (const field of ['Make', 'Owner', 'Modifications'])
		await page.getByLabel(field, { exact: true }).fill(nasty);
	await page.getByLabel('Model', { exact: true }).fill(nasty);
	await page.getByLabel('Wheelbase').fill('2640');
	await page.getByRole('group', { name: 'Front axle' }).getByLabel('Track').fill('1540');
	await page.getByRole('group', { name: 'Rear axle' }).getByLabel('Track').fill('1540');
	await page.getByRole('button', { name: 'Keep the car and go on' }).click();
	await page.getByLabel('Complaint').fill(nasty);
	await page.getByLabel('Rear left').check();
	await page.getByRole('button', { name: 'Open the job' }).click();
	await expect(page.getByText(nasty).first()).toBeVisible();
	await stage(page, 'Hand over').click();
	await expect(page.getByRole('heading', { name: /Ride height/ })).toBeVisible();
	await expect(page.getByText(nasty).first()).toBeVisible();
	await expect(page.locator('img[src=x]')).toHaveCount(0);
});

test('a form says which field is wrong and keeps what was typed', async ({ mara: page }) => {
	await page.goto('/cars/new');
	await page.getByLabel('Make', { exact: true }).fill('Halden');
	await page.getByRole('button', { name: /^More of the car/ }).click();
	await page.getByLabel('Wheelbase').fill('26 kg');
	await page.getByRole('button', { name: 'Keep the car' }).click();
	await expect(page.getByText('is a unit of mass').first()).toBeVisible();
	await expect(page.getByLabel('Plate')).toHaveAttribute('aria-invalid', 'true');
	await expect(page.getByLabel('Make', { exact: true })).toHaveValue('Halden');
});

test('an unknown page and an unknown job are told in the app’s own page', async ({
	mara: page
}) => {
	await page.goto('/nowhere');
	await expect(page.getByRole('heading', { name: 'There is no such page.' })).toBeVisible();
	await page.goto('/jobs/0199b000-0000-7000-8000-000000000000');
	await expect(page.getByRole('heading', { name: 'There is no such job.' })).toBeVisible();
});
