/** What a lead hands to an opponent's expert: each line is what was done, and any change since is seen. */
import type { Page } from '@playwright/test';
import type { Entry } from '../../src/core/job/book/entry';
import { demoJobs } from '../../demo/tell';
import { chained } from '../../src/lib/server/proof/chain';
import { openJob, say } from './prepared';
import { bookOf, expect, follow, poll, patient, sent, test, stage } from './shop';

async function jointOf(page: Page, url: string, key: string) {
	const { joints } = await bookOf(page, url);
	return joints.find((joint) => joint.key === key)!;
}

/** A lead signs over all that is open. */
async function signOver(page: Page, url: string): Promise<void> {
	await page.goto(`${url}/hand-over`);
	for (const all of await page.getByRole('checkbox', { name: /^All: / }).all()) await all.check();
	await page
		.getByLabel('Why what is ticked is signed over')
		.fill('closed for this test of the seal');
	await page.getByRole('button', { name: /^Give this reason to/ }).click();
	await page.getByRole('button', { name: /Sign over/ }).click();
	await expect(page.getByText(/^Signed by Mara/)).toBeVisible();
	await sent(page);
}

const pdfOf = async (page: Page) => {
	const href = await page
		.getByRole('link', { name: 'The sealed sheet (PDF)' })
		.getAttribute('href');
	const answer = await page.request.get(href!);
	expect(answer.headers()['content-type']).toBe('application/pdf');
	return answer.body();
};

test('a signed sheet stays byte for byte whatever is edited; an addendum is sealed beside it', async ({
	mara: page
}) => {
	const url = await openJob(page, ['FL'], { owner: 'First Owner' });
	await signOver(page, url);
	const before = await pdfOf(page);
	await expect(page.getByRole('article')).toContainText('First Owner');

	const { vehicle } = await bookOf(page, url);
	await page.goto(`/cars/${vehicle.id}`);
	await page.getByRole('button', { name: 'Change the car' }).click();
	await page.getByLabel('Owner').fill('Second Owner');
	await page.getByRole('button', { name: 'Keep the change' }).click();
	await expect(page.getByText('Second Owner').first()).toBeVisible();
	await page.goto(`${url}/hand-over`);
	await expect(page.getByRole('article')).toContainText('First Owner');
	await expect(page.getByRole('article')).not.toContainText('Second Owner');
	expect((await pdfOf(page)).equals(before)).toBe(true);

	await page.getByRole('button', { name: 'Reopen as addendum …' }).click();
	await page
		.getByLabel('What is to be added or corrected, and why')
		.fill('odometer was read from the wrong car');
	await page.getByRole('button', { name: 'Reopen', exact: true }).click();
	await expect(page.getByText('◇ Open for an addendum')).toBeVisible();
	await page.goto(`${url}/edit`);
	await page.getByLabel('Odometer').fill('84100 km');
	await page.getByRole('button', { name: 'Keep the change' }).click();
	await expect(page).not.toHaveURL(/edit/);
	await signOver(page, url);
	await expect(page.getByRole('heading', { name: /^Addendum 1, by Mara Lindholm/ })).toBeVisible();
	await expect(page.getByText(/– odometer: 84100 km/)).toBeVisible();
	expect((await pdfOf(page)).equals(before)).toBe(false);
	const first = await page
		.getByRole('region', { name: 'Sealed before' })
		.getByRole('link')
		.getAttribute('href');
	expect((await (await page.request.get(first!)).body()).equals(before)).toBe(true);
});

