import Joi from 'joi';
import { axleOf, corners, type Axle, type Corner } from '../height/corners.ts';
import { findLayout, layoutKeys } from '../layout/catalogue.ts';
import { faulty, ok, type Fault, type Result } from '../result.ts';
import { finish } from '../uncertainty/monte-carlo.ts';
import { timeline, type TimedCar, type TimelineInput } from '../schedule/timeline.ts';
import { stepMinutes } from '../work/minutes.ts';
import { workOrder } from '../work/order.ts';
import { replay } from '../work/replay/replay.ts';
import { jobsOf } from '../work/jobs.ts';
import {
	plugEnds,
	rustGrades,
	unknownWays,
	usualStrategy,
	type AxleScope,
	type RustGrade,
	type Strategy
} from '../work/scope.ts';
import { between, outFlag, outNumber, type Computation } from './computation.ts';

const flag = () => Joi.boolean().default(false);
const axleWork = Joi.object({
	layout: Joi.string()
		.valid(...layoutKeys)
		.required(),
	damper: flag(),
	spring: flag(),
	bushes: flag(),
	reset: flag().description('arm rubber that nothing else touches is set anew'),
	also: Joi.array()
		.items(Joi.string().max(60))
		.unique()
		.max(20)
		.description('jobs beside these, as drop-link or arm:lower-arm')
});
const waysOfAxle = Joi.object().pattern(Joi.string().max(40), Joi.string().max(60)).max(8);
const one = (...values: unknown[]) => Joi.valid(...values);

interface WorkOrderInput {
	front?: AxleScope & { layout: string };
	rear?: AxleScope & { layout: string };
	corners: Corner[];
	strategy?: Partial<Strategy>;
	rust?: RustGrade;
}

/** Jobs and ways that the layout of an axle does not know. */
function unknownOf(
	axle: Axle,
	work: WorkOrderInput['front'],
	strategy: WorkOrderInput['strategy']
): Fault[] {
	if (!work) return [];
	const layout = findLayout(work.layout)!;
	const known = jobsOf(layout).map(({ id }) => id);
	const jobs = (work.also ?? []).flatMap((id, i): Fault[] =>
		known.includes(id)
			? []
			: [
					{
						field: `${axle}.also.${i}`,
						value: id,
						message: `is no job of this layout: one of ${known.join(', ')}`
					}
				]
	);
	const ways = unknownWays(layout, axle, strategy?.ways).map((fault) => ({
		...fault,
		field: `strategy.${fault.field}`
	}));
	return [...jobs, ...ways];
}

function orderOf(input: WorkOrderInput): Result<object> {
	const anyLayout = (input.front ?? input.rear)!.layout;
	const layouts = {
		front: findLayout(input.front?.layout ?? anyLayout)!,
		rear: findLayout(input.rear?.layout ?? anyLayout)!
	};
	const wrong = (['front', 'rear'] as const).flatMap((axle) =>
		unknownOf(axle, input[axle], input.strategy)
	);
	if (wrong.length) return faulty(...wrong);
	for (const corner of input.corners) {
		const axle = axleOf(corner);
		if (!input[axle]) {
			return faulty({
				field: 'corners',
				value: corner,
				message: `names an axle that is not given: say ${axle}`
			});
		}
	}
	const scope = {
		axles: Object.fromEntries(
			(['front', 'rear'] as const).flatMap((axle): [Axle, AxleScope][] =>
				input[axle] ? [[axle, input[axle]]] : []
			)
		),
		corners: input.corners,
		layouts,
		strategy: { ...usualStrategy, ...input.strategy },
		rust: input.rust ?? ('none' as const)
	};
	const { steps, waitsFor } = workOrder(scope);
	const minutes = stepMinutes(steps, scope);
	return ok({
		steps: steps.map((step) => ({
			id: step.id,
			title: step.title,
			phase: step.phase,
			spot: step.spot,
			minutes: minutes.get(step.id)!,
			after: [...waitsFor.get(step.id)!].map(([id, rule]) => ({ id, rule: rule.words }))
		})),
		violations: replay(steps, scope).length
	});
}

