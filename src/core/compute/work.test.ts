import { describe, expect, it } from 'vitest';
import { compute, findComputation } from '../compute';
import type { Result } from '../result';

const run = <T extends object>(name: string, input: object) =>
	compute(findComputation(name)!, input) as Result<T>;
const faultsOf = (name: string, input: object) => {
	const result = run(name, input);
	return result.ok ? [] : result.faults.map(({ field, message }) => `${field} ${message}`);
};
interface Order {
	steps: { id: string; spot: string; after: { id: string; rule: string }[] }[];
	violations: number;
}
const order = (input: object): Order => {
	const result = run<Order>('work-order', input);
	if (!result.ok) throw new Error(JSON.stringify(result.faults));
	return result.value;
};
const struts = {
	front: { layout: 'macpherson-front', damper: true, spring: false, bushes: false },
	corners: ['FL', 'FR']
};

describe('work-order', () => {
	it('gives steps with their reasons, and none that hurts', () => {
		const { steps, violations } = order(struts);
		expect(violations).toBe(0);
		const shaft = steps.find(({ id }) => id === 'FL/shaft-off')!;
		expect(shaft.after).toContainEqual({
			id: 'FL/compress',
			rule: expect.stringMatching(/turns loosely in its seat/)
		});
		const seen = new Set<string>();
		for (const step of steps) {
			for (const { id } of step.after) expect(seen.has(id)).toBe(true);
			seen.add(step.id);
		}
	});

	it('needs no compressor for complete units, and oil only for rust', () => {
		const ids = (input: object) => order({ ...struts, ...input }).steps.map(({ id }) => id);
		expect(ids({ strategy: { assembly: 'complete' } })).not.toContain('FL/compress');
		expect(ids({})).not.toContain('FL/soak');
		expect(ids({ rust: 'heavy' })[0]).toBe('FL/soak');
	});

	it('names the axle that is missing, and the layout that is not known', () => {
		expect(faultsOf('work-order', { ...struts, corners: ['FL', 'RL'] })[0]).toMatch(
			/corners names an axle that is not given: say rear/
		);
		const unknown = { ...struts, front: { ...struts.front, layout: 'swing-axle' } };
		expect(faultsOf('work-order', unknown)[0]).toMatch(/front.layout must be one of/);
		expect(faultsOf('work-order', { corners: ['FL'] })[0]).toMatch(/front, rear/);
	});

	it('goes ways of the layout, several at once, and names those it has where one is not known', () => {
		const rear = { layout: 'multi-link-rear', damper: false, spring: true, bushes: false };
		const by = (ways: object, more: object = {}) => ({
			rear: { ...rear, ...more },
			corners: ['RL', 'RR'],
			strategy: { ways: { rear: ways } }
		});
		const ids = (input: object) => order(input).steps.map(({ id }) => id);
		const two = ids(by({ spring: 'lower-arm+internal-compressor' }));
		expect(two).toEqual(expect.arrayContaining(['RL/squeeze', 'RL/lower']));
		expect(faultsOf('work-order', by({ spring: 'lower-arm+pulling' }))[0]).toMatch(
			/ways.rear.spring is no way of this layout: one of lower-arm, .* or several with \+ between them/
		);
		const wishbone = {
			front: {
				...struts.front,
				layout: 'double-wishbone',
				damper: false,
				also: ['bush:lower-arm']
			},
			corners: ['FL'],
			strategy: { ways: { front: { 'bush:lower-arm': 'in-car' } } }
		};
		expect(ids(wishbone)).toContain('FL/wedge:lower-arm');
		const kit = ids(by({}, { spring: false, also: ['coilover'], reset: true }));
		expect(kit).toEqual(expect.arrayContaining(['RL/perch', 'RL/slack-bushes']));
	});

	it('works on two axles at once, car steps once', () => {
		const both = order({
			...struts,
			rear: { layout: 'twist-beam-spring', damper: false, spring: true, bushes: false },
			corners: ['FL', 'FR', 'RL', 'RR']
		});
		expect(both.violations).toBe(0);
		expect(both.steps.filter(({ id }) => id === 'car/lift')).toHaveLength(1);
		expect(both.steps.map(({ id }) => id)).toContain('rear/lower');
	});
});

