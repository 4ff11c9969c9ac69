/** The work before the round: kept, held to its order, handed over. */
import { createHash } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { v7 as uuidv7 } from 'uuid';
import { describe, expect, it } from 'vitest';
import { viewJob } from '../../src/core/job/view.ts';
import { viewWork } from '../../src/core/job/work.ts';
import { usualCosts } from '../../src/core/job/costs.ts';
import { jobParts } from '../../src/core/job/parts.ts';
import { jobAdvice } from '../../src/core/job/plan.ts';
import { readCommand } from '../../src/core/job/book/command.ts';
import type { KindName } from '../../src/core/job/kinds/data.ts';
import { metric } from '../../src/core/units/format.ts';
import { photoSchema } from '../../src/lib/schema/job.ts';
import type { Person } from '../../src/lib/server/db/people.ts';
import { listLinksUndone, listTimedKinds } from '../../src/lib/server/db/projections.ts';
import { partsCsv } from '../../src/lib/server/exchange/csv.ts';
import { readJob } from '../../src/lib/server/jobs/book.ts';
import { addPhoto, picture, type NewPhoto } from '../../src/lib/server/jobs/photos.ts';
import { shrinker } from '../../src/lib/server/jobs/shrink.ts';
import { checked, useShop, shrink } from './shop.ts';

const shop = useShop('work');
const limits = { setDeg: 2, advisedDeg: 5 };

const write = (
	jobId: string,
	kind: KindName,
	subject: string,
	data: object,
	change: object = {},
	by: Person = shop.technician
) => shop.say(jobId, kind, subject, data, { by, ...change });
const strutJob = async () => {
	const jobId = await shop.job(['FL', 'FR']);
	await write(jobId, 'scope', 'front', { damper: true, spring: false, bushes: false });
	return jobId;
};
const done = (jobId: string, step: string, data: object = {}, who?: Person) =>
	write(jobId, 'step', step, { state: 'done', note: '', ...data }, {}, who);
const readHeights = async (jobId: string) => {
	for (const corner of ['FL', 'FR', 'RL', 'RR'])
		for (let i = 0; i < 3; i++) await shop.reading(jobId, { corner, height: '365' });
};

const spring = {
	rateNPerMm: 25,
	activeCoils: 5.5,
	hookedCoils: 4,
	freeLengthMm: 330,
	installedLengthMm: 250,
	clearanceMm: 5,
	screws: 2,
	hooksPerScrew: 1,
	screwLeadMm: 2,
	wireDiameterMm: 12.5
};

describe('the book of the work', () => {
	it('keeps the last word of each subject, and takes an entry once', async () => {
		const jobId = await shop.job();
		const finding = { corner: 'FL', point: 'damper-oil', state: 'weep', where: '', note: '' };
		const sent = { id: uuidv7(), enteredAt: new Date().toISOString() };
		await write(jobId, 'finding', 'FL/damper-oil', finding, sent);
		await write(jobId, 'finding', 'FL/damper-oil', finding, sent);
		await write(jobId, 'finding', 'FL/damper-oil', { ...finding, state: 'leak' });
		const record = await shop.record(jobId);
		expect(record.entries.filter(({ kind }) => kind === 'finding')).toHaveLength(2);
		const [line] = jobAdvice(record, usualCosts);
		expect(line).toMatchObject({ id: 'renew:damper:front', state: 'open' });
	});

	it.each([
		[
			'finding',
			'FL/damper-oil',
			{ corner: 'FL', point: 'damper-oil', state: 'wet' },
			/there are sound, weep, elsewhere, leak/
		],
		['finding', 'FL/wing', { corner: 'FL', point: 'wing', state: null }, /must be one of/],
		['scope', 'middle', { damper: true, spring: true, bushes: true }, /front, rear/],
		['strategy', 'car', { assembly: 'rebuild', people: 5 }, /must be one of/],
		['step', 'under the car', { state: 'done' }, /a step such as FL/],
		[
			'comparison',
			'FL/damper',
			{
				corner: 'FL',
				part: 'damper',
				old: { values: {} },
				new: { values: {} },
				outcome: 'explained',
				reason: ''
			},
			/reason of 5 letters/
		],
		['tray', 'x', { place: 'A1', name: 'Bolt', count: 1, back: 0 }, /GUID/],
		['stack', 'FL', { order: ['hat'], checks: {} }, /must be one of/]
	])('refuses %s %s %j with the reason', (kind, subject, data, words) => {
		const command = { id: uuidv7(), kind, subject, data, enteredAt: new Date().toISOString() };
		const read = readCommand(command, { units: metric, now: Date.now() });
		expect(JSON.stringify(read)).toMatch(words);
		expect(read.ok).toBe(false);
	});

	it('is closed with its job', async () => {
		const jobId = await shop.job();
		await shop.sign(jobId);
		await expect(write(jobId, 'rust', 'car', { grade: 'light' })).rejects.toThrow(/signed/);
	});
});

