import { describe, expect, it } from 'vitest';
import { demoRecord } from '../../../demo/jobs.testing';
import { after, jointOf, key, lead, say, technician, told } from './kinds/saying.testing';
import { jobParts as viewParts } from './parts';
import type { JobRecord } from './record';
import { viewJob } from './view';
import { viewWork } from './work';

/** Nothing is open in it. */
const ready = () => demoRecord('2026-0251');
const owed = (record: JobRecord) => viewJob(record).standing.owed;
const lines = (record: JobRecord) =>
	say(record, 'signed', 'car', {}).status === 201 ? [] : owed(record).map(({ kind }) => kind);

describe('a signature', () => {
	it('is taken where nothing is open, by whoever did the work', () => {
		expect(owed(ready())).toEqual([]);
		expect(say(ready(), 'signed', 'car', {})).toMatchObject({
			status: 201,
			entries: [{ kind: 'signed', data: { over: [] } }]
		});
	});

	it.each<[string, string, (record: JobRecord) => JobRecord]>([
		[
			'a reading taken back',
			'height-after',
			(record) => {
				const { id, phase, corner, school } = record.readings.at(-1)!;
				const data = { phase, school, withdraw: true };
				return told(record, 'reading', corner, data, { corrects: id });
			}
		],
		[
			'a torque taken back',
			'joint',
			(record) => {
				const { id, jointId, carState, method } = record.torques.at(-1)!;
				const data = { withdraw: true, carState, method };
				return told(record, 'torque', jointId, data, { corrects: id });
			}
		],
		[
			'a fastener in its tray',
			'tray',
			(record) =>
				told(record, 'tray', key(), {
					step: 'FL/hose-off',
					place: 'A1',
					name: 'Bracket bolt',
					count: 1,
					back: 0
				})
		],
		[
			'one-time hardware of which nobody has said what became of it',
			'hardware',
			(record) =>
				told(record, 'hardware', jointOf(record, 'FL', 'arm-front-bush').id, { fastener: null })
		],
		[
			'a step of the work',
			'step',
			(record) => told(record, 'scope', 'front', { damper: false, spring: false, bushes: true })
		],
		[
			'a part that is neither in nor back',
			'part',
			(record) => told(record, 'scope', 'front', { damper: true, spring: false, bushes: false })
		],
		[
			'a difference that nobody has explained',
			'work',
			(record) =>
				told(record, 'comparison', 'FL/damper', {
					corner: 'FL',
					part: 'damper',
					old: { values: { extendedMm: 500, compressedMm: 340 } },
					new: { values: { extendedMm: 540, compressedMm: 340 } },
					typed: {},
					outcome: 'open',
					reason: ''
				})
		]
	])('is refused with %s', (_, kind, open) => {
		const record = open(ready());
		expect(lines(record)).toContain(kind);
		expect(say(record, 'signed', 'car', {})).toMatchObject({ status: 409 });
	});

	it('names what stands about under load, in the place of the step that ends it', () => {
		const record = demoRecord('2026-0268');
		const hazards = owed(record).filter(({ kind }) => kind === 'hazard');
		expect(hazards.map(({ stepId }) => stepId)).toContain('FL/untie');
		expect(hazards.find(({ stepId }) => stepId === 'FL/untie')!.text).toBe(
			'The knuckle hangs on its strap: “Strap off the knuckle” is not done'
		);
		expect(owed(record).filter(({ stepId }) => stepId === 'FL/untie')).toHaveLength(1);
	});

	it('names a piston that stands back until the pedal was pumped', () => {
		const caliper = {
			what: 'part',
			text: 'Caliper',
			where: 'front',
			anchor: 'part:caliper',
			for: 'job'
		} as const;
		const record = told(
			demoRecord('2026-0268'),
			'own',
			'0199b000-0000-7000-8000-000000000015',
			caliper
		);
		const pedal = (one: JobRecord) =>
			owed(one).find(({ stepId }) => stepId === 'car/pump-brakes')?.kind;
		expect(pedal(record)).toBe('step');
		const back = told(record, 'step', 'FL/piston-back', { state: 'done', note: '' });
		expect(pedal(back)).toBe('hazard');
	});

	it('wants every open item of a lead, each with its reason, and keeps them', () => {
		const record = demoRecord('2026-0262');
		const refused = say(record, 'signed', 'car', {}, { who: lead });
		expect(refused).toMatchObject({ status: 409 });
		const all = owed(record).length;
		const over = namedBy(record);
		expect(over).toHaveLength(all);
		const one = say(record, 'signed', 'car', { over: over.slice(1) }, { who: lead });
		expect(one.said!.join()).toMatch(`${all} open, 1 without a reason`);
		expect(say(record, 'signed', 'car', { over }, { who: technician }).status).toBe(403);
		const signed = told(record, 'signed', 'car', { over }, { who: lead });
		expect(signed.signOff).toMatchObject({ personId: lead.id, over });
	});

	it('does not keep a reason for what is not open', () => {
		const over = [{ item: 'Front left: nothing at all', reason: 'because it was said so' }];
		const signed = told(ready(), 'signed', 'car', { over }, { who: lead });
		expect(signed.signOff!.over).toEqual([]);
	});
});

