/** From complaint to a car ready to be set, through the interface. */
import type { Locator, Page } from '@playwright/test';
import type { Corner } from '../../src/core/height/corners';
import { newJob, passSteps, say, stepsOf } from './prepared';
import { bookOf, expect, poll, sent, test } from './shop';
import { toGo, walkToTheRound } from './walk';

const journeys: {
	name: string;
	layouts: [string, string];
	corners: Corner[];
	complaint: string;
	/** What is found at the first corner, and the advice that is accepted. */
	found: [point: string, state: string][];
	accept: RegExp;
	/** Steps this layout cannot do without. */
	steps: RegExp[];
	/** Steps that it does not need, and so has not. */
	never?: RegExp;
	/** Where the way is walked on the page; what comes before is said done by a lead. */
	from: RegExp;
	/** The last that is walked. */
	until: RegExp;
}[] = [
	{
		name: 'a strut rebuilt on the bench',
		layouts: ['macpherson-front', 'trailing-arm-rear'],
		corners: ['FL', 'FR'],
		complaint: 'Knocks over bumps and keeps bouncing',
		found: [['Damper body', 'Leak']],
		accept: /Dampers, front pair/,
		steps: [/Tie the knuckle/, /Spring compressed/, /Shaft nut off/, /stacked/],
		// Its whole way is walked where its taps are counted.
		from: /^Spring compressed/,
		until: /stacked/
	},
	{
		name: 'a spring on a wishbone',
		layouts: ['double-wishbone-spring-on-arm', 'live-axle-rear'],
		corners: ['FL', 'FR'],
		complaint: 'Sits low at the front left',
		found: [['Spring', 'Broken coil']],
		accept: /Springs, front pair/,
		steps: [
			/Run off and on again by hand/,
			/Tapers cracked with their nuts still on/,
			/Lower the lower wishbone slowly/,
			/Spring in/,
			/Raise the lower wishbone/
		],
		from: /^Spring in/,
		until: /^Raise the lower wishbone/
	},
	{
		name: 'springs of a twist beam',
		layouts: ['macpherson-front', 'twist-beam-spring'],
		corners: ['RL', 'RR'],
		complaint: 'Bottoms out with people in the back',
		found: [['Spring', 'Broken coil']],
		accept: /Springs, rear pair/,
		steps: [/Lower the beam slowly until both/, /Raise the beam/],
		from: /^Lower the beam/,
		until: /^Spring in/
	},
	{
		name: 'a rear damper behind boot trim, its parts changed over',
		layouts: ['macpherson-front', 'trailing-arm-rear'],
		corners: ['RL', 'RR'],
		complaint: 'Keeps bouncing at the back',
		found: [['Damper body', 'Leak']],
		accept: /Dampers, rear pair/,
		steps: [
			/^Off: boot side trim/m,
			/^Upper end undone but for the last threads: damper, upper mount/m,
			/^Lower end undone: damper, lower bolt/m,
			/^Old part against new/m,
			/stop, boot, cups and cushions changed over/,
			/^Damper in/m
		],
		never: /link|hose|spring|bracket|arm bush|pivot/i,
		from: /^Old part against new/,
		until: /changed over/
	},
	{
		name: 'air struts',
		layouts: ['air-strut-front', 'trailing-arm-rear'],
		corners: ['FL', 'FR'],
		complaint: 'Sinks overnight',
		found: [['Damper body', 'Leak']],
		accept: /Dampers, front pair/,
		steps: [
			/battery off/,
			/relay or control unit unplugged/,
			/Air let out/,
			/^Off: plug of the strut/m,
			/Air line off/,
			/Unit checked as it came/,
			/Air line on/,
			/^On again: plug of the strut/m
		],
		never: /primed|compressed/i,
		from: /^Unit checked/,
		until: /^Air line on/
	}
];