describe('a step in its turn', () => {
	it('is refused before what comes first, with the rule, and passed over by a lead with a reason only', async () => {
		const jobId = await strutJob();
		await expect(done(jobId, 'car/lift')).rejects.toThrow(/Chock.*Chocks before the jack/);
		const overrideReason = 'car already stands on the lift from the day before';
		await expect(done(jobId, 'car/lift', { overrideReason })).rejects.toThrow(/Only a lead/);
		await done(jobId, 'car/lift', { overrideReason }, shop.lead);
		const { entries } = await shop.record(jobId);
		expect(entries.at(-1)!.data).toMatchObject({ state: 'done', overrideReason });
	});

	it('wants the words of its gate: where the stands are', async () => {
		const jobId = await strutJob();
		await readHeights(jobId);
		for (const step of ['crack-wheels', 'chock', 'lift']) await done(jobId, `car/${step}`);
		await expect(done(jobId, 'car/stands')).rejects.toThrow(/where they stand/);
		await done(jobId, 'car/stands', { note: 'sill seams, both sides' });
		const view = viewWork(await shop.record(jobId), limits);
		expect(view.done.has('car/heights-before')).toBe(true);
		expect(view.next!.id).toBe('FL/wheel-off');
	});

	it('that is not of this job is refused', async () => {
		await expect(done(await strutJob(), 'RL/lower')).rejects.toThrow(
			'One entry needs another look'
		);
	});

	it('is timed from its start, and the shop learns from it', async () => {
		const jobId = await strutJob();
		await readHeights(jobId);
		const now = Date.now();
		const at = (minutes: number) => new Date(now - minutes * 60_000).toISOString();
		const start = { state: 'started', note: '' };
		await write(jobId, 'step', 'car/crack-wheels', start, { enteredAt: at(12) });
		await write(
			jobId,
			'step',
			'car/crack-wheels',
			{ state: 'done', note: '' },
			{ enteredAt: at(3) }
		);
		const timed = (await listTimedKinds(shop.db)).find(({ kind }) => kind === 'crack-wheels')!;
		const record = await shop.record(jobId);
		const { tookMin, expectedMin } = record.entries.at(-1)!.data as unknown as Record<
			string,
			number
		>;
		expect(tookMin).toBeCloseTo(9, 2);
		expect(timed).toMatchObject({
			steps: 1,
			logRatios: expect.closeTo(Math.log(tookMin! / expectedMin!), 5)
		});
		const [usual, own] = [viewWork(record, limits), viewWork(record, limits, [timed])];
		const likely = (view: typeof usual) => view.minutes.get('car/crack-wheels')!.likely;
		expect(likely(own)).toBeGreaterThan(likely(usual));
		expect(own.pace.get('crack-wheels')).toMatchObject({ records: 1 });
	});
});