/** Every open item with a reason. */
function namedBy(record: JobRecord) {
	const answer = viewJob(record).standing.owed;
	const names = { FL: 'Front left', FR: 'Front right', RL: 'Rear left', RR: 'Rear right' };
	return answer.map(({ corner, text }) => ({
		item: `${names[corner]}: ${text}`,
		reason: 'the owner wants to drive it home'
	}));
}

describe('an addendum', () => {
	const signed = () => demoRecord('2026-0187');
	const reason = 'the rear heights were typed for the wrong side';
	const open = () => told(signed(), 'addendum', 'car', { reason }, { who: lead });

	it('is opened by a lead, of a signed job only', () => {
		expect(say(signed(), 'addendum', 'car', { reason }).status).toBe(403);
		expect(say(ready(), 'addendum', 'car', { reason }, { who: lead }).status).toBe(409);
		expect(open()).toMatchObject({ signedAt: null, addendum: { reason, personId: lead.id } });
	});

	it('is written by a lead alone, but for notes', () => {
		const height = { phase: 'after', school: 'hub-to-arch', height: '332' };
		expect(say(open(), 'reading', 'FL', height).status).toBe(403);
		expect(say(open(), 'reading', 'FL', height, { who: lead }).status).toBe(201);
		expect(say(open(), 'note', 'car', { text: 'Rear wheels seize on the hub' }).status).toBe(201);
	});

	it('is signed anew, over what is open then; both signatures stay', () => {
		const height = { phase: 'after', school: 'hub-to-arch', height: '332' };
		const more = told(open(), 'reading', 'FL', height, { who: lead });
		const again = told(more, 'signed', 'car', { over: namedBy(more) }, { who: lead });
		expect(again.signOffs).toHaveLength(2);
		expect(again).toMatchObject({ addendum: null, addenda: [{ reason }] });
		expect(again.signedAt).not.toBeNull();
	});
});