test('anybody with the sheet or the file sees whose seal is on it, without an account', async ({
	mara: page,
	page: stranger,
	shop
}) => {
	const url = await openJob(page);
	await signOver(page, url);
	const { entries, id } = await bookOf(page, url);
	const { data, seq } = entries.at(-1) as Entry<'sealed'>;
	const expert = patient(stranger);
	const proof = new URLSearchParams({
		job: id,
		seq: String(seq - 1),
		head: data.head,
		sig: data.signature
	});
	await expert.goto(`${shop.origin}/verify?${proof.toString()}`);
	await expect(expert.getByText('✓ Sealed by this shop, and unchanged')).toBeVisible();
	proof.set('head', 'f'.repeat(64));
	await expert.goto(`${shop.origin}/verify?${proof.toString()}`);
	await expect(expert.getByText('✕ Not sealed by this shop')).toBeVisible();

	const file = (await (await page.request.get(`/api/v1${url}/job.json`)).json()) as {
		entries: { data: Record<string, unknown> }[];
	};
	const choose = async (content: object, name = 'job.json') => {
		await expert.getByLabel('Job file', { exact: true }).setInputFiles({
			name,
			mimeType: 'application/json',
			buffer: Buffer.from(JSON.stringify(content))
		});
	};
	await choose(file);
	await expect(expert.getByText('✓ Verified: sealed by Tern Street Suspension')).toBeVisible();
	const changed = structuredClone(file);
	changed.entries[0]!.data.complaint = 'Another complaint';
	await choose(changed, 'changed.json');
	await expect(expert.getByText('◇ Not verified')).toBeVisible();
	await expect(expert.getByText(/the chain does not hold/)).toBeVisible();
});

test('a job from elsewhere is marked; one that speaks for this shop’s people, or has no chain, is not taken', async ({
	tomas: page,
	jobUrl
}) => {
	await jobUrl('2026-0214');
	const demo = structuredClone(
		demoJobs().find(({ job }) => job.number === '2026-0214')
	) as unknown as {
		job: { id: string; number: string };
		entries: Entry[];
		people: { id: string }[];
		head: string;
	};
	const other = (id: string) => id.replace(/^.{8}/, '01a2b3c4');
	const foreign = JSON.parse(
		JSON.stringify(demo).replaceAll(
			/"(0[0-9a-f]{7})(-[0-9a-f]{4}-7[0-9a-f]{3}-8[0-9a-f]{3}-[0-9a-f]{12})"/g,
			(_, head: string, tail: string) => `"${other(head)}${tail}"`
		)
	) as typeof demo;
	const opened = foreign.entries[0] as Entry<'opened'>;
	opened.data.vehicle.plate = 'FAR 001';
	foreign.entries = chained(foreign.job.id, undefined, foreign.entries);
	foreign.head = foreign.entries.at(-1)!.hash;
	const bring = (content: object) =>
		page.getByLabel('Job file').setInputFiles({
			name: 'job.json',
			mimeType: 'application/json',
			buffer: Buffer.from(JSON.stringify(content))
		});

	await page.goto('/');
	await bring({ ...foreign, entries: foreign.entries.map(({ hash: _, ...entry }) => entry) });
	await expect(page.getByRole('alert')).toContainText('hash');

	// The same with this shop's own people in it.
	const people = JSON.stringify(foreign).replaceAll(
		new RegExp(foreign.people.map(({ id }) => id).join('|'), 'g'),
		(id) => demo.people[foreign.people.findIndex((one) => one.id === id)]!.id
	);
	const forged = JSON.parse(people) as typeof demo;
	forged.entries = chained(forged.job.id, undefined, forged.entries);
	forged.head = forged.entries.at(-1)!.hash;
	await bring(forged);
	await expect(page.getByRole('alert')).toContainText(
		'only a file that this shop has sealed may speak for them'
	);

	await bring(foreign);
	await expect(page.getByText('◇ Imported, not verified')).toBeVisible();
	await stage(page, 'Hand over').click();
	await expect(
		page.getByRole('heading', { name: 'Imported from a shop that is not known here: not verified' })
	).toBeVisible();
	await expect(page.getByText(/Jo Brandvik \(another shop\)/).first()).toBeVisible();
	const here = page.url();
	await page.goto('/');
	await bring(foreign);
	await expect(page).toHaveURL(here.replace(/\/hand-over$/, ''));
});