for (const journey of journeys) {
	test(`${journey.name}: complaint to ready to be set`, async ({ tomas: page, mara }) => {
		test.setTimeout(240_000);
		const url = await newJob(page, journey.layouts, journey.corners, journey.complaint);
		await page.goto(`${url}/look`);
		for (const [point, state] of journey.found) {
			const group = page.getByRole('group', { name: point, exact: true });
			await group.getByRole('button', { name: state }).click();
			await expect(group.getByRole('button', { name: new RegExp(`✕ ${state}`) })).toBeVisible();
		}
		await page.getByRole('link', { name: /Decide/ }).click();
		const line = page.getByRole('group', { name: journey.accept });
		await line.getByRole('button', { name: 'Accepted' }).click();
		await page.getByRole('link', { name: /Order and time →/ }).click();
		await expect(page.getByText(/19 times in 20/)).toBeVisible();
		const { steps } = await stepsOf(page, url);
		const titles = steps.map(({ title }) => title).join('\n');
		for (const step of journey.steps) expect(titles).toMatch(step);
		if (journey.never) expect(titles).not.toMatch(journey.never);
		const { from, until } = journey;
		await passSteps(mara, url, from);
		await walkToTheRound(page, url, until);
		await passSteps(mara, url);
		await page.goto(`${url}/work`);
		await page.getByRole('link', { name: /Into the torque round/ }).click();
		await expect(page.getByText(/left to set/)).toBeVisible();
		const record = await bookOf(page, url);
		expect(record.joints.some(({ loosened }) => !loosened)).toBe(true);
		// The work on the sheet.
		await page.goto(`${url}/hand-over`);
		await expect(page.getByText('said done for this test').first()).toBeVisible();
	});
}

const strutJob = async (page: Page) => {
	const url = await newJob(page, ['macpherson-front', 'trailing-arm-rear'], ['FL', 'FR'], 'Knock');
	await say(page, url, 'scope', 'front', { damper: true, spring: false, bushes: false });
	return url;
};

test('bushes pressed into an arm: the arm out, marked, pressed and back, one after the other', async ({
	tomas: page
}) => {
	const url = await newJob(
		page,
		['macpherson-front', 'multi-link-rear'],
		['RL', 'RR'],
		'Wanders at the back'
	);
	await page.goto(`${url}/plan`);
	const also = page.getByRole('group', { name: 'Also renewed, rear' });
	await also.getByRole('button', { name: 'Bushes of the toe link' }).click();
	await expect(also.getByRole('button', { name: '✓ Bushes of the toe link' })).toBeVisible();
	await expect(page.getByText('Wheel alignment')).toBeVisible();
	const titles = (await stepsOf(page, url)).steps.map(({ title }) => title).join('\n');
	for (const step of [
		/^Toe link undone/m,
		/^Toe link out/m,
		/^Pressed out of the toe link/m,
		/^Toe link in/m
	])
		expect(titles).toMatch(step);
	expect(titles).not.toMatch(/spring|damper/i);
});

test('a rear damper behind all that this car has over it: from the outermost to the last clip', async ({
	tomas: page
}) => {
	test.setTimeout(240_000);
	const url = await newJob(
		page,
		['macpherson-front', 'twist-beam-spring'],
		['RL'],
		'Leaks at the back'
	);
	await say(page, url, 'scope', 'rear', { damper: true, spring: false, bushes: false });
	await page.goto(`${url}/plan`);
	const panel = page.getByRole('region', { name: 'In the way, rear' });
	const tell = async (name: string, count?: string) => {
		await panel.getByRole('button', { name: 'Something else is' }).click();
		await panel.getByLabel('What', { exact: true }).first().selectOption({ label: name });
		if (count) await panel.getByLabel('How many').first().fill(count);
		await panel.getByRole('button', { name: 'Keep it' }).click();
		await expect(panel.getByRole('button', { name: 'Something else is' })).toBeVisible();
		await expect(panel.getByText(name, { exact: true })).toBeVisible();
	};
	await tell('Parcel shelf', '6');
	await tell('Boot floor and carpet');
	await tell('Undertray');
	await expect(panel.getByText(/stays on in this job/)).toHaveCount(1);
	await sent(page);
	const titles = (await stepsOf(page, url)).steps.map(({ title }) => title);
	const at = (step: RegExp) => titles.findIndex((title) => step.test(title));
	for (const outer of [/^Off: parcel shelf/, /^Off: boot floor/]) {
		expect(at(outer)).toBeGreaterThan(-1);
		expect(at(outer)).toBeLessThan(at(/^Off: boot side trim/));
	}
	expect(at(/^Off: boot side trim/)).toBeLessThan(at(/^Upper end undone/));
	expect(titles.join('\n')).not.toMatch(/undertray|link|hose|spring/i);

	// A car of the same model: what this one had is offered, and one that has it not says so.
	const next = await newJob(
		page,
		['macpherson-front', 'twist-beam-spring'],
		['RL'],
		'Leaks at the back'
	);
	await say(page, next, 'scope', 'rear', { damper: true, spring: false, bushes: false });
	await page.goto(`${next}/plan`);
	await panel.getByRole('button', { name: 'Take in: Parcel shelf' }).click();
	await expect(panel.getByRole('button', { name: 'Take in: Parcel shelf' })).toHaveCount(0);
	await panel.getByRole('button', { name: 'Not on this car' }).click();
	await page.goto(`${next}/work`);
	await expect(page.getByRole('button', { name: /Upper end undone/ })).toBeVisible();
	await expect(page.getByRole('button', { name: /Off: / })).toHaveCount(0);
});