describe('a joint in the order of the work', () => {
	const apart = () => demoRecord('2026-0268');
	const bolt = () => jointOf(apart(), 'FL', 'strut-knuckle-upper');
	const pull = { torque: '110', carState: 'hanging' };

	it('waits for its part to be back', () => {
		const answer = say(apart(), 'torque', bolt().id, pull);
		expect(answer).toMatchObject({ status: 409 });
		expect(answer.said!.join()).toMatch(/Not yet: “Strut in, both ends started by hand” \(FL\)/);
	});

	it('is taken before its turn with a reason, which stays', () => {
		const aheadReason = 'the strut is in, nobody ticked it off';
		const record = told(apart(), 'torque', bolt().id, { ...pull, aheadReason });
		expect(record.torques.at(-1)).toMatchObject({ torqueNm: 110, aheadReason });
		const { id, carState } = record.torques.at(-1)!;
		const right = { torque: '112', carState };
		const corrected = told(record, 'torque', bolt().id, right, { corrects: id });
		expect(corrected.torques.at(-1)).toMatchObject({ torqueNm: 112, aheadReason });
	});

	it('is taken when its steps are done', () => {
		let record: JobRecord = apart();
		for (const { id, doneIn } of viewWork(record, record.limits).order.steps) {
			if (doneIn === 'round' || id === 'FL/wheel-on') break;
			const data = { state: 'done', note: 'seen', overrideReason: 'the lead has looked at it' };
			record = after(record, say(record, 'step', id, data, { who: lead }));
		}
		expect(say(record, 'torque', bolt().id, pull).status).toBe(201);
	});

	it('at a wheel waits for the car to be down, said once', () => {
		const record = demoRecord('2026-0262');
		const wheel = jointOf(record, 'FL', 'wheel');
		const torque = { torque: '120', carState: 'loaded', method: 'on-wheels' };
		expect(say(record, 'torque', wheel.id, torque).said!.join()).toMatch(/down on its wheels/);
		const down = told(record, 'down', 'car', { onWheels: true });
		expect(say(down, 'torque', wheel.id, torque).status).toBe(201);
		const up = told(down, 'down', 'car', { onWheels: false });
		expect(say(up, 'torque', wheel.id, torque).status).toBe(409);
	});
});

describe('rubber that was clamped elsewhere', () => {
	const bush = (record: JobRecord) => jointOf(record, 'FL', 'arm-front-bush');
	/** Torqued hanging, not only nipped by hand. */
	const hung = () => {
		const record = demoRecord('2026-0258');
		const joint = jointOf(record, 'FR', 'arm-front-bush');
		const torque = { torque: `${joint.torqueNm}`, carState: 'hanging' };
		return { record: told(record, 'torque', joint.id, torque), joint };
	};
	const status = (record: JobRecord, id: string) => viewJob(record).standing.joints.get(id)!;
	const at = { torque: '120', carState: 'loaded', method: 'on-wheels', hubToArch: '361' };

	it('is asked about once: loosened first, or only checked', () => {
		const { record, joint } = hung();
		const answer = say(record, 'torque', joint.id, at);
		expect(answer.status).toBe(422);
		expect(answer.said!.join()).toMatch(/loosenedFirst: .* say whether it was loosened first/);
	});

	it('only checked stays as it was clamped, and says why', () => {
		const { record, joint } = hung();
		const checked = told(record, 'torque', joint.id, { ...at, loosenedFirst: false });
		expect(status(checked, joint.id)).toMatchObject({
			state: 'nipped',
			owed: true,
			reason: expect.stringContaining('only checked with the weight on: it keeps the twist')
		});
		expect(say(checked, 'torque', joint.id, at).status).toBe(422);
		// Its number corrected, it is a check still.
		const { id, carState, method } = checked.torques.at(-1)!;
		const right = { torque: '121', carState, method, hubToArch: '361' };
		const corrected = told(checked, 'torque', joint.id, right, { corrects: id });
		expect(status(corrected, joint.id).state).toBe('nipped');
	});

	it('loosened first is set', () => {
		const { record, joint } = hung();
		const set = told(record, 'torque', joint.id, { ...at, loosenedFirst: true });
		expect(status(set, joint.id)).toMatchObject({ state: 'set', owed: false });
	});

	it('is not made loaded by a correction', () => {
		const { record, joint } = hung();
		const { id } = record.torques.at(-1)!;
		const answer = say(record, 'torque', joint.id, at, { corrects: id });
		expect(answer.said!.join()).toMatch(/carState: was hanging when it was pulled/);
	});

	it('nipped by hand is not asked about, nor is one that stands in its band', () => {
		const record = demoRecord('2026-0258');
		const joint = jointOf(record, 'FR', 'arm-front-bush');
		const set = told(record, 'torque', joint.id, at);
		expect(status(set, joint.id).state).toBe('set');
		expect(say(set, 'torque', joint.id, at).status).toBe(201);
	});

	it('outside its band is owed until it is accepted by name with its cost', () => {
		const record = demoRecord('2026-0258');
		const joint = jointOf(record, 'FR', 'arm-front-bush');
		const off = (hubToArch: string) =>
			told(record, 'torque', joint.id, { ...at, hubToArch, method: 'jack-to-height' });
		const little = off('378');
		expect(status(little, joint.id)).toMatchObject({ state: 'again', owed: true });
		const accept = (job: JobRecord, who = technician as typeof lead | typeof technician) =>
			say(
				job,
				'accepted',
				joint.id,
				{ torqueId: job.torques.at(-1)!.id, reason: 'arm seized, renewed next week' },
				{ who }
			);
		const taken = after(little, accept(little));
		expect(status(taken, joint.id)).toMatchObject({ state: 'accepted', owed: false });
		expect(taken.accepted[joint.id]).toMatchObject({ personId: technician.id });
		expect(Math.abs(taken.accepted[joint.id]!.twistDeg)).toBeGreaterThan(2);
		// Another torque wants another look.
		const again = told(taken, 'torque', joint.id, {
			...at,
			hubToArch: '379',
			loosenedFirst: true
		});
		expect(status(again, joint.id).state).toBe('again');
		const wound = off('420');
		expect(accept(wound).status).toBe(403);
		expect(accept(wound, lead).status).toBe(201);
	});

	it('without a specified torque is kept, and said to have none', () => {
		const record = demoRecord('2026-0258');
		const joint = bush({ ...record, joints: record.joints.map((j) => ({ ...j, corner: 'FL' })) });
		const none = told(record, 'joint', joint.id, { torque: null });
		const set = told(none, 'torque', joint.id, at);
		expect(status(set, joint.id)).toMatchObject({
			state: 'set',
			unspecified: true,
			reason: 'no torque is specified on record'
		});
	});
});