test('rubber torqued hanging and then only checked stays twisted; reused hardware prints as it was', async ({
	mara: page
}) => {
	const url = await openJob(page);
	const bush = await jointOf(page, url, 'arm-front-bush');
	const nut = await jointOf(page, url, 'tie-rod');
	await say(page, url, 'joint', bush.id, { torque: '120', torqueSource: 'maker' });
	await say(page, url, 'joint', nut.id, {
		torque: '45',
		torqueSource: 'maker',
		programme: { castle: { high: '60', slotDeg: 60 } }
	});
	await say(page, url, 'torque', bush.id, { torque: '120', carState: 'hanging' });
	await page.goto(`${url}/set?of=FL`);

	await test.step('checked only: not set, and it says why', async () => {
		await page.getByRole('button', { name: /Bring to height/ }).click();
		await page.getByText('On its wheels', { exact: true }).click();
		await page.getByLabel('Hub to arch now').fill('366');
		await page.getByRole('button', { name: 'Record the reading' }).click();
		await page.getByRole('button', { name: /^FL Lower arm, front bush bolt/ }).click();
		await expect(page.getByText('It is clamped already. Loosened first?')).toBeVisible();
		await page.getByRole('button', { name: 'Only checked' }).click();
		await page.locator('#torque').press('Enter');
		await page.getByRole('button', { name: 'New', exact: true }).click();
		await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(
			'Lower arm, front bush bolt'
		);
		await page.getByRole('button', { name: /^FL Lower arm, front bush bolt.*nipped/ }).click();
		await expect(
			page.getByText(/only checked with the weight on: it keeps the twist/)
		).toBeVisible();
	});

	await test.step('loosened, settled, tightened: set', async () => {
		await page.getByRole('button', { name: 'Loosened, settled' }).click();
		await page.locator('#torque').press('Enter');
		await expect(
			page.getByRole('button', { name: /^FL Lower arm, front bush bolt.*set/ })
		).toBeVisible();
	});

	await test.step('outside its band: owed, then accepted by name with its cost', async () => {
		const rear = await jointOf(page, url, 'arm-rear-bush');
		await say(page, url, 'joint', rear.id, { torque: '150', torqueSource: 'maker' });
		const off = { carState: 'loaded', method: 'on-wheels', hubToArch: '383' };
		await say(page, url, 'torque', rear.id, { torque: '150', ...off });
		await page.goto(`${url}/set?of=FL`);
		await page.getByRole('button', { name: /^FL Lower arm, rear bush bolt.*again/ }).click();
		await expect(page.getByText(/It keeps \+\d\.\d°/)).toBeVisible();
		await page.getByRole('button', { name: 'Accept it as it is …' }).click();
		await page.getByLabel('Accepted as it is, because').fill('the arm is renewed next week');
		await page.getByRole('button', { name: 'Accept', exact: true }).click();
		await expect(page.getByText('Accepted by Mara Lindholm')).toBeVisible();
		await expect(
			page.getByRole('button', { name: /^FL Lower arm, rear bush bolt.*accepted/ })
		).toBeVisible();
	});

	await test.step('castle nut: the old nut again with a reason, a new cotter pin', async () => {
		await page.getByRole('button', { name: /^FL Tie rod end nut/ }).click();
		await page.getByRole('button', { name: 'Old one again …' }).click();
		await page
			.getByLabel('Why the old one goes on again')
			.fill('no nut of that thread in the house');
		await page.getByRole('button', { name: 'Keep', exact: true }).click();
		await page.getByRole('button', { name: 'New pin, bent' }).click();
		await page.locator('#torque').fill('50');
		await page.locator('#torque').press('Enter');
		await expect(page.getByRole('button', { name: /^FL Tie rod end nut.*torqued/ })).toBeVisible();
		await sent(page);
		await page.goto(`${url}/hand-over`);
		const row = page.getByRole('row', { name: /Tie rod end nut/ });
		await expect(row).toContainText('old one again: no nut of that thread in the house');
		await expect(row).toContainText('new cotter pin');
		// Of what nobody has said is nothing printed.
		await expect(page.getByRole('row', { name: /Top mount nuts/ })).not.toContainText('new');
	});
});