test('a coilover conversion: old spring and damper out, brackets drilled and tried, the new unit in', async ({
	tomas: page,
	mara
}) => {
	test.setTimeout(240_000);
	const url = await newJob(
		page,
		['macpherson-front', 'trailing-arm-rear'],
		['RL', 'RR'],
		'Wants it lower and adjustable'
	);
	await page.goto(`${url}/plan`);
	for (const [group, name] of [
		['Also renewed, rear', 'Coilover kit'],
		['Also renewed, rear', 'New brackets, drilled and fitted']
	] as const) {
		const chips = page.getByRole('group', { name: group, exact: true });
		await chips.getByRole('button', { name }).click();
		await expect(chips.getByRole('button', { name: `✓ ${name}` })).toBeVisible();
	}
	await expect(page.getByText('Wheel alignment')).toBeVisible();
	await page.getByText('As this shop likes it').click();
	await page.getByText('Once it has settled').click();
	await expect(page.getByText(/Once new parts have settled/)).toBeVisible();
	await sent(page);
	const titles = (await stepsOf(page, url)).steps.map(({ title }) => title);
	await passSteps(mara, url, /^New bracket held/);
	await walkToTheRound(page, url, /^Perch to zero/);
	const at = [
		/^Spring out/,
		/^Damper out/,
		/^New bracket held in its place/,
		/^Drilled from small to size/,
		/^Bare edges/,
		/^Rivet nuts set and tried/,
		/^Bracket on/,
		/^Perch to zero/,
		/^Damper in/
	].map((step) => titles.findIndex((title) => step.test(title)));
	expect(at).not.toContain(-1);
	expect(at.slice(2)).toEqual([...at.slice(2)].sort((a, b) => a - b));
	await page.goto(`${url}/plan/parts`);
	await expect(page.getByText(/^Bracket/).first()).toBeVisible();
	await expect(page.getByText(/^Coilover/).first()).toBeVisible();
	await page.goto(`${url}/hand-over`);
	await expect(page.getByText(/how it was seen|sizes drilled/i).first()).toBeVisible();
	await expect(page.getByText(/RL coilover: preload 6.0 mm from zero/).first()).toBeVisible();
	await page.goto(`${url}/check/drive`);
	const left = page.getByRole('group', { name: 'Coilover, rear left' });
	await left.getByLabel('Rebound').fill('16');
	await left.getByLabel('Compression').focus();
	await expect(page.getByText(/rebound changed by more than 2 clicks at once/)).toBeVisible();
});