describe('work-schedule', () => {
	const task = (id: string, after: string[] = [], change: object = {}) => ({
		id,
		spot: id,
		after,
		low: 5,
		likely: 10,
		high: 15,
		...change
	});
	const car = (id: string, tasks: object[], change: object = {}) => ({
		id,
		people: 2,
		tasks,
		...change
	});
	const day = (cars: object[]) => ({
		cars,
		people: 2,
		lifts: 1,
		bays: 2,
		samples: 200,
		seed: 3
	});
	const schedule = (tasks: object[]) => day([car('one', tasks)]);

	it('puts two people to work at two places', () => {
		const result = run<{ makespanMin: number; proven: boolean; bars: { person: number }[] }>(
			'work-schedule',
			schedule([task('FL'), task('FR')])
		);
		expect(result).toMatchObject({ ok: true, value: { makespanMin: 10, proven: true } });
		if (result.ok) expect(result.value.bars.map(({ person }) => person).sort()).toEqual([0, 1]);
	});

	it('lets two people wait for each other at one place', () => {
		const one = [task('a', [], { spot: 'bench' }), task('b', [], { spot: 'bench' })];
		expect(run('work-schedule', schedule(one))).toMatchObject({ value: { makespanMin: 20 } });
	});

	it('says which task waits for one that does not stand before it, is there twice, or has its minutes crossed', () => {
		expect(faultsOf('work-schedule', schedule([task('a', ['b']), task('b')]))).toEqual([
			expect.stringMatching(/^cars.0.tasks.0.after must be the id of a task before/)
		]);
		expect(faultsOf('work-schedule', schedule([task('a'), task('a')]))).toEqual([
			expect.stringMatching(/^cars.0.tasks.1.id is there twice/)
		]);
		expect(faultsOf('work-schedule', schedule([task('a', [], { low: 12 })]))).toEqual([
			expect.stringMatching(/^cars.0.tasks.0.likely must lie between low and high/)
		]);
	});

	it('tasks times draws are capped together, and the cap is said', () => {
		const tasks = Array.from({ length: 101 }, (_, i) => task(`t${i}`));
		const asked = { ...schedule(tasks), samples: 20_000 };
		expect(faultsOf('work-schedule', asked)).toEqual([
			expect.stringMatching(/^samples asks for too much.* at most 2000000 \(here 101 times 20000\)/)
		]);
	});

	it('lets one car after the other onto the lift', () => {
		const up = { lift: { from: 'up', until: 'down' } };
		const tasks = [task('up'), task('down', ['up'])];
		const two = day([car('a', tasks, up), car('b', tasks, up)]);
		expect(run('work-schedule', two)).toMatchObject({ value: { makespanMin: 40, proven: true } });
		expect(run('work-schedule', { ...two, lifts: 2 })).toMatchObject({
			value: { makespanMin: 20, cars: [{ lift: { startMin: 0, endMin: 20 } }, { lift: {} }] }
		});
	});

	it('says which car is there twice, and which lift is from no task of its car to a later one', () => {
		expect(faultsOf('work-schedule', day([car('a', []), car('a', [])]))).toEqual([
			expect.stringMatching(/^cars.1.id is there twice/)
		]);
		const tasks = [task('up'), task('down', ['up'])];
		for (const lift of [
			{ from: 'down', until: 'up' },
			{ from: 'up', until: 'away' },
			{ from: 'else', until: 'down' }
		]) {
			expect(faultsOf('work-schedule', day([car('a', tasks, { lift })]))).toEqual([
				expect.stringMatching(/^cars.0.lift must name two tasks of this car/)
			]);
		}
	});

	it('has an answer for no task at all', () => {
		expect(run('work-schedule', schedule([]))).toMatchObject({
			value: { makespanMin: 0, bars: [] }
		});
	});
});