test('Enter in the round records nothing while the part is on the bench', async ({
	mara: page,
	jobUrl,
	record
}) => {
	const before = (await record(page, '2026-0268')).torques.length;
	await page.goto(`${await jobUrl('2026-0268')}/set`);
	await expect(page.getByText(/The round waits: “.*” \(FL\) comes first/)).toBeVisible();
	await page.keyboard.press('Enter');
	await page.goto(`${await jobUrl('2026-0268')}/set`);
	await page.getByRole('button', { name: /FL Strut to knuckle, upper bolt/ }).click();
	await expect(
		page.getByText(/“Strut in, both ends started by hand” \(FL\) comes first/)
	).toBeVisible();
	await expect(page.locator('#torque')).toHaveCount(0);
	await page.keyboard.press('Enter');
	expect((await record(page, '2026-0268')).torques).toHaveLength(before);
});

test('a broken spring changes the target, warns at the compressor, and has no free length', async ({
	mara: page
}) => {
	const url = await openJob(page, ['FL'], {
		front: { layout: 'macpherson-front', track: '1540' }
	});
	for (const [corner, height] of [
		['FL', '341'],
		['FR', '358']
	] as const) {
		const reading = { phase: 'before', school: 'hub-to-arch', height };
		for (let i = 0; i < 3; i++) await say(page, url, 'reading', corner, reading);
	}
	const scope = { damper: true, spring: false, bushes: false };
	await say(page, url, 'scope', 'front', scope);
	await page.goto(`${url}/set?of=FL`);
	await page.getByRole('button', { name: /Bring to height/ }).click();
	await expect(page.getByText('The height before: right only if')).toBeVisible();
	const spring = { corner: 'FL', point: 'spring', state: 'broken', where: 'lowest coil', note: '' };
	await say(page, url, 'finding', 'FL/spring', spring);
	await page.reload();
	await expect(
		page.getByText('The spring of this corner was found broken: the height before is no target.')
	).toBeVisible();
	await expect(page.getByText('The height of the other side, whose spring is sound')).toBeVisible();
	await page.goto(`${url}/work/bench?corner=FL&at=compressor`);
	await expect(page.getByText(/This spring was found broken \(lowest coil\)/)).toBeVisible();
	await expect(page.getByLabel('Free length of a whole one')).toBeVisible();
	await say(page, url, 'scope', 'front', { ...scope, spring: true });
	await page.goto(`${url}/work/bench?corner=FL&at=compare`);
	await expect(page.getByText('it has no free length to compare').first()).toBeVisible();
	await expect(page.getByLabel('Free length, old').first()).toHaveCount(0);
});