test('a step that one car taught is offered with the next of its model, and a count stands at its step', async ({
	mara,
	tomas
}) => {
	const plain = { damper: true, spring: false, bushes: false };
	const rearJob = async (page: Page) => {
		const url = await newJob(
			page,
			['macpherson-front', 'trailing-arm-rear'],
			['RL', 'RR'],
			'Knock'
		);
		await say(page, url, 'scope', 'rear', plain);
		return url;
	};
	const first = await rearJob(tomas);
	await tomas.goto(`${first}/work`);
	await tomas
		.getByRole('button', { name: /Off: boot side trim/ })
		.first()
		.click();
	const panel = tomas.getByRole('region', { name: 'What the shop knows of it' });
	const teach = async (what: string, label: RegExp, text: string) => {
		await panel.getByRole('button', { name: 'Teach it' }).click();
		await panel.getByText(what, { exact: true }).click();
		await panel.getByLabel(label).fill(text);
		await panel.getByRole('button', { name: 'Keep it' }).click();
		await expect(panel.getByText(text)).toBeVisible();
	};
	await panel.getByRole('button', { name: 'Teach it' }).click();
	await panel.getByRole('button', { name: 'Keep it' }).click();
	await expect(panel.getByText('say it in a few words')).toBeVisible();
	await panel.getByRole('button', { name: 'Not now' }).click();
	await teach('A step', /What is done/, 'Lamp out and hung aside');
	await teach('How many, and where', /What the next one/, '11 clips, the last one under the seal');
	await expect(tomas.getByRole('button', { name: /Lamp out and hung aside/ })).toHaveCount(2);

	const second = await rearJob(mara);
	await mara.goto(`${second}/plan`);
	const offers = mara.getByRole('region', { name: 'What earlier cars taught' });
	await expect(offers.getByText(/this model, job .*Tomas/)).toBeVisible();
	await offers.getByRole('button', { name: 'Take in: Lamp out and hung aside' }).click();
	await expect(offers).toBeHidden();
	await mara.goto(`${second}/work`);
	await expect(mara.getByRole('button', { name: /Lamp out and hung aside/ })).toHaveCount(2);
	await mara
		.getByRole('button', { name: /Off: boot side trim/ })
		.first()
		.click();
	await expect(mara.getByText('11 clips, the last one under the seal')).toBeVisible();

	// To another shop and back: what is known already stays as it is.
	await mara.goto('/shop');
	const saved = mara.waitForEvent('download');
	await mara.getByRole('link', { name: 'Save as a file' }).click();
	const path = await (await saved).path();
	await mara.getByLabel('File of own knowledge').setInputFiles(path);
	await expect(mara.getByText(/0 taken in, \d+ known already/)).toBeVisible();
});

test('a link that breaks becomes a part, and what was found on the way is agreed, done and told', async ({
	mara: page
}) => {
	const url = await strutJob(page);
	await page.goto(`${url}/work?step=${encodeURIComponent('front/links-off')}`);
	await page.getByText('It does not come').click();
	await page.getByRole('button', { name: 'Drop link, upper nut, front left' }).click();
	await expect(page.getByText('Heat on the nut. Not here:')).toBeVisible();
	for (const rung of [
		/^Thread brushed/,
		/^Oil, and wait/,
		/^A touch tighter/,
		/^Stud held/,
		/^Pass-through/,
		/^Taper or stud/,
		/^Grips on/
	]) {
		await expect(page.locator('p.font-bold').filter({ hasText: rung })).toBeVisible();
		await page.getByRole('button', { name: 'Tried, it still fights' }).click();
	}
	await expect(page.getByText(/still fights; say how it ended/)).toHaveCount(0);
	await page.getByRole('button', { name: 'Cut off' }).click();
	await expect(page.getByText(/On the parts list now: a drop link for this side/)).toBeVisible();

	const found = page.getByRole('region', { name: /Found on the way/ });
	await found.getByRole('button', { name: 'Something found' }).click();
	await found.getByLabel('What, and what is to be done').fill('Front tyres worn: a new pair');
	await found.getByLabel(/^Price/).fill('dear');
	await found.getByRole('button', { name: 'Keep it' }).click();
	await expect(found.getByText(/‘dear’: a number/)).toBeVisible();
	await found.getByLabel(/^Price/).fill('240');
	await found.getByLabel('Minutes').fill('40');
	await found.getByRole('button', { name: 'Keep it' }).click();
	await expect(found.getByText('◇ To be told')).toBeVisible();
	await found.getByRole('button', { name: /Answer/ }).click();
	await found.getByLabel('How it was said, or why not').fill('on the phone at noon');
	await found.getByText('Agreed', { exact: true }).click();
	await expect(found.getByText(/a step of the plan/)).toBeVisible();
	await expect(page.getByRole('button', { name: /car Front tyres worn/i })).toBeVisible();

	await page.goto(`${url}/plan/parts`);
	await expect(page.getByText('Drop link').first()).toBeVisible();
	await page.goto(`${url}/hand-over`);
	await expect(
		page.getByText('◇ Front tyres worn: a new pair, 240.00, not done (on the phone at noon)')
	).toBeVisible();
});

