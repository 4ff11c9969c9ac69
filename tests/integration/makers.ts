/** What may be said of each kind of fact, at random but sensible: for tests over all of them. */
import fc, { type GeneratorValue } from 'fast-check';
import { v7 as uuidv7 } from 'uuid';
import { corners } from '../../src/core/height/corners.ts';
import type { Entry } from '../../src/core/job/book/entry.ts';
import { Job } from '../../src/core/job/book/job.ts';
import { demoFile } from '../../demo/jobs.testing.ts';
import type { KindName } from '../../src/core/job/kinds/data.ts';
import type { JobRecord } from '../../src/core/job/record.ts';
import { viewJob } from '../../src/core/job/view.ts';
import { owedLine } from '../../src/core/procedure/owed.ts';

export interface Said {
	subject: string;
	data?: object;
	corrects?: string;
	again?: string;
}
export type Maker = (g: GeneratorValue, record: JobRecord) => Said;

export const oneOf = <T>(g: GeneratorValue, list: readonly T[]): T =>
	list[g(fc.integer, { min: 0, max: list.length - 1 })]!;
export const corner = (g: GeneratorValue) => oneOf(g, corners);
const mm = (g: GeneratorValue, min: number, max: number) => `${g(fc.integer, { min, max })} mm`;
export const words = (g: GeneratorValue) =>
	oneOf(g, ['waits for a bolt', 'wie beim letzten Mal', '<b>é🚗"']);

/** Entries of the demo shop: kinds that are said as they are kept are said again. */
const demoEntries = ['2026-0260', '2026-0268', '2026-0269'].flatMap(
	(number) => demoFile(number).entries
);
const asInDemo =
	(kind: KindName): Maker =>
	(g) => {
		const { subject, data } = oneOf(
			g,
			demoEntries.filter((entry) => entry.kind === kind)
		);
		return { subject, data };
	};