test('an entry is its maker’s: on a tablet that changes hands it waits, and a lead vouches for it', async ({
	browser,
	signedIn,
	shop,
	mara
}) => {
	const url = await openJob(mara);
	const context = await browser.newContext({ baseURL: shop.origin });
	const page = patient(await context.newPage());
	const as = async (handle: 'tomas' | 'jo' | 'mara') => {
		await context.clearCookies();
		await context.addCookies((await signedIn(handle)).cookies);
	};
	await as('tomas');
	await page.goto(`${url}/measure?corner=FL`);
	await context.route('**/entries', (route) => route.abort());
	for (const height of ['358', '359']) {
		await page.locator('#reading').fill(height);
		await page.locator('#reading').press('Enter');
	}
	await expect(page.getByText('2 kept here')).toBeVisible();
	await context.unroute('**/entries');

	await as('jo');
	await page.goto(`${url}/measure?corner=FL`);
	const bar = page.getByRole('region', { name: 'Kept here for somebody else' });
	await expect(bar).toContainText('2 entries of Tomas Okoro are kept on this tablet, not sent');
	await page.locator('#reading').fill('360');
	await page.locator('#reading').press('Enter');
	await sent(page);
	const readings = async () => (await bookOf(mara, url)).readings;
	expect((await readings()).map(({ heightMm }) => heightMm)).toEqual([360]);

	await as('mara');
	await page.goto(`${url}/measure?corner=FL`);
	await bar.getByRole('button', { name: 'Look' }).click();
	await bar.getByRole('button', { name: 'Vouch for Tomas Okoro' }).first().click();
	await expect(bar).toContainText('1 entry of Tomas Okoro is kept');
	await sent(page);

	await as('tomas');
	await page.goto(`${url}/measure?corner=FL`);
	await expect(bar).toHaveCount(0);
	await sent(page);
	await poll(async () => (await readings()).length).toBe(3);
	const { people, entries } = await bookOf(mara, url);
	const name = (id: string) => people.find((one) => one.id === id)!.name;
	expect((await readings()).map(({ heightMm, personId }) => [heightMm, name(personId)])).toEqual([
		[360, 'Jo Brandvik'],
		[358, 'Tomas Okoro'],
		[359, 'Tomas Okoro']
	]);
	expect(entries.filter(({ vouchedBy }) => vouchedBy).map((one) => name(one.vouchedBy!))).toEqual([
		'Mara Lindholm'
	]);
	await page.goto(`${url}/history`);
	await expect(page.getByText('vouched for by Mara Lindholm')).toBeVisible();
	await context.close();
});

test('a tablet whose clock is ten minutes ahead records all the same; the history tells both times', async ({
	mara: page
}) => {
	const url = await openJob(page);
	await page.goto(`${url}/measure?corner=FL`);
	await page.clock.install({ time: Date.now() + 10 * 60_000 });
	await page.clock.resume();
	await page.goto(`${url}/measure?corner=FL`);
	await page.locator('#reading').fill('361');
	await page.locator('#reading').press('Enter');
	await sent(page);
	const { entries, readings } = await bookOf(page, url);
	const { enteredAt, storedAt } = entries.at(-1)!;
	expect(Date.parse(enteredAt) - Date.parse(storedAt)).toBeGreaterThan(9 * 60_000);
	expect(readings[0]!.takenAt).toBe(storedAt);
	await page.goto(`${url}/history`);
	await expect(page.getByRole('row').nth(1)).toContainText('kept');
});