test('a lead passes a gate over with a reason, a technician cannot; the sheet says so', async ({
	mara,
	tomas
}) => {
	const url = await strutJob(mara);
	for (const page of [tomas, mara]) {
		await page.goto(`${url}/work`);
		await page.getByRole('button', { name: /Lift the car/ }).click();
		await expect(page.getByText('Chocks before the jack')).toBeVisible();
		await expect(page.getByRole('button', { name: 'Done, next step' })).toBeDisabled();
	}
	await expect(tomas.getByRole('button', { name: 'Go on all the same' })).toHaveCount(0);
	await mara.getByRole('button', { name: 'Go on all the same' }).click();
	await mara.getByLabel(/Why it may go on/).fill('already on the lift since yesterday');
	await mara.getByRole('button', { name: 'Done, next step' }).click();
	await mara.goto(`${url}/hand-over`);
	await expect(mara.getByText(/Passed over, lift the car.*since yesterday/)).toBeVisible();
});

test('an overloaded compressor cannot be turned, a swapped part is named', async ({
	tomas: page
}) => {
	const url = await strutJob(page);
	await page.goto(`${url}/work/bench?corner=FL&at=compressor`);
	const values = {
		Wire: '14 mm',
		'Active coils': '5',
		Rate: '45 N/mm',
		'Free length': '340 mm',
		'Length in the strut': '230 mm',
		'Coils between the hooks': '3.5',
		'Tool may bear, a hook': '1500 N'
	};
	for (const [name, value] of Object.entries(values)) {
		await page.getByLabel(name, { exact: true }).fill(value);
	}
	await expect(page.getByText(/Not with this tool: each hook would bear/)).toBeVisible();
	await expect(page.getByRole('button', { name: /turns? on screw/ })).toHaveCount(0);
	await page.getByLabel('Tool may bear, a hook').fill('9000 N');
	await page.getByRole('button', { name: '2 turns on screw A' }).click();
	await expect(page.getByText(/1 of \d+ counted off; screw B is next/)).toBeVisible();

	await page.getByRole('button', { name: 'Put together' }).click();
	for (const name of ['Damper', 'Lower spring pad', 'Spring', 'Dust boot', 'Bump stop']) {
		await page.getByRole('button', { name: new RegExp(`^(✕ )?${name}`) }).click();
	}
	await expect(
		page.getByText('the dust boot is under the bump stop; it belongs above it', { exact: true })
	).toBeVisible();
	await page.getByLabel('Mount to bracket, old').fill('0');
	await page.getByLabel('Mount to bracket, new').fill('12');
	await page.getByLabel('Priming strokes').focus();
	await expect(page.getByText(/12.0° clockwise of its mark/)).toBeVisible();
});

test('a fastener left over keeps the job from being signed; declined work prints', async ({
	mara: page
}) => {
	const url = await strutJob(page);
	await page.goto(`${url}/work`);
	await page.getByRole('button', { name: 'Came out' }).click();
	await page.getByLabel('What, into tray A1').fill('Cowl clip');
	await page.getByLabel('How many').fill('4');
	await page.getByLabel('Length', { exact: true }).fill('18 mm');
	await page.getByRole('button', { name: 'Into A1' }).click();
	await page.getByRole('button', { name: 'One back, Cowl clip' }).click();
	await expect(page.getByText('1 of 4 back · 18 mm long')).toBeVisible();
	await page.goto(`${url}/hand-over`);
	await expect(page.getByText(/Cowl clip \(tray A1\): 3 of 4 not back/).first()).toBeVisible();

	await page.goto(`${url}/plan`);
	const boots = page.getByRole('group', { name: /Dust boots, front/ });
	await boots.getByRole('button', { name: 'Declined' }).click();
	await expect(boots.getByRole('button', { name: '✕ Declined' })).toBeVisible();
	await page.goto(`${url}/hand-over`);
	await expect(page.getByRole('heading', { name: 'Declined by the customer' })).toBeVisible();
	await expect(page.getByText('✕ Dust boots, front')).toBeVisible();
	const pdf = await page.request.get(`/api/v1${url}/customer.pdf`);
	expect(pdf.headers()['content-type']).toBe('application/pdf');
	expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
	await page.goto(`${url}/work`);
	await page.getByRole('button', { name: 'All back', exact: true }).click();
	await expect(page.getByText('✓ all back')).toBeVisible();
});

