import { describe, expect, it } from 'vitest';
import { torqueTrace, type TraceProgramme } from '../src/core/fastener/trace/read.ts';
import { behaviours, pull, soundJoint, type Behaviour, type Sending } from './joint-model.ts';
import { pullsAtRandom } from './pulls-at-random.testing.ts';

/** What the core says of a pull that was asked for. */
function read(
	behaviour: Behaviour,
	{ askedNm = 100, seed = 3, ...sending }: Sending & { askedNm?: number; seed?: number } = {},
	more: Partial<TraceProgramme> = {}
) {
	const joint = soundJoint(askedNm);
	const { angleDeg, torqueNm } = pull(joint, behaviour, seed, sending);
	const programme = { targetNm: askedNm - joint.prevailingNm, ...more };
	const found = torqueTrace({ angleDeg, torqueNm, programme });
	if (!found.ok) throw new Error(found.faults[0]!.message);
	return found.value;
}

describe('the simulated joint', () => {
	it.each([
		['good', 'accepted', []],
		['ratchet', 'accepted', ['re-hit']],
		['pause', 'accepted', []],
		['slackened', 'accepted', []],
		['early', 'rejected', ['under']],
		['over', 'rejected', ['over']],
		['cross-thread', 'rejected', ['cross-thread']],
		['stick-slip', 'cannot-tell', ['slip-stick']],
		['yield', 'rejected', ['yield']]
	] as const)('%s is read as %s', (behaviour, verdict, flags) => {
		const found = read(behaviour);
		expect(found.verdict).toBe(verdict);
		expect(found.flags).toEqual(expect.arrayContaining([...flags]));
	});

	it('a second pass breaks loose, and is a sound one', () => {
		const found = read('again');
		expect(found.verdict).toBe('accepted');
		expect(found.flags).toContain('re-hit');
	});

	it('rubber is told from the joint by the rates of both', () => {
		const known = { slopeNmPerDeg: soundJoint(100).slopeNmPerDeg, rubberNmPerDeg: 1.3 };
		expect(read('rubber', {}, known).flags).toEqual(['wound-up-rubber']);
		expect(read('good', {}, known).verdict).toBe('accepted');
	});

	it('is read the same at any torque, noise and sampling', () => {
		for (const askedNm of [12, 45, 180])
			for (const seed of [1, 99, 4242])
				for (const stepDeg of [0.1, 0.5, 3]) {
					const where = `${askedNm} N·m, seed ${seed}, every ${stepDeg}°`;
					const how = { askedNm, seed, stepDeg };
					expect(read('good', how).verdict, where).toBe('accepted');
					expect(read('over', how).flags, where).toContain('over');
				}
	});

	it('has the slope, the snug point and the run-down it was given', () => {
		const joint = soundJoint(100);
		const found = read('good');
		expect(found.slopeNmPerDeg / joint.slopeNmPerDeg).toBeCloseTo(1, 1);
		expect(Math.abs(found.snugDeg - joint.freeDeg)).toBeLessThan(4);
		expect(Math.abs(found.prevailingNm - joint.prevailingNm)).toBeLessThan(0.5);
		expect(Math.abs(found.peakNm - 100)).toBeLessThan(0.8);
	});

	it('a dying battery leaves a pull that is not complete; every other is', () => {
		for (const behaviour of Object.keys(behaviours) as Behaviour[])
			expect(pull(soundJoint(60), behaviour, 1).complete).toBe(behaviour !== 'battery');
	});
});

describe('pulls drawn at random', () => {
	it('of 800 no sound one is refused, and at most one in a hundred is read wrong', () => {
		const told = pullsAtRandom(800, 5);
		const sound = told.filter(({ is }) => is === 'sound');
		expect(sound.length).toBeGreaterThan(300);
		expect(sound.filter(({ verdict }) => verdict === 'rejected')).toEqual([]);
		const taken = told.filter(({ is, verdict }) => is === 'bad' && verdict === 'accepted');
		expect(taken.length).toBeLessThanOrEqual(8);
		// Not by asking always: where no rubber is in question, nearly all are decided.
		const plain = sound.filter(({ rubber }) => !rubber);
		const asked = plain.filter(({ verdict }) => verdict === 'cannot-tell');
		expect(asked.length).toBeLessThan(0.02 * plain.length);
	});
});
