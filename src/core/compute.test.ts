import { describe, expect, it } from 'vitest';
import { compute, computations, findComputation } from './compute';
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

describe('bad input', () => {
	const bush = findComputation('bush-set')!;

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
			text: '75 ft-lb',
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