test('a photo is kept with the corner, goes out of sight and comes back', async ({
	tomas: page
}) => {
	const url = await strutJob(page);
	await page.goto(`${url}/look?corner=FL`);
	const picture = await page.screenshot({ clip: { x: 0, y: 0, width: 400, height: 300 } });
	const file = { name: 'leak.png', mimeType: 'image/png', buffer: picture };
	await page.getByLabel('Photos, FL, file').setInputFiles(file);
	const shown = page.getByRole('img', { name: /Front left/ });
	await expect(shown).toBeVisible();
	await poll(() => shown.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBe(400);
	await shown.click();
	await page.getByRole('button', { name: 'Take it out of sight' }).click();
	await expect(shown).toHaveCount(0);
	await page.getByRole('button', { name: 'Bring it back' }).click();
	await expect(shown).toBeVisible();
	const bad = { name: 'notes.png', mimeType: 'image/png', buffer: Buffer.from('no picture') };
	await page.getByLabel('Photos, FL, file').setInputFiles(bad);
	await expect(page.getByText(/notes.png cannot be read as a picture/)).toBeVisible();
});

test('findings and photos wait for the network, and arrive once', async ({ tomas: page }) => {
	const url = await strutJob(page);
	await page.goto(`${url}/look?corner=FR`);
	const picture = await page.screenshot({ clip: { x: 0, y: 0, width: 200, height: 100 } });
	await page.context().setOffline(true);
	await page.getByRole('button', { name: 'Weep' }).click();
	await expect(page.getByRole('button', { name: '◇ Weep' })).toBeVisible();
	await page
		.getByLabel(/Photos, .*file/)
		.setInputFiles({ name: 'x.png', mimeType: 'image/png', buffer: picture });
	await expect(page.getByText(/kept here, waiting for the server/).first()).toBeVisible();
	await page.context().setOffline(false);
	await poll(async () => {
		const { entries } = await bookOf(page, url);
		const count = (kind: string) => entries.filter((entry) => entry.kind === kind).length;
		return [count('finding'), count('photo')];
	}).toEqual([1, 1]);
});

test('a step is moved by hand where the rules let it, and the rule is said where not', async ({
	tomas: page
}) => {
	const url = await strutJob(page);
	await page.goto(`${url}/plan/order`);
	await page
		.getByRole('button', { name: /Chock the wheels/ })
		.first()
		.click();
	await page.getByRole('button', { name: '↑ Earlier' }).click();
	// The first move stands before the second is asked for.
	await expect(page.getByRole('button', { name: 'Usual order' })).toBeVisible();
	await page.getByRole('button', { name: '↑ Earlier' }).click();
	await expect(page.getByRole('alert')).toContainText(
		'Heights are read before anything is touched'
	);
	await page.getByRole('button', { name: 'Usual order' }).click();
	await expect(page.getByRole('button', { name: 'Usual order' })).toHaveCount(0);
});

test('a car is given its bay, goes to another queue, comes later, and back', async ({
	mara: page
}) => {
	await page.goto('/bays');
	const yard = page.getByRole('region', { name: /In the yard/ });
	const queue = (bay: number) => page.getByRole('list', { name: `Queue of bay ${bay}` });
	const card = (plate: string) => page.getByRole('button', { name: new RegExp(`^${plate}`) });
	for (const plate of ['OXB 127', 'HUM 583']) {
		await yard.getByRole('button', { name: new RegExp(`^${plate}`) }).click();
		await yard.getByRole('button', { name: 'First free bay' }).click();
		await expect(yard.getByRole('button', { name: new RegExp(`^${plate}`) })).toHaveCount(0);
	}
	const hand = page.getByRole('region', { name: 'The car in hand' });
	const bayOf = async () => Number(/bay (\d),/.exec(await hand.innerText())![1]);
	await expect(hand).toContainText('HUM 583');
	const from = await bayOf();
	const to = from === 1 ? 2 : 1;
	const stands = (bay: number) => expect(hand.getByText(new RegExp(`^bay ${bay},`))).toBeVisible();

	await test.step('to the end of the other queue by a button, undone', async () => {
		await hand.getByRole('button', { name: `To bay ${to}` }).click();
		await stands(to);
		await expect(queue(to).getByRole('button', { name: /^HUM 583/ })).toBeVisible();
		await page.getByRole('button', { name: 'Undo' }).click();
		await stands(from);
	});

	// All of the floor in sight, so that nothing moves while it is carried.
	await page.setViewportSize({ width: 1280, height: 3000 });
	const middle = async (of: Locator) => {
		const { x, y, width, height } = (await of.boundingBox())!;
		return { x: x + width / 2, y: y + height / 2 };
	};
	await test.step('carried there by mouse', async () => {
		const [there, here] = [
			await middle(queue(to).getByText('the end of the queue')),
			await middle(card('HUM 583'))
		];
		await page.mouse.move(here.x, here.y);
		await page.mouse.down();
		await page.mouse.move(there.x, there.y, { steps: 6 });
		await page.mouse.up();
		await expect(queue(to).getByRole('button', { name: /^HUM 583/ })).toBeVisible();
		await stands(to);
	});

	await test.step('by a finger back, and by a touch of the place there', async () => {
		const [there, here] = [
			await middle(queue(from).getByText('the end of the queue')),
			await middle(card('HUM 583'))
		];
		const finger = await page.context().newCDPSession(page);
		const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', share: number) =>
			finger.send('Input.dispatchTouchEvent', {
				type,
				touchPoints:
					type === 'touchEnd'
						? []
						: [
								{
									x: here.x + (there.x - here.x) * share,
									y: here.y + (there.y - here.y) * share ** 2
								}
							]
			});
		await touch('touchStart', 0);
		for (const share of [0.1, 0.2, 0.4, 0.6, 0.8, 1]) await touch('touchMove', share);
		await touch('touchEnd', 1);
		await expect(queue(from).getByRole('button', { name: /^HUM 583/ })).toBeVisible();
		await stands(from);
		await page
			.getByRole('button', { name: new RegExp(`^Put HUM 583 here, bay ${to}`) })
			.last()
			.click();
		await stands(to);
	});

	await test.step('the calendar and the yard', async () => {
		const ics = await (await page.request.get('/api/v1/bays.ics')).text();
		expect(ics).toMatch(new RegExp(`SUMMARY:Bay ${to}: HUM 583`));
		await hand.getByRole('button', { name: 'Back to the yard' }).click();
		await expect(yard.getByRole('button', { name: /^HUM 583/ })).toBeVisible();
	});
});

test('two cars of a day share two people and one lift, and their times go into the plan', async ({
	mara: page,
	record
}) => {
	const cars = { 'RUD 614': '2026-0268', 'PEM 847': '2026-0269' };
	await page.goto('/bays?day=2027-03-09');
	await expect(page.getByText('No car comes into a bay on this day')).toBeVisible();
	for (const [bay, number] of Object.values(cars).entries()) {
		const { id } = await record(page, number);
		const startsAt = new Date(`2027-03-09T1${bay}:00:00`).toISOString();
		const place = { bay, startsAt, minutes: 120, version: 1 };
		expect((await page.request.put(`/api/v1/jobs/${id}/bay`, { data: place })).status()).toBe(200);
	}
	await page.reload();
	const blocks = page.getByRole('list', { name: 'Blocks' });
	const ready = page.getByRole('region', { name: '2 cars in 2 bays' }).getByRole('status');
	await expect(ready).toHaveText(/^\d\d:\d\d$/, { timeout: 60_000 });
	// One after the other on the lift.
	const spans = await blocks
		.getByRole('listitem', { name: /^Lift 1/ })
		.evaluateAll((items) =>
			items.map((item) => item.getAttribute('aria-label')!.match(/\d\d:\d\d/g)!)
		);
	expect(spans).toHaveLength(2);
	spans.sort();
	expect(spans[0]![1]! <= spans[1]![0]!).toBe(true);
	await expect(blocks.getByRole('listitem', { name: /^Person 2/ }).first()).toBeAttached();
	const both = await ready.innerText();
	// One person alone is done later.
	await page.getByLabel('People').selectOption('1');
	await expect(page.getByRole('progressbar', { name: 'Search done' })).toHaveCount(0);
	await poll(async () => (await ready.count()) === 1 && (await ready.innerText()) > both).toBe(
		true
	);
	await page.getByRole('button', { name: 'Take these times into the plan' }).click();
	await expect(page.getByText('The plan stands at these times.')).toBeVisible({ timeout: 60_000 });
	const row = page.getByRole('row').filter({ hasText: 'PEM 847' });
	await expect(row).not.toContainText('11:00–13:00');
	await page.getByRole('button', { name: 'Undo' }).click();
	await expect(row).toContainText('bay 2, 11:00–13:00');
});

test('two people on one car see each other’s work at once', async ({ mara, tomas }) => {
	const url = await strutJob(mara);
	await mara.goto(`${url}/look?corner=FL`);
	await tomas.goto(`${url}/look?corner=FL`);
	const leak = (page: Page) => page.getByRole('button', { name: '✕ Leak' });
	await mara.getByRole('button', { name: 'Leak' }).click();
	await expect(leak(tomas)).toBeVisible();
	await tomas.getByRole('button', { name: '✕ Leak' }).click();
	await expect(leak(mara)).toHaveCount(0);

	await tomas.goto(`${url}/work`);
	await mara.goto(`${url}/work`);
	const left = await toGo(mara);
	await tomas.getByRole('checkbox').check();
	await tomas.getByRole('button', { name: 'Done, next step' }).click();
	await poll(() => toGo(mara)).toBe(left - 1);
});

test('what is typed wrong at the bench and in the plan says what would be right, and stays', async ({
	tomas: page
}) => {
	const url = await strutJob(page);
	await page.goto(`${url}/plan`);
	const unit = page.getByRole('textbox', { name: 'Complete unit' });
	await unit.fill('cheap');
	await expect(
		page.getByText('‘cheap’ is not an amount: a number such as 180 or 92,50')
	).toBeVisible();
	await expect(unit).toHaveValue('cheap');

	await page.goto(`${url}/work/bench?corner=FL&at=compressor`);
	await page.getByLabel('Active coils').fill('many');
	await expect(page.getByText('‘many’ is not a number')).toBeVisible();
	await page.getByLabel('Free length').fill('330 kg');
	await expect(page.getByText(/kg.*length|length.*kg/).first()).toBeVisible();

	await page.getByRole('button', { name: 'Old against new' }).click();
	const extended = page.getByLabel('Length extended, old');
	await extended.fill('long');
	await expect(extended).toHaveAttribute('aria-invalid', 'true');
});

test('the work is walked by keyboard: places by Alt and a letter, a step by Enter', async ({
	tomas: page
}) => {
	const url = await strutJob(page);
	await page.goto(url);
	for (const [keys, place] of [
		['Alt+l', 'look'],
		['Alt+p', 'plan'],
		['Alt+w', 'work']
	] as const) {
		await page.keyboard.press(keys);
		await expect(page).toHaveURL(new RegExp(`/${place}$`));
	}
	const title = page.getByRole('heading', { level: 1 });
	await expect(title).toHaveText('Wheel fasteners loose a quarter-turn, on the ground');
	const gate = page.getByRole('checkbox');
	await gate.focus();
	await page.keyboard.press('Space');
	await expect(gate).toBeChecked();
	await page.getByRole('button', { name: 'Done, next step' }).focus();
	await page.keyboard.press('Enter');
	await expect(title).toHaveText('Chock the wheels that stay down');
	// Not looked: it does not count.
	await page.getByRole('button', { name: 'Done, next step' }).focus();
	await page.keyboard.press('Enter');
	await expect(page.getByText('Look first, then touch the box.')).toBeVisible();
	await expect(title).toHaveText('Chock the wheels that stay down');
});