describe('one-time hardware', () => {
	const record = () => demoRecord('2026-0262');
	const nut = () => jointOf(record(), 'FL', 'tie-rod');

	it('is new, or the old one again with a reason', () => {
		expect(say(record(), 'hardware', nut().id, { fastener: { done: 'renewed' } }).status).toBe(201);
		const bare = say(record(), 'hardware', nut().id, { fastener: { done: 'reused' } });
		expect(bare.said!.join()).toMatch(/fastener.reason/);
	});

	it('that grips by its thread is used again only with the grip that was felt', () => {
		const reused = { done: 'reused', reason: 'no nut in the drawer' };
		const m12 = { diameterMm: 12, pitchMm: 1.5, propertyClass: '10.9', condition: 'as-specified' };
		const threaded = told(record(), 'joint', nut().id, { thread: m12 });
		const say1 = (fastener: object) => say(threaded, 'hardware', nut().id, { fastener });
		expect(say1(reused).said!.join()).toMatch(/fastener.grip: .* has a prevailing nut/);
		expect(say1({ ...reused, grip: '1.2' }).said!.join()).toMatch(/less than the 1.6 N·m/);
		const kept = after(threaded, say1({ ...reused, grip: '2.1' }));
		expect(kept.hardware[nut().id]!.fastener).toEqual({
			done: 'reused',
			reason: 'no nut in the drawer',
			gripNm: 2.1,
			gripEntered: '2.1 N·m'
		});
	});

	it('of a castle nut is its cotter pin, of a plain one there is none', () => {
		const castle = { castle: { high: '60', slotDeg: 60 } };
		const joint = nut();
		const slotted = told(record(), 'joint', joint.id, { programme: castle });
		const pin = { pin: { done: 'renewed' } };
		expect(say(slotted, 'hardware', joint.id, pin).status).toBe(201);
		expect(say(record(), 'hardware', joint.id, pin).said!.join()).toMatch(/no cotter pin/);
	});

	it('said to be new at its joint is a fitted part; bought, it is not', () => {
		const apart = demoRecord('2026-0268');
		const joint = jointOf(apart, 'FL', 'strut-knuckle-upper');
		const line = (job: JobRecord) =>
			viewParts(job).find(({ id }) => id === 'hardware:FL:strut-knuckle-upper')!.status;
		expect(line(apart)).toBe('here');
		expect(line(told(apart, 'hardware', joint.id, { fastener: { done: 'renewed' } }))).toBe(
			'fitted'
		);
		const again = { fastener: { done: 'reused', reason: 'the new one is the wrong length' } };
		expect(line(told(apart, 'hardware', joint.id, again))).toBe('here');
	});
});