/** What may be said of each kind; null where another door leads in. A new kind is made to add its own. */
export const makers: { [K in KindName]: Maker | null } = {
	opened: null,
	sealed: null,
	imported: null,
	car: null,
	head: (g) =>
		oneOf(g, [
			{ subject: 'car', data: { complaint: words(g) } },
			{ subject: 'car', data: { odometer: `${g(fc.integer, { min: 0, max: 300_000 })} km` } },
			{ subject: 'corners', data: { corners: g(fc.subarray, [...corners], { minLength: 1 }) } },
			{ subject: 'car', data: { resetAbove: mm(g, 1, 200) } },
			{ subject: 'car', data: { school: 'ground-to-arch' } }
		]),
	symptoms: asInDemo('symptoms'),
	rust: asInDemo('rust'),
	finding: asInDemo('finding'),
	bounce: asInDemo('bounce'),
	photo: (g, { photos }) => ({
		subject: photos.length ? oneOf(g, photos).id : uuidv7(),
		data: { withdrawn: g(fc.boolean) }
	}),
	conditions: (g) => ({
		subject: oneOf(g, ['before', 'after']),
		data: {
			resolution: oneOf(g, ['1', '0.5 mm', '1/16 in']),
			conditions: {
				levelFloor: g(fc.boolean),
				rolledAndBounced: true,
				steeringAhead: g(fc.boolean),
				brakesOff: true,
				tyrePressures: words(g),
				fuel: 'half',
				load: ''
			}
		}
	}),
	handout: (g, { photos }) => ({
		subject: 'car',
		data: { photoIds: photos.slice(0, 1).map(({ id }) => id), note: words(g) }
	}),
	lean: (g) => ({
		subject: oneOf(g, ['before/front', 'after/rear']),
		data: { reason: words(g) }
	}),
	offset: (g) => ({ subject: oneOf(g, ['front', 'rear']), data: { offset: mm(g, -400, 400) } }),
	reading: (g, { readings, school }) =>
		readings.length > 2 && g(fc.boolean)
			? (({ id, phase, corner: at }) => ({
					subject: at,
					corrects: id,
					data: { phase, school: 'hub-to-arch', withdraw: true }
				}))(oneOf(g, readings))
			: {
					subject: corner(g),
					data: {
						phase: oneOf(g, ['before', 'after']),
						school: oneOf(g, [school, school, 'ground-to-sill']),
						height: oneOf(g, ['365', '14 3/8 in', '36 cm', '9999'])
					}
				},
	scope: asInDemo('scope'),
	strategy: asInDemo('strategy'),
	prices: asInDemo('prices'),
	'arm-prices': (g) => ({
		subject: oneOf(g, ['front/lower-arm', 'rear/arm']),
		data: { arm: g(fc.integer, { min: 0, max: 400 }), bushes: 35, joint: oneOf(g, [0, 48.5]) }
	}),
	decision: asInDemo('decision'),
	part: asInDemo('part'),
	order: (g, record) => ({
		subject: 'car',
		data: {
			ids: g(
				fc.subarray,
				new Job(
					{ id: record.id, number: record.number, people: [] },
					record.entries
				).work.order.steps.map(({ id }) => id)
			)
		}
	}),
	step: (g, record) => {
		const { steps } = new Job({ id: record.id, number: record.number, people: [] }, record.entries)
			.work.order;
		const begun = record.entries.findLast(({ kind }) => kind === 'step') as
			| Entry<'step'>
			| undefined;
		const finish = begun?.data.state === 'started';
		return {
			subject: finish ? begun.subject : steps.length ? oneOf(g, steps.slice(0, 4)).id : 'car/soak',
			data: {
				state: finish ? 'done' : oneOf(g, ['started', 'started', 'open']),
				note: words(g),
				...(finish && { overrideReason: 'the lead has looked at it' })
			}
		};
	},
	extra: (g) => ({
		subject: uuidv7(),
		data: {
			what: words(g),
			state: oneOf(g, ['found', 'told', 'agreed', 'declined']),
			words: words(g),
			...(g(fc.boolean) && { price: 120, minutes: 30 })
		}
	}),
	fight: (g) => ({
		subject: `${corner(g)}/wheel-fasteners`,
		data: {
			tried: ['clean', 'oil', ...(g(fc.boolean) ? ['tighten-first'] : [])],
			outcome: oneOf(g, ['fights', 'came', 'damaged']),
			note: words(g)
		}
	}),
	own: (g, record) => ({
		subject: uuidv7(),
		data: {
			what: oneOf(g, ['step', 'note', 'socket', 'count']),
			text: words(g),
			where: 'car',
			anchor: oneOf(g, ['crack-wheels', 'lift']),
			...(g(fc.boolean) && { before: 'stands' }),
			...(g(fc.boolean) && { minutes: 4 }),
			for: oneOf(g, ['job', 'car', ...(record.vehicle.model ? ['model'] : [])])
		}
	}),
	tray: asInDemo('tray'),
	comparison: asInDemo('comparison'),
	compressor: asInDemo('compressor'),
	'arm-spring': (g) => ({
		subject: corner(g),
		data: {
			input: {
				rateNPerMm: g(fc.integer, { min: 10, max: 60 }),
				freeLengthMm: 300,
				droopLengthMm: 240,
				lengthPerJackMm: 0.7
			},
			typed: { rateNPerMm: '30' }
		}
	}),
	stack: (g) => ({
		subject: corner(g),
		data: {
			order: ['damper', 'lower-pad', 'spring'].slice(0, g(fc.integer, { min: 0, max: 3 })),
			checks: { strokes: g(fc.integer, { min: 0, max: 9 }) },
			changed: { spring: { fate: 'kept', marked: oneOf(g, ['either', 'left', 'right']) } },
			typed: {}
		}
	}),
	setting: (g) => ({
		subject: corner(g),
		data: {
			preloadMm: g(fc.integer, { min: 0, max: 30 }),
			rebound: g(fc.integer, { min: 0, max: 30 }),
			typed: { preloadMm: '6 mm' }
		}
	}),
	target: (g) => ({
		subject: corner(g),
		data: oneOf(g, [
			{ source: 'chosen', height: mm(g, 300, 400) },
			{ source: 'chosen', height: null },
			{ source: 'maker', height: mm(g, 300, 400) }
		])
	}),
	joint: (g, { joints }) =>
		oneOf(g, [
			{
				subject: oneOf(g, joints).id,
				data: { name: words(g), torque: oneOf(g, ['62 ft-lb', '110', null]), torqueSource: 'maker' }
			},
			{ subject: oneOf(g, joints).id, data: { loosened: g(fc.boolean) } },
			{ subject: oneOf(g, joints).id, data: { remove: true } },
			{
				subject: uuidv7(),
				data: { corner: corner(g), name: 'Skid plate bolts', kind: 'rigid', rule: 'any-time' }
			}
		]),
	loading: (g) => ({
		subject: corner(g),
		data: { method: oneOf(g, ['on-wheels', 'jack-to-height']), hubToArch: mm(g, 300, 400) }
	}),
	hangs: (g, { loadings, id }) => {
		// Where nothing was looked at: refused.
		const look = loadings.length ? oneOf(g, loadings) : { corner: corner(g), id };
		return { subject: look.corner, data: { loadingId: look.id } };
	},
	'arm-angle': (g) => ({
		subject: `${corner(g)}/${oneOf(g, ['lower', 'upper'])}`,
		data: {
			hubToArch: mm(g, 300, 420),
			readings: [
				{ deg: oneOf(g, [-4.2, 1, 8.5]), turned: false },
				{ deg: oneOf(g, [4.4, -1, -8]), turned: g(fc.boolean) }
			],
			resolutionDeg: 0.1,
			by: oneOf(g, ['phone', 'typed'])
		}
	}),
	torque: (g, { joints }) => ({
		subject: oneOf(g, g(fc.boolean) ? joints : joints.filter(({ kind }) => kind === 'bonded-bush'))
			.id,
		data: oneOf(g, [
			{ torque: oneOf(g, ['25', '62 ft-lb']), carState: 'hanging' },
			{
				torque: '110',
				carState: 'loaded',
				method: 'on-wheels',
				hubToArch: oneOf(g, ['365', '345', '388', '14 3/8 in']),
				loosenedFirst: g(fc.boolean)
			},
			{ seen: 'shoulder', carState: 'hanging' }
		])
	}),
	hardware: (g, { joints }) => ({
		subject: oneOf(
			g,
			joints.filter(({ oneTime }) => oneTime)
		).id,
		data: {
			fastener: oneOf(g, [
				{ done: 'renewed' },
				{ done: 'reused', reason: words(g), grip: '2.5' },
				null
			])
		}
	}),
	accepted: (g, record) => {
		const off = [...viewJob(record).torques.values()].find(
			({ bush }) => bush?.verdict === 're-set-advised'
		);
		return {
			subject: off?.jointId ?? oneOf(g, record.joints).id,
			data: { torqueId: off?.id ?? uuidv7(), reason: 'the arm is renewed next week' }
		};
	},
	checked: (g) => {
		const state = oneOf(g, ['good', 'bad', 'open'] as const);
		return {
			subject: oneOf(g, ['drive', 'marks']),
			data: { state, words: state === 'bad' ? 'knock front left' : '', at: '' }
		};
	},
	down: (g) => ({ subject: 'car', data: { onWheels: g(fc.boolean) } }),
	addendum: () => ({ subject: 'car', data: { reason: 'a height was typed for the wrong side' } }),
	skip: (g, { joints }) => ({
		subject: oneOf(g, joints).id,
		data: { reason: words(g), carState: 'hanging' }
	}),
	note: (g, { entries }) => {
		const said = entries.filter(({ kind }) => kind === 'note');
		return said.length && g(fc.boolean)
			? { subject: 'car', corrects: oneOf(g, said).id, data: { withdraw: true } }
			: { subject: 'car', data: { text: words(g) } };
	},
	signed: (_, record) => ({
		subject: 'car',
		data: {
			over: viewJob(record).standing.owed.map((item) => ({
				item: owedLine(item),
				reason: 'the owner wants to drive it home'
			}))
		}
	}),
	retorque: (g) => ({
		subject: 'car',
		data: { torque: '120', found: oneOf(g, ['held', 'moved']), odometer: '120100 km' }
	})
};
export const saidKinds = (Object.keys(makers) as KindName[]).filter(
	(kind) => makers[kind] !== null
);
