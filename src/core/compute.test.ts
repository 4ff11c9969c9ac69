import { describe, expect, it } from 'vitest';
import { compute, computations, computeInSteps, findComputation } from './compute';
import { numbersOf, withNumber } from './uncertainty/band';
import { validate } from './validate';

describe.each(computations.map((c) => [c.name, c] as const))('%s', (_, computation) => {
	it('computes its own example into what it describes', () => {
		const result = compute(computation, computation.example);
		expect(result.ok).toBe(true);
		if (result.ok) expect(validate(computation.output, result.value)).toMatchObject({ ok: true });
	});

	it.each([[null], [[]], ['text'], [{}], [{ nonsense: 1 }], [12]])(
		'refuses %j with a fault for each field',
		(input) => {
			const result = compute(computation, input);
			expect(result.ok).toBe(false);
			if (!result.ok) for (const fault of result.faults) expect(fault.message).not.toBe('');
		}
	);
});

/** A list that counts how often it is looked into. */
function counted<T>(list: T[]): { list: T[]; reads: () => number } {
	let reads = 0;
	const watched = new Proxy(list, {
		get(target, key, receiver) {
			if (typeof key === 'string' && /^\d+$/.test(key)) reads++;
			return Reflect.get(target, key, receiver) as unknown;
		}
	});
	return { list: watched, reads: () => reads };
}

/** What a slip of the hand or a broken device sends. */
const slips = [
	NaN,
	Infinity,
	-Infinity,
	null,
	'x',
	'12',
	true,
	[],
	{},
	-1,
	0,
	1e-300,
	1e308,
	-1e9,
	1e9
];

describe.each(computations.map((c) => [c.name, c] as const))(
	'%s, one value off',
	(_, computation) => {
		const paths = [...numbersOf(computation.example).keys()].slice(0, 60);

		it('answers each slip: finite numbers, or words that name the field', () => {
			for (const path of paths) {
				for (const slip of slips) {
					const input = withNumber(computation.example, path, slip as number);
					// What the schema refuses never comes to the computation.
					const read = validate(computation.input, input);
					const result = read.ok ? compute(computation, input) : read;
					const where = `${path} = ${String(slip)}`;
					if (result.ok) {
						for (const value of numbersOf(result.value).values()) {
							expect(Number.isFinite(value), where).toBe(true);
						}
						expect(JSON.stringify(result.value), where).not.toMatch(/null/);
						expect(validate(computation.output, result.value), where).toMatchObject({ ok: true });
					} else {
						expect(result.faults.length, where).toBeGreaterThan(0);
						for (const { field, message } of result.faults) {
							expect(field, where).not.toBe('');
							expect(message, where).not.toMatch(/NaN|undefined|Infinity|\[object/);
							expect(message.length, where).toBeGreaterThan(8);
						}
					}
				}
			}
		});

		it('does not take what it does not know', () => {
			const result = compute(computation, { ...computation.example, nonsense: 1 });
			expect(!result.ok && result.faults[0]!.field).toBe('nonsense');
		});
	}
);

describe('bad input', () => {
	it('a list without end is refused before it is looked through', () => {
		const endless = counted(new Array<number>(20_000_000).fill(1));
		const result = compute(findComputation('bounce')!, {
			timeS: endless.list,
			heightMm: endless.list
		});
		expect(endless.reads()).toBe(0);
		expect(!result.ok && result.faults.map(({ field }) => field)).toEqual(['timeS', 'heightMm']);
	});

	it('a long list of what is no number: the first of them are named, each looked at a few times', () => {
		const times = counted(Array.from({ length: 200_000 }, (_, i) => (i < 100 ? i : `${i}`)));
		const heightMm = Array.from({ length: 200_000 }, (_, i) => i);
		const result = compute(findComputation('bounce')!, { timeS: times.list, heightMm });
		expect(times.reads()).toBeLessThanOrEqual(4 * 200_000);
		expect(!result.ok && result.faults).toHaveLength(50);
		expect(!result.ok && result.faults[0]).toEqual({
			field: 'timeS.100',
			message: 'must be a number; nothing measured here is as large as 1e15',
			value: '100'
		});
	});

	it('a long list of numbers out of range: the first is named, each looked at a few times', () => {
		const many = (value: number) => Array.from({ length: 200_000 }, () => value);
		for (const value of [1e7, 1e12, 1e300]) {
			const times = counted(many(value));
			const result = compute(findComputation('bounce')!, { timeS: times.list, heightMm: many(1) });
			expect(times.reads()).toBeLessThanOrEqual(4 * 200_000);
			expect(!result.ok && result.faults[0]!.field).toMatch(/^timeS/);
		}
	});

	it('long work in steps comes to the same answer as at once', () => {
		const drawn = findComputation('monte-carlo')!;
		const steps = computeInSteps(drawn, drawn.example);
		const shares: number[] = [];
		let step = steps.next();
		for (; !step.done; step = steps.next()) shares.push(step.value);
		expect(step.value).toEqual(compute(drawn, drawn.example));
		expect(shares.length).toBeGreaterThan(0);
		expect(shares).toEqual([...shares].sort((a, b) => a - b));
	});

	const bush = findComputation('bush-set')!;

	it('rows times draws are capped together, and the cap is said', () => {
		const sweep = findComputation('corner-sweep')!;
		const input = { ...sweep.example, bumpMm: Array.from({ length: 41 }, (_, i) => i) };
		const drawn = (samples: number) =>
			compute(findComputation('monte-carlo')!, {
				computation: 'corner-sweep',
				input,
				uncertainty: { staticCamberDeg: 0.1 },
				results: ['rows.0.camberDeg'],
				samples
			});
		expect(drawn(10_000)).toMatchObject({
			ok: false,
			faults: [{ field: 'samples', message: expect.stringContaining('(here 41 times 10000)') }]
		});
		expect(drawn(100).ok).toBe(true);
	});

	it('names every fault at once', () => {
		const result = compute(bush, {
			...bush.example,
			armLengthMm: -3,
			bushCount: 'two',
			wheelRateNPerMm: 0
		});
		expect(!result.ok && result.faults.map((fault) => [fault.field, fault.value])).toEqual([
			['armLengthMm', -3],
			['bushCount', 'two'],
			['wheelRateNPerMm', 0]
		]);
	});

	it('does not take text for a number', () => {
		expect(compute(bush, { ...bush.example, armLengthMm: '350' }).ok).toBe(false);
	});

	it('says where an arm cannot reach', () => {
		const result = compute(bush, { ...bush.example, setHubToArchMm: 900 });
		expect(!result.ok && result.faults[0]).toMatchObject({ field: 'setHubToArchMm', value: 900 });
	});

	it('converts only within a dimension', () => {
		const result = compute(findComputation('convert')!, {
			text: '62 ft-lb',
			dimension: 'torque',
			to: 'mm'
		});
		expect(!result.ok && result.faults[0]!.field).toBe('to');
	});

	it('needs two readings of each height', () => {
		const result = compute(findComputation('height-compare')!, {
			beforeMm: [1],
			afterMm: [1, 2],
			resolutionMm: 1
		});
		expect(!result.ok && result.faults[0]!.field).toBe('beforeMm');
	});
});