test('what is half typed in a form is there after a reload', async ({ mara: page, jobUrl }) => {
	test.slow();
	const url = await openJob(page);
	const bench = await jobUrl('2026-0268');
	const { vehicle } = await bookOf(page, url);
	/** Where, how the form is opened, and the field. */
	const forms: [string, string[], string, string][] = [
		['/cars/new', [], 'Owner', 'Half an own'],
		[`/jobs/new?car=${vehicle.id}`, [], 'Complaint', 'Half a compl'],
		[`/cars/${vehicle.id}`, ['Change the car'], 'Modifications', 'Half a mod'],
		[`${url}/edit`, [], 'Complaint', 'Half another'],
		[url, ['Add a note'], 'What should the next one know?', 'Half a note'],
		[`${bench}/look?corner=FL`, [], 'Seen something? Say it', 'link lo'],
		[`${bench}/hand-over/customer`, [], 'A sentence of your own', 'Half a sentence'],
		[`${url}/measure?corner=FL`, [], '#reading', '36'],
		[`${url}/measure?corner=FL`, ['Note it'], 'Fuel', 'half'],
		[`${url}/set`, ['Add a joint'], 'Name', 'Half a joint'],
		[`${url}/set`, ['/Top mount nuts/', 'Change this joint …'], 'Specified torque', '2'],
		[`${url}/set?of=FL`, [], '#torque', '5'],
		[`${url}/set?of=FL`, ['/Bring to height/', 'Change'], '/^Target, /', '36'],
		[`${url}/set`, ['Pass over …'], 'Why it is passed over', 'socket does'],
		[`${url}/hand-over`, [], 'Why what is ticked is signed over', 'the owner wa'],
		[`${bench}/work/bench?corner=FR&at=compressor`, [], 'Length in the strut', '25'],
		[`${url}/set?of=FL`, [], 'The maker’s torque', '6'],
		[`${url}/edit`, [], 'Time', '16:4'],
		[
			`${bench}/check/drive`,
			['/Heard or felt something/'],
			'What was heard or felt, and where',
			'kno'
		],
		[`${await jobUrl('2026-0269')}/measure?corner=RL`, [], 'Other reason, rear', 'carries a com'],
		['/rack', ['Add a wrench'], 'Name', 'Half a wrench'],
		['/shop', [], 'Name', 'Half a shop name'],
		['/shop', ['Add a person'], '/^Name$/ 2', 'Half a person'],
		['/shop', [], 'Its public key', 'MCowBQYDK2VwAyEA']
	];
	const byName = (name: string) => {
		const pattern = /^\/(.+)\/$/.exec(name)?.[1];
		return pattern ? new RegExp(pattern) : name;
	};
	const fieldOf = (label: string) => {
		const [, name, nth] = /^(.*?)(?: (\d))?$/.exec(label)!;
		return label.startsWith('#')
			? page.locator(label)
			: page.getByLabel(byName(name!), { exact: true }).nth(Number(nth ?? 1) - 1);
	};
	const open = async (opening: string[]) => {
		for (const button of opening)
			await page
				.getByRole('button', { name: byName(button) })
				.first()
				.click();
	};
	// What stands on one page is typed and loaded again together, but for what takes each other's place.
	const loads = new Map<string, typeof forms>();
	for (const form of forms) {
		const [path, , label] = form;
		const key = path.includes('/set') ? `${path}: ${label}` : path;
		loads.set(key, [...(loads.get(key) ?? []), form]);
	}
	const [first] = loads.values();
	await page.goto(first![0]![0]);
	for (const [key, together] of loads) {
		await test.step(`${key}, typed`, async () => {
			await follow(page, together[0]![0]);
			for (const [, opening, label, text] of together) {
				await open(opening);
				await fieldOf(label).fill(text);
			}
		});
	}
	for (const [key, together] of loads) {
		await test.step(`${key}, loaded again`, async () => {
			await page.goto(together[0]![0]);
			for (const [, opening, label, text] of together) {
				await open(opening);
				await expect(fieldOf(label)).toHaveValue(text);
			}
		});
	}
});

test('what is half typed outlives an answer that comes late and loads the page’s data again', async ({
	mara: page
}) => {
	const url = await openJob(page);
	let answer!: () => void;
	const held = new Promise<void>((resolve) => (answer = resolve));
	await page.route('**/entries', async (route) => {
		await held;
		await route.continue();
	});
	await page.goto(`${url}/look?corner=FL`);
	await page.getByRole('button', { name: 'Leak' }).first().click();
	await expect(page.getByRole('button', { name: '✕ Leak' })).toBeVisible();
	await follow(page, '/rack');
	await page.getByRole('button', { name: 'Add a wrench' }).click();
	const name = page.getByLabel('Name', { exact: true }).first();
	await name.fill('Half a wrench');
	const loaded = page.waitForResponse((response) => response.url().includes('__data.json'));
	answer();
	await loaded;
	await sent(page);
	await expect(name).toHaveValue('Half a wrench');
	await page.reload();
	await page.locator('html[data-ready]').waitFor({ state: 'attached' });
	await page.getByRole('button', { name: 'Add a wrench' }).click();
	await expect(name).toHaveValue('Half a wrench');
});