/** A task may wait only for tasks that stand before it in the list: so nothing waits in a circle. */
function taskFaults({ tasks, lift }: TimedCar, path: string): Fault[] {
	const seen = new Set<string>();
	const faults: Fault[] = [];
	for (const [i, task] of tasks.entries()) {
		const { low, likely, high } = task;
		if (!(low <= likely && likely <= high)) {
			faults.push({
				field: `${path}.tasks.${i}.likely`,
				value: likely,
				message: 'must lie between low and high'
			});
		}
		for (const id of task.after) {
			if (seen.has(id)) continue;
			faults.push({
				field: `${path}.tasks.${i}.after`,
				value: id,
				message: 'must be the id of a task before this one in the list'
			});
		}
		if (seen.has(task.id)) {
			faults.push({ field: `${path}.tasks.${i}.id`, value: task.id, message: 'is there twice' });
		}
		seen.add(task.id);
	}
	if (lift && faults.length === 0) {
		const waits = new Set([lift.until]);
		for (const { id, after } of [...tasks].reverse()) {
			if (waits.has(id)) for (const earlier of after) waits.add(earlier);
		}
		const from = lift.from ?? lift.until;
		if (!seen.has(lift.until) || !waits.has(from)) {
			faults.push({
				field: `${path}.lift`,
				value: `${from} to ${lift.until}`,
				message: 'must name two tasks of this car, the second one waiting for the first'
			});
		}
	}
	return faults;
}

/** Tasks times draws of one run: some seconds' work. */
const mostDrawnTasks = 2_000_000;

function* schedule(input: TimelineInput): Generator<number, Result<object>> {
	const faults = input.cars.flatMap((car, i): Fault[] => [
		...(input.cars.findIndex(({ id }) => id === car.id) < i
			? [{ field: `cars.${i}.id`, value: car.id, message: 'is there twice' }]
			: []),
		...taskFaults(car, `cars.${i}`)
	]);
	if (faults.length) return faulty(...faults.slice(0, 50));
	const tasks = input.cars.reduce((sum, car) => sum + car.tasks.length, 0);
	if (tasks * input.samples > mostDrawnTasks) {
		return faulty({
			field: 'samples',
			value: input.samples,
			message: `asks for too much at once: tasks times draws must be at most ${mostDrawnTasks} (here ${tasks} times ${input.samples}); ask for fewer cars or draws`
		});
	}
	return yield* timeline(input);
}

const few = () => Joi.number().integer().min(1).max(8).required();
const name = () => Joi.string().max(120).required();
const minute = () => between(0, 100_000).required();
const minutes = Joi.object({ low: outNumber(), likely: outNumber(), high: outNumber() });