describe('a spring that was found finished, or goes', () => {
	const found = (record: JobRecord, state: string) =>
		told(record, 'finding', 'FR/spring', {
			corner: 'FR',
			point: 'spring',
			state,
			where: 'lowest coil',
			note: ''
		});
	/** Its car has no maker's height. */
	const record = () => {
		const job = demoRecord('2026-0258');
		job.vehicle.axles.front.makerHeightMm = null;
		return job;
	};
	const target = (job: JobRecord) => {
		job.vehicle.axles.front.makerHeightMm = null;
		return viewJob(job).corners.FR.target;
	};

	it('makes the sound other side the target, and says so', () => {
		const { before } = viewJob(record()).corners.FL;
		expect(target(record())).toMatchObject({ source: 'before' });
		for (const state of ['broken', 'sagged']) {
			expect(target(found(record(), state))).toMatchObject({
				source: 'other-side',
				heightMm: before!.meanMm,
				warning: `The spring of this corner was found ${state}: the height before is no target.`
			});
		}
		expect(target(found(record(), 'rusted'))).toMatchObject({ source: 'before' });
	});

	it('leaves no target where both sides are finished, or springs are renewed: somebody says one', () => {
		const scope = { damper: false, spring: true, bushes: false };
		const renewed = told(record(), 'scope', 'front', scope);
		expect(target(renewed)).toBeUndefined();
		const line = viewJob(renewed).standing.owed.find(({ kind }) => kind === 'target')!;
		expect(line.text).toMatch(/spring of this corner is renewed.*predict it with the new spring/);
		const chosen = told(renewed, 'target', 'FR', { source: 'chosen', height: '365' });
		expect(target(chosen)).toMatchObject({ source: 'chosen', heightMm: 365 });
	});
});

describe('advice that is accepted', () => {
	it('to set anew what nobody touches loosens those joints and makes their steps', () => {
		const record = told(demoRecord('2026-0268'), 'scope', 'front', {
			damper: true,
			spring: true,
			bushes: false
		});
		const bush = (job: JobRecord) => jointOf(job, 'FR', 'arm-rear-bush');
		const steps = (job: JobRecord) => viewWork(job, job.limits).order.steps.map(({ id }) => id);
		expect(bush(record).loosened).toBe(false);
		expect(steps(record)).not.toContain('FR/slack-bushes');
		const advice = { state: 'accepted', title: 'Untouched bushes, front', reason: '' };
		const taken = told(record, 'decision', 're-set:bushes:front', advice);
		expect(bush(taken).loosened).toBe(true);
		expect(steps(taken)).toEqual(expect.arrayContaining(['FR/slack-bushes', 'FR/set-rubber']));
		const back = told(taken, 'decision', 're-set:bushes:front', { ...advice, state: 'open' });
		expect(bush(back).loosened).toBe(false);
		expect(steps(back)).toEqual(steps(record));
	});

	it('to renew dampers puts them in the scope, where the rules are', () => {
		const record = demoRecord('2026-0258');
		const advice = { state: 'accepted', title: 'Dampers, front pair', reason: '' };
		const taken = told(record, 'decision', 'renew:damper:front', advice);
		expect(viewWork(taken, taken.limits).scope.axles.front).toMatchObject({ damper: true });
	});
});
