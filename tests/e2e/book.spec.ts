/** The book of a job: notes that stay with the car, its history, what two people said, how little it asks. */
import { v7 as uuidv7 } from 'uuid';
import { expect, poll, sent, test } from './shop';

const sill = 'Left sill is soft behind the front jacking point';

test('a note stays with the car: in its next job, on its page, until it is taken back', async ({
	tomas: page,
	mara,
	jobUrl
}) => {
	const [earlier, later] = [await jobUrl('2026-0214'), await jobUrl('2026-0261')];
	await page.goto(later);
	const notes = page.getByRole('region', { name: 'Notes that stay with the car' });
	await expect(notes).toContainText(sill);
	await page.getByRole('button', { name: 'Add a note' }).click();
	await notes.getByRole('button', { name: 'Keep the note' }).click();
	await expect(notes.getByRole('alert')).toBeVisible();
	await notes.getByLabel('What should the next one know?').fill('Rear wheels seize on the hub');
	await page.keyboard.press('Enter');
	await expect(notes.getByRole('listitem')).toHaveCount(2);
	await notes.getByRole('button', { name: /Take it back.*Left sill/ }).click();
	await expect(notes.getByRole('listitem')).toHaveCount(1);
	await sent(page);

	await test.step('the signed job of the same car, and the car itself, know', async () => {
		await mara.goto(earlier);
		const there = mara.getByRole('region', { name: 'Notes that stay with the car' });
		await expect(there).toContainText('Rear wheels seize on the hub');
		await expect(there).toContainText('job 2026-0261');
		await mara.getByRole('link', { name: 'BRX 902' }).click();
		const ofCar = mara.getByRole('region', { name: 'Notes that stay with the car' });
		await expect(ofCar.getByRole('listitem')).toHaveCount(1);
		await expect(ofCar).toContainText('Rear wheels seize on the hub');
	});
});

test('the history is the book, line by line, each kind by itself', async ({
	tomas: page,
	jobUrl,
	record
}) => {
	const { entries } = await record(page, '2026-0187');
	await page.goto(await jobUrl('2026-0187'));
	await page.getByRole('link', { name: 'History' }).click();
	const rows = page.getByRole('row');
	await expect(rows).toHaveCount(entries.length + 1);
	await expect(
		page.getByText(`✓ ${entries.length} entries of the book as they were written`)
	).toBeVisible();
	await page.getByLabel('Show').selectOption({ label: 'Height reading' });
	await expect(rows).toHaveCount(entries.filter(({ kind }) => kind === 'reading').length + 1);
	await expect(rows.nth(1)).toContainText('height');
});

test('two who change one thing without knowing are both kept, and somebody says which counts', async ({
	tomas: page,
	jobUrl,
	record
}) => {
	const url = await jobUrl('2026-0265');
	const { seq } = await record(page, '2026-0265');
	const say = (height: string, device: string) =>
		page.request.post(`/api/v1${url}/entries`, {
			data: {
				id: uuidv7(),
				kind: 'target',
				subject: 'FL',
				data: { source: 'chosen', height },
				enteredAt: new Date().toISOString(),
				seen: seq,
				device
			}
		});
	await page.goto(url);
	for (const [height, device] of [
		['431 mm', 'tablet-1'],
		['437 mm', 'tablet-2']
	] as const)
		expect((await say(height, device)).status()).toBe(201);
	const looks = page.getByRole('region', { name: 'Said twice' });
	await expect(looks.getByRole('listitem')).toHaveCount(2);
	await looks
		.getByRole('listitem')
		.filter({ hasText: '431 mm' })
		.getByRole('button', { name: 'This one' })
		.click();
	await expect(looks).toHaveCount(0);
	await expect(page.getByRole('link', { name: /^Front left.*Target 431mm/ })).toBeVisible();
	// Shown at once; the server has it a moment later.
	await poll(async () => (await record(page, '2026-0265')).looks).toEqual([]);
});

test('a reading is one request of the browser that made it; another screen asks for nothing', async ({
	tomas,
	mara,
	jobUrl
}) => {
	const url = await jobUrl('2026-0266');
	const asked = new Map([tomas, mara].map((page) => [page, [] as string[]]));
	for (const page of [tomas, mara]) {
		// The stream opens and asks once what was missed; from then on the job is told.
		const caughtUp = page.waitForResponse(/\/entries\?after=/);
		await page.goto(`${url}/check?corner=FL`);
		await caughtUp;
		page.on('request', (request) => {
			const path = new URL(request.url()).pathname;
			if (/\/entries$|__data\.json$/.test(path))
				asked.get(page)!.push(`${request.method()} ${path.split('/').at(-1)}`);
		});
	}
	await tomas.locator('#reading').fill('402');
	await tomas.locator('#reading').press('Enter');
	for (const page of [mara, tomas])
		await expect(page.getByRole('button', { name: /Front left.*402\.0 mm/ })).toBeVisible();
	await poll(() => asked.get(tomas)).toEqual(['POST entries']);
	expect(asked.get(mara)).toEqual([]);
	await expect(tomas.getByText('kept here')).toHaveCount(0);
	expect(asked.get(tomas)).toEqual(['POST entries']);
});