export const workComputations: readonly Computation[] = [
	{
		name: 'work-order',
		summary:
			'The steps of a job in an order that keeps every rule of support, stored energy and sequence.',
		input: Joi.object({
			front: axleWork,
			rear: axleWork,
			corners: Joi.array()
				.items(Joi.string().valid(...corners))
				.unique()
				.min(1)
				.required(),
			strategy: Joi.object({
				assembly: one('rebuild', 'complete'),
				springOut: one('lower-arm', 'internal-compressor'),
				first: one('bottom', 'top'),
				sides: one('one-by-one', 'together'),
				people: one(1, 2),
				load: one('jack-to-height', 'on-wheels'),
				ways: Joi.object({ front: waysOfAxle, rear: waysOfAxle }).description(
					'by part: damper, spring, bush:lower-arm; a way of its layout'
				),
				inside: one('before-lifting', 'on-stands'),
				soak: one('evening', 'wheel-off'),
				easeTop: Joi.boolean(),
				topNuts: one('with-others', 'weight-on'),
				stands: one('body', 'subframe'),
				plugs: one(...plugEnds),
				align: one('before-driving', 'after-settling')
			}),
			rust: one(...rustGrades)
		}).or('front', 'rear'),
		output: Joi.object({
			steps: Joi.array()
				.items(
					Joi.object({
						id: Joi.string().required(),
						title: Joi.string().required(),
						phase: Joi.string().required(),
						spot: Joi.string().required(),
						minutes: minutes.required(),
						after: Joi.array().items(Joi.object({ id: Joi.string(), rule: Joi.string() }))
					})
				)
				.required(),
			violations: outNumber()
		}),
		example: {
			front: { layout: 'macpherson-front', damper: true, spring: false, bushes: false },
			corners: ['FL', 'FR'],
			rust: 'light'
		},
		run: orderOf
	},
	{
		name: 'work-schedule',
		summary:
			'When each step of one car or of a day’s cars runs, who does it, which car is on a lift when, and how far each finish may be off.',
		input: Joi.object({
			cars: Joi.array()
				.items(
					Joi.object({
						id: Joi.string().max(60).required(),
						people: few(),
						lift: Joi.object({ from: Joi.string().max(120), until: name() }),
						tasks: Joi.array()
							.items(
								Joi.object({
									id: name(),
									spot: Joi.string().max(40).required(),
									after: Joi.array().items(Joi.string().max(120)).max(300).required(),
									people: Joi.number()
										.valid(2)
										.description('it takes a second person where there is one'),
									low: minute(),
									likely: minute(),
									high: minute()
								})
							)
							.max(300)
							.required()
					})
				)
				.max(8)
				.required(),
			people: few(),
			lifts: few(),
			bays: few(),
			effort: Joi.string()
				.valid('lists', 'usual')
				.description('lists: at once, by list schedules alone; left out: usual'),
			samples: Joi.number().integer().min(100).max(20_000).required(),
			seed: Joi.number()
				.integer()
				.min(0)
				.max(2 ** 31 - 1)
				.required()
		}),
		output: Joi.object({
			bars: Joi.array()
				.items(
					Joi.object({
						car: Joi.string().required(),
						id: Joi.string().required(),
						startMin: outNumber(),
						endMin: outNumber(),
						person: outNumber(),
						helper: Joi.number()
					})
				)
				.required(),
			cars: Joi.array()
				.items(
					Joi.object({
						id: Joi.string().required(),
						bay: outNumber(),
						startMin: outNumber(),
						endMin: outNumber(),
						lift: Joi.object({ number: outNumber(), startMin: outNumber(), endMin: outNumber() }),
						finish: Joi.object().unknown().required()
					})
				)
				.required(),
			makespanMin: outNumber(),
			lowerBoundMin: outNumber(),
			proven: outFlag(),
			finish: Joi.object().unknown().required()
		}),
		example: {
			cars: [
				{
					id: 'red',
					people: 2,
					lift: { from: 'lift', until: 'ground' },
					tasks: [
						{ id: 'chock', spot: 'car', after: [], low: 1, likely: 1, high: 2 },
						{ id: 'lift', spot: 'car', after: ['chock'], low: 2, likely: 4, high: 8 },
						{ id: 'FL off', spot: 'FL', after: ['lift'], low: 10, likely: 16, high: 40 },
						{ id: 'FR off', spot: 'FR', after: ['lift'], low: 5, likely: 8, high: 20 },
						{ id: 'ground', spot: 'car', after: ['FL off', 'FR off'], low: 1, likely: 2, high: 4 }
					]
				},
				{
					id: 'blue',
					people: 1,
					lift: { from: 'lift', until: 'ground' },
					tasks: [
						{ id: 'lift', spot: 'car', after: [], low: 2, likely: 4, high: 8 },
						{ id: 'ground', spot: 'car', after: ['lift'], low: 1, likely: 2, high: 4 }
					]
				}
			],
			people: 2,
			lifts: 1,
			bays: 2,
			samples: 500,
			seed: 1
		},
		run: (input: TimelineInput) => finish(schedule(input)),
		steps: (input: TimelineInput) => schedule(input)
	}
];
