import { describe, expect, it } from 'vitest';
import { torqueTrace, usualSlope } from '../src/core/fastener/trace.ts';
import { behaviours, pull, soundJoint, type Behaviour } from './joint-model.ts';

/** What the core says of a pull that was asked for. */
function read(behaviour: Behaviour, askedNm = 100, seed = 3, points = 500) {
	const joint = soundJoint(askedNm);
	const { angleDeg, torqueNm } = pull(joint, behaviour, seed, points);
	const found = torqueTrace({
		angleDeg,
		torqueNm,
		programme: { targetNm: askedNm, slopeNmPerDeg: usualSlope(askedNm) }
	});
	if (!found.ok) throw new Error(found.faults[0]!.message);
	return found.value;
}

describe('the simulated joint', () => {
	it.each([
		['good', 'accepted', []],
		['early', 'rejected', ['under']],
		['over', 'rejected', ['over']],
		['cross-thread', 'rejected', ['cross-thread']],
		['rubber', 'rejected', ['wound-up-rubber']],
		['stick-slip', 'look-again', ['slip-stick']],
		['yield', 'rejected', ['yield']]
	] as const)('%s is read as %s', (behaviour, verdict, flags) => {
		const found = read(behaviour);
		expect(found.verdict).toBe(verdict);
		// A crossed thread has no run-down to read, so what it took is only guessed.
		if (behaviour === 'cross-thread') expect(found.flags).toContain('cross-thread');
		else expect(found.flags).toEqual(flags);
	});

	it('is read the same at any torque, noise and sampling', () => {
		for (const askedNm of [12, 45, 180])
			for (const seed of [1, 99, 4242])
				for (const points of [120, 500, 2000]) {
					const where = `${askedNm} N·m, seed ${seed}, ${points} points`;
					expect(read('good', askedNm, seed, points).verdict, where).toBe('accepted');
					expect(read('over', askedNm, seed, points).flags, where).toContain('over');
					expect(read('rubber', askedNm, seed, points).flags, where).toContain('wound-up-rubber');
				}
	});

	it('has the slope, the snug point and the run-down it was given', () => {
		const joint = soundJoint(100);
		const found = read('good');
		expect(found.slopeNmPerDeg / joint.slopeNmPerDeg).toBeCloseTo(1, 1);
		expect(Math.abs(found.snugDeg - joint.freeDeg)).toBeLessThan(4);
		expect(Math.abs(found.prevailingNm - joint.prevailingNm)).toBeLessThan(0.5);
		expect(Math.abs(found.peakNm - 100)).toBeLessThan(0.5);
	});

	it('a dying battery leaves a pull that is not complete; every other is', () => {
		for (const behaviour of Object.keys(behaviours) as Behaviour[])
			expect(pull(soundJoint(60), behaviour, 1).complete).toBe(behaviour !== 'battery');
	});
});
