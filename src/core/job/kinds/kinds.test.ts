import { describe, expect, it } from 'vitest';
import { demoFile, demoRecord } from '../../../../demo/jobs.testing';
import { usualStrategy } from '../../work/scope';
import type { JobRecord } from '../record';
import type { KindName } from './data';
import { kindOf, kinds } from './index';
import { kindSchemas } from './schemas';
import { after, ids, jointOf, lead, say, told } from './saying.testing';

describe('a kind', () => {
	it('has a folder of its name, a name for people, and no other’s', () => {
		expect(new Set(kinds.map(({ kind }) => kind)).size).toBe(kinds.length);
		expect(new Set(kinds.map(({ name }) => name)).size).toBe(kinds.length);
		for (const one of kinds) expect(kindOf(one.kind)).toBe(one);
	});

	it('says each of its entries in a sentence, without a gap', () => {
		for (const number of ['2026-0187', '2026-0238', '2026-0260', '2026-0268', '2026-0269']) {
			const record = demoRecord(number);
			for (const entry of demoFile(number).entries) {
				const words = kindOf(entry.kind).words(entry.data, entry, record);
				expect(words, entry.kind).toMatch(/\S{3}/);
				expect(words, `${entry.kind}: ${words}`).not.toMatch(/undefined|null|NaN|\[object| {2}/);
			}
		}
	});

	it('says by one schema what is said as it is kept', () => {
		for (const { kind, saidAsKept = false } of kinds) {
			const { said, kept } = kindSchemas[kind];
			expect(saidAsKept, kind).toBe(said === kept);
		}
	});

	it('keeps what its own schema takes, unchanged', () => {
		for (const number of ['2026-0187', '2026-0260', '2026-0268', '2026-0269']) {
			for (const { kind, data } of demoFile(number).entries) {
				const { error, value } = kindSchemas[kind].kept().validate(data, { convert: false }) as {
					error?: Error;
					value: unknown;
				};
				expect(error, kind).toBeUndefined();
				expect(value, kind).toEqual(data);
			}
		}
	});
});

describe('what a kind refuses, in words', () => {
	const open = demoRecord('2026-0262');
	const before = demoRecord('2026-0261');
	const work = demoRecord('2026-0268');
	const rubber = jointOf(open, 'FL', 'bonded-bush');

	it.each<[string, JobRecord, KindName, string, object, number, RegExp]>([
		[
			'a finding under another point',
			work,
			'finding',
			'FL/hose',
			{ corner: 'FL', point: 'damper-oil', state: 'leak', where: '', note: '' },
			422,
			/subject: must be FL\/damper-oil/
		],
		[
			'a conversion where nothing is converted',
			open,
			'offset',
			'front',
			{ offset: '-316 mm' },
			422,
			/offset: this job measures hub to arch/
		],
		[
			'a height of another school',
			open,
			'reading',
			'FL',
			{ phase: 'after', school: 'ground-to-arch', height: '680' },
			422,
			/^school: /
		],
		[
			'a height that no car has',
			open,
			'reading',
			'FL',
			{ phase: 'after', school: 'hub-to-arch', height: '36' },
			422,
			/^height: /
		],
		['a corner that is none', open, 'loading', 'XX', {}, 422, /subject: /],
		[
			'another school once heights are on record',
			open,
			'head',
			'car',
			{ school: 'ground-to-sill' },
			422,
			/school: cannot change once heights are on record/
		],
		[
			'a way that the layout has not',
			work,
			'strategy',
			'car',
			{ ...usualStrategy, ways: { front: { damper: 'by-magic' } } },
			422,
			/^ways.front.damper: is no way of this layout/
		],
		[
			'somebody who does not work here',
			open,
			'head',
			'car',
			{ technicianId: lead.id },
			422,
			/technicianId: is not somebody who works here/
		],
		['rubber tightened any time', open, 'joint', rubber.id, { rule: 'any-time' }, 422, /^rule: /],
		[
			'a joint that is not there',
			open,
			'torque',
			ids[39]!,
			{ torque: '90', carState: 'hanging' },
			422,
			/joint/
		],
		[
			'a new joint at no corner',
			open,
			'joint',
			ids[38]!,
			{ name: 'Skid plate' },
			422,
			/corner: say at which corner/
		],
		[
			'rubber set at a height that nobody read',
			open,
			'torque',
			rubber.id,
			{ torque: '90', carState: 'loaded', method: 'jack-to-height' },
			422,
			/^hubToArch: /
		],
		[
			'a prediction before the height before is read',
			before,
			'target',
			'FR',
			{
				source: 'predicted',
				prediction: {
					sprungLoad: '3400 N',
					motionRatio: 0.95,
					oldRate: '22 N/mm',
					oldFreeLength: '340 mm',
					newRate: '24 N/mm',
					newFreeLength: '335 mm',
					seatChange: '0 mm',
					settling: '4 mm'
				}
			},
			422,
			/source: read the height before at this corner first/
		],
		[
			'a step that the plan has not',
			work,
			'step',
			'RL/nothing',
			{ state: 'done', note: '' },
			422,
			/subject: is not a step/
		],
		[
			'a note taken back that nobody names',
			open,
			'note',
			'car',
			{ withdraw: true },
			422,
			/corrects: say which note/
		],
		['a note of two letters', open, 'note', 'car', { text: 'ok' }, 422, /^text: /],
		[
			'a signature while something is owed',
			open,
			'signed',
			'car',
			{},
			409,
			/Not ready to sign: \d+ open/
		],
		[
			'an override by a technician',
			open,
			'signed',
			'car',
			{ over: [{ item: 'Front left: all of it', reason: 'the owner wants to drive it home' }] },
			403,
			/Only a lead/
		],
		[
			'wheels checked before the record is closed',
			open,
			'retorque',
			'car',
			{ torque: '120', found: 'held' },
			409,
			/./
		],
		['what has a door of its own', open, 'imported', 'car', {}, 422, /^kind: /]
	])('%s', (_, record, kind, subject, data, status, words) => {
		const answer = say(record, kind, subject, data);
		expect(answer).toMatchObject({ status });
		expect(answer.said!.join()).toMatch(words);
	});

	it('anything but notes and checked wheels once it is signed', () => {
		const signed = demoRecord('2026-0187');
		const said = [
			say(signed, 'head', 'car', { complaint: 'Another' }),
			say(signed, 'reading', 'FL', { phase: 'after', school: 'hub-to-arch', height: '330' }),
			say(signed, 'note', 'car', { text: 'Rear wheels seize on the hub' }),
			say(signed, 'retorque', 'car', { torque: '120', found: 'held' })
		];
		expect(said.map(({ status }) => status)).toEqual([409, 409, 201, 201]);
	});
});

describe('what follows from what is said', () => {
	it('a corner more brings its joints, one less takes those that nobody touched', () => {
		const record = demoRecord('2026-0261');
		const more = after(record, say(record, 'head', 'car', { corners: ['FL', 'RL', 'RR'] }));
		expect(more.joints.some(({ corner }) => corner === 'FL')).toBe(true);
		const less = after(more, say(more, 'head', 'car', { corners: ['RL', 'RR'] }));
		expect(less.joints.map(({ name }) => name)).toEqual(record.joints.map(({ name }) => name));
	});

	it('a plan undoes joints and leaves others; taken back, they are as before', () => {
		const record = demoRecord('2026-0261');
		const whole = after(
			record,
			say(record, 'scope', 'rear', { damper: true, spring: true, bushes: false })
		);
		const nothing = after(
			whole,
			say(whole, 'scope', 'rear', { damper: false, spring: false, bushes: false })
		);
		const loose = (job: JobRecord) => job.joints.filter(({ loosened }) => loosened).length;
		expect(loose(whole)).toBeGreaterThan(loose(nothing));
		expect(whole.entries.filter(({ kind }) => kind === 'joint').length).toBeGreaterThan(
			record.entries.filter(({ kind }) => kind === 'joint').length
		);
	});

	it('a way of the car as it was before stands in nobody’s way', () => {
		const record = demoRecord('2026-0268');
		const old = { ...usualStrategy, ways: { front: { damper: 'of-another-car' } } };
		const before = after(record, {
			status: 201,
			entries: [{ ...record.entries.at(-1)!, kind: 'strategy', subject: 'car', data: old } as never]
		});
		expect(say(before, 'strategy', 'car', { ...old, people: 2 }).status).toBe(201);
	});

	it('a joint that the layout learned of later comes with the plan; one taken out of the job does not', () => {
		const record = demoRecord('2026-0261');
		const which = (job: JobRecord) =>
			job.joints.filter(({ key, corner }) => key === 'damper-bottom' && corner === 'RL');
		const plan = { damper: true, spring: false, bushes: false };
		const [known] = which(record);
		const old = after({
			...record,
			entries: record.entries.filter(({ subject }) => subject !== known!.id)
		});
		expect(which(old)).toEqual([]);
		const [added, ...more] = which(told(old, 'scope', 'rear', plan));
		expect(more).toEqual([]);
		expect(added).toMatchObject({ name: known!.name, rule: known!.rule, loosened: true });
		expect(added!.id).not.toBe(known!.id);
		const out = told(record, 'joint', known!.id, { remove: true });
		expect(which(told(out, 'scope', 'rear', plan))).toEqual([]);
	});

	it('a torque taken back leaves the joint owed; only an earlier one of that joint can be', () => {
		const record = demoRecord('2026-0262');
		const joint = record.joints.find(
			({ id, kind }) => kind === 'rigid' && !record.torques.some(({ jointId }) => jointId === id)
		)!;
		const set = after(
			record,
			say(record, 'torque', joint.id, { torque: `${joint.torqueNm}`, carState: 'hanging' })
		);
		const { id } = set.torques.at(-1)!;
		const back = say(
			set,
			'torque',
			joint.id,
			{ withdraw: true, carState: 'hanging' },
			{ corrects: id }
		);
		expect(after(set, back).torques.at(-1)).toMatchObject({ withdrawn: true, correctsId: id });
		const other = set.joints.find((one) => one.id !== joint.id && one.kind === 'rigid')!;
		expect(
			say(set, 'torque', other.id, { withdraw: true, carState: 'hanging' }, { corrects: id })
		).toMatchObject({ status: 422, said: ['corrects: is not a torque of this joint'] });
	});
});