describe('the plan', () => {
	it('tells the round which joints come loose and which stay untouched', async () => {
		const jobId = await shop.job(['FL', 'FR']);
		await write(jobId, 'scope', 'front', { damper: true, spring: false, bushes: false });
		let record = await shop.record(jobId);
		const loose = () => record.joints.filter((joint) => joint.loosened).map(({ name }) => name);
		expect(loose()).toContain('Strut to knuckle, upper bolt');
		expect(loose()).not.toContain('Lower arm, front bush bolt');
		const standing = viewJob(record).standing.joints;
		const bush = record.joints.find(({ name }) => name === 'Lower arm, front bush bolt')!;
		expect(standing.get(bush.id)!.state).toBe('untouched');
		await write(jobId, 'scope', 'front', { damper: true, spring: false, bushes: true });
		record = await shop.record(jobId);
		expect(loose()).toContain('Lower arm, front bush bolt');
	});

	it('leaves a joint with a torque as it is', async () => {
		const jobId = await shop.job(['FL', 'FR']);
		const { joints } = await shop.record(jobId);
		const ballJoint = joints.find(({ name }) => name === 'Lower ball joint nut')!;
		await shop.torque(jobId, ballJoint.id);
		await write(jobId, 'scope', 'front', { damper: true, spring: false, bushes: false });
		const after = (await shop.record(jobId)).joints.find(({ id }) => id === ballJoint.id)!;
		expect(after.loosened).toBe(true);
	});

	it('lists parts with their status, as a table too', async () => {
		const jobId = await strutJob();
		await write(jobId, 'part', 'damper:FL', { number: '=cmd', status: 'here', note: '' });
		const record = await shop.record(jobId);
		const strut = jobParts(record).find(({ id }) => id === 'damper:FL')!;
		expect(strut).toMatchObject({ hand: 'left', kept: { status: 'here' } });
		const csv = partsCsv(await readJob(shop.db, jobId));
		expect(csv).toMatch(/FL,front,Strut,left,1,'=cmd,Here/);
	});
});

describe('the bench', () => {
	it('does not let a turn be made with a tool that is overloaded, or that nobody rated', async () => {
		const jobId = await strutJob();
		const turn = (input: object) =>
			write(jobId, 'compressor', 'FL', { input: { ...spring, ...input }, turned: 1, free: false });
		await expect(turn({})).rejects.toMatchObject({
			faults: [{ field: 'input.ratedLoadPerHookN' }]
		});
		await expect(turn({ ratedLoadPerHookN: 500 })).rejects.toMatchObject({
			faults: [{ message: expect.stringMatching(/less than the \d+ N on each hook/) }]
		});
		await turn({ ratedLoadPerHookN: 8000 });
	});

	it('calls the spring compressed only when it was seen free', async () => {
		const jobId = await strutJob();
		const lead = { overrideReason: 'straight to the bench for the test' };
		await done(jobId, 'FL/compare', lead, shop.lead);
		await expect(done(jobId, 'FL/compress')).rejects.toThrow(/the compressor: type the spring/);
		const input = { ...spring, ratedLoadPerHookN: 8000 };
		await write(jobId, 'compressor', 'FL', { input, turned: 9, free: false });
		await expect(done(jobId, 'FL/compress')).rejects.toThrow(/turning loosely/);
		await write(jobId, 'compressor', 'FL', { input, turned: 9, free: true });
		await done(jobId, 'FL/compress');
	});

	it('wants a difference explained, and a swapped part put right', async () => {
		const jobId = await strutJob();
		const wanted = async () =>
			viewJob(await shop.record(jobId)).standing.owed.filter(({ kind }) => kind === 'work');
		const comparison = {
			corner: 'FL',
			part: 'damper',
			old: { values: { extendedMm: 500, compressedMm: 340 } },
			new: { values: { extendedMm: 520, compressedMm: 340 } },
			outcome: 'open',
			reason: ''
		};
		await write(jobId, 'comparison', 'FL/damper', comparison);
		expect((await wanted())[0]!.text).toMatch(/extended \+20.0 mm; explain it/);
		await write(jobId, 'comparison', 'FL/damper', {
			...comparison,
			outcome: 'explained',
			reason: 'maker’s longer replacement, letter on file'
		});
		expect(await wanted()).toEqual([]);
	});

	it('owes what is not back from the trays', async () => {
		const jobId = await strutJob();
		const id = uuidv7();
		const bolts = { step: 'FL/hose-off', place: 'A1', name: 'Bracket bolt', count: 2, back: 1 };
		await write(jobId, 'tray', id, bolts);
		const owed = async () =>
			viewJob(await shop.record(jobId)).standing.owed.map(({ text }) => text);
		expect(await owed()).toContain('Bracket bolt (tray A1): 1 of 2 not back');
		await write(jobId, 'tray', id, { ...bolts, back: 2 });
		expect((await owed()).join()).not.toMatch(/Bracket bolt/);
	});
});

describe('photos', () => {
	const image = async (width: number, height: number) => {
		const jpeg = await sharp({ create: { width, height, channels: 3, background: '#446655' } })
			.withExif({ IFD0: { Copyright: 'somebody', Model: 'camera' } })
			.jpeg()
			.toBuffer();
		return `data:image/jpeg;base64,${jpeg.toString('base64')}`;
	};
	const photo = async (change: object = {}) =>
		checked<NewPhoto>(photoSchema, {
			id: uuidv7(),
			corner: 'FL',
			subject: 'damper-oil',
			takenAt: new Date().toISOString(),
			image: await image(2400, 1200),
			...change
		});

	it('of the seats of a spring are wanted, or words on how they were seen', async () => {
		const jobId = await shop.job(['RL', 'RR']);
		await write(jobId, 'scope', 'rear', { damper: false, spring: true, bushes: false });
		const raise = viewWork(await shop.record(jobId), limits).order.steps.find(
			({ gate }) => gate?.photo
		)!;
		const refusal = async (data: object = {}) =>
			done(jobId, raise.id, data).then(
				() => '',
				(problem: Error) => problem.message
			);
		expect(await refusal()).toMatch(/a photo of it/);
		expect(await refusal({ note: 'by mirror, both ends' })).not.toMatch(/a photo of it/);
		const by = { person: shop.technician };
		await addPhoto(shop.db, jobId, await photo({ subject: raise.id }), by, shrink);
		expect(await refusal()).not.toMatch(/a photo of it/);
	});

	it('are made small, lose what the camera wrote, and are kept once', async () => {
		const jobId = await shop.job();
		const input = await photo();
		const by = { person: shop.technician };
		await addPhoto(shop.db, jobId, input, by, shrink);
		await addPhoto(shop.db, jobId, input, by, shrink);
		const jpeg = await picture(shop.db, jobId, input.id);
		const digest = createHash('sha256').update(jpeg).digest('hex');
		expect((await shop.record(jobId)).photos).toMatchObject([
			{ id: input.id, width: 1600, height: 800, subject: 'damper-oil', digest }
		]);
		expect((await sharp(jpeg).metadata()).exif).toBeUndefined();
		expect(jpeg.includes('camera')).toBe(false);
		await write(jobId, 'photo', input.id, { withdrawn: true });
		const { photos } = await shop.record(jobId);
		expect(photos).toMatchObject([{ id: input.id, digest, withdrawn: true }]);
	});

	it('that are no pictures are refused whatever they say they are, and belong to their own job', async () => {
		const jobId = await shop.job();
		const by = { person: shop.technician };
		const dataUrl = (bytes: Buffer, type = 'jpeg') =>
			`data:image/${type};base64,${bytes.toString('base64')}`;
		const svg = '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><rect/></svg>';
		const png = await sharp({
			create: { width: 9000, height: 9000, channels: 3, background: '#000' }
		})
			.png()
			.toBuffer();
		const jpeg = Buffer.from((await image(900, 600)).split(',')[1]!, 'base64');
		const bad = {
			'no bytes of a picture': dataUrl(Buffer.from('AAAA', 'base64')),
			'an SVG under another name': dataUrl(Buffer.from(svg)),
			'a GIF': dataUrl(Buffer.from('GIF89a\x01\x00\x01\x00\x00\x00\x00')),
			'81 million pixels in a few kB': dataUrl(png, 'png'),
			'half a JPEG': dataUrl(jpeg.subarray(0, jpeg.length / 3)),
			'an SVG behind the first bytes of a JPEG': dataUrl(
				Buffer.concat([jpeg.subarray(0, 3), Buffer.from(svg)])
			)
		};
		for (const [what, one] of Object.entries(bad)) {
			const refused = addPhoto(shop.db, jobId, await photo({ image: one }), by, shrink);
			await expect(refused, what).rejects.toMatchObject({ faults: [{ field: 'image' }] });
		}
		expect((await shop.record(jobId)).photos).toEqual([]);
		const input = await photo();
		await addPhoto(shop.db, jobId, input, by, shrink);
		await expect(picture(shop.db, await shop.job(), input.id)).rejects.toThrow(/no such photo/);
	});

	it('one that brings its decoder down, or never ends, is refused; the next one is taken', async () => {
		const folder = mkdtempSync(join(tmpdir(), 'vane-shrink-'));
		const program = (name: string, text: string) => {
			writeFileSync(join(folder, name), text);
			return join(folder, name);
		};
		const bytes = Buffer.from((await image(90, 60)).split(',')[1]!, 'base64');
		const dies = shrinker(program('dies.cjs', 'process.abort()'));
		const hangs = shrinker(program('hangs.cjs', 'setInterval(() => {}, 1000)'), { limitMs: 50 });
		for (const shrinkBadly of [dies, hangs])
			await expect(shrinkBadly(bytes)).rejects.toMatchObject({ faults: [{ field: 'image' }] });
		expect(await shrink(bytes)).toMatchObject({ width: 90, height: 60 });
		rmSync(folder, { recursive: true });
	});
});

describe('a fastener that fights', () => {
	const rear = async () => {
		const jobId = await shop.job(['FL', 'FR']);
		await write(jobId, 'scope', 'front', { damper: true, spring: false, bushes: false });
		await write(jobId, 'rust', 'car', { grade: 'light' });
		return jobId;
	};
	const fight = (jobId: string, joint: string, data: object) =>
		write(jobId, 'fight', `FL/${joint}`, { tried: ['clean', 'oil'], note: '', ...data });

	it('is owed until it is said how it ended, takes its minutes, and a ruined stud is a link to buy', async () => {
		const jobId = await rear();
		const before = viewWork(await shop.record(jobId), limits).minutes.get('front/links-off')!;
		await fight(jobId, 'drop-link-upper', { outcome: 'fights' });
		const record = await shop.record(jobId);
		const after = viewWork(record, limits).minutes.get('front/links-off')!;
		expect(after.likely - before.likely).toBe(12);
		const owed = (of: typeof record) =>
			viewJob(of).standing.owed.filter(({ text }) => text.includes('still fights'));
		expect(owed(record)).toMatchObject([{ stage: 'work', corner: 'FL' }]);
		const parts = async () => jobParts(await shop.record(jobId)).map(({ id }) => id);
		expect(await parts()).not.toContain('drop-link:FL');
		await fight(jobId, 'drop-link-upper', { tried: ['clean', 'oil', 'cut'], outcome: 'cut' });
		expect(owed(await shop.record(jobId))).toEqual([]);
		expect(await parts()).toContain('drop-link:FL');
	});

	it('that is ruined is renewed at its joint, whatever it was before', async () => {
		const jobId = await rear();
		const joint = async () =>
			(await shop.record(jobId)).joints.find(
				({ corner, key }) => corner === 'FL' && key === 'brake-hose-bracket'
			)!;
		expect((await joint()).oneTime).toBe(false);
		await fight(jobId, 'brake-hose-bracket', { outcome: 'damaged' });
		expect((await joint()).oneTime).toBe(true);
		expect(jobParts(await shop.record(jobId)).map(({ id }) => id)).toContain(
			'hardware:FL:brake-hose-bracket'
		);
	});

	it('is refused where it cannot be, by the field', async () => {
		const jobId = await rear();
		await expect(fight(jobId, 'no-such', { outcome: 'came' })).rejects.toMatchObject({
			faults: [{ field: 'subject' }]
		});
		await expect(
			fight(jobId, 'drop-link-upper', { tried: ['cut'], outcome: 'came' })
		).rejects.toMatchObject({ faults: [{ field: 'outcome' }] });
	});

	it('is what the shop learns from how often links break, at this rust and age', async () => {
		const jobId = await rear();
		await fight(jobId, 'drop-link-upper', { tried: ['cut'], outcome: 'cut' });
		const seen = async () =>
			(await listLinksUndone(shop.db)).filter(({ rust }) => rust === 'light');
		const sum = (list: Awaited<ReturnType<typeof seen>>) =>
			list.reduce((all, { undone, ruined }) => [all[0]! + undone, all[1]! + ruined], [0, 0]);
		const [undone, ruined] = sum(await seen());
		const overrideReason = 'everything before it is done';
		await done(jobId, 'front/links-off', { overrideReason }, shop.lead);
		expect(sum(await seen())).toEqual([undone! + 2, ruined! + 1]);
		const kept = await seen();
		await shop.rebuild();
		expect(await seen()).toEqual(kept);
	});
});
