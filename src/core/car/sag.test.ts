/** Sag among sound cars and sagged ones that scatter as cars do; the model is our own. */
import { randomLcg, randomNormal } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { axleOf, corners, perCorner, type Corner } from '../height/corners';
import { influence } from './four-corner';
import { ordinaryScatter, ordinarySettling, sagDiagnosis, type SagDiagnosis } from './sag';
import { sampleCar } from './sample';

const known = influence(sampleCar);
if (!known.ok) throw new Error('no car');
const { heightPerPerch } = known.value;
const random = randomNormal.source(randomLcg(0.11))(0, 1);

/** Of so many cars: what share a question is true of. */
function share(
	lossMm: number,
	springs: readonly Corner[],
	is: (found: SagDiagnosis) => boolean,
	measured: readonly Corner[] = []
) {
	const of = 1500;
	let count = 0;
	for (let i = 0; i < of; i++) if (is(told(lossMm, springs, measured))) count++;
	return count / of;
}
function told(
	lossMm: number,
	springs: readonly Corner[],
	measured: readonly Corner[]
): SagDiagnosis {
	const { carMm, axleMm, cornerMm } = ordinaryScatter;
	const car = carMm * random();
	const axle = { front: axleMm * random(), rear: axleMm * random() };
	const deviationMm = perCorner((corner) => {
		const row = heightPerPerch[corners.indexOf(corner)]!;
		const sag = springs.reduce((sum, spring) => sum + row[corners.indexOf(spring)]! * lossMm, 0);
		return car + axle[axleOf(corner)] + cornerMm * random() + random() - sag;
	});
	const { middleMm, carMm: settling, springMm } = ordinarySettling;
	const settled = middleMm + settling * random();
	const shorterMm = Object.fromEntries(
		measured.map((corner) => [
			corner,
			settled + springMm * random() + (springs.includes(corner) ? lossMm : 0)
		])
	);
	const found = sagDiagnosis({ ...sampleCar, deviationMm, heightUncertaintyMm: 1, shorterMm });
	if (!found.ok) throw new Error('no answer');
	return found.value;
}
/** It says that something is there, and names these springs as it or among what it may be. */
const finds = (springs: readonly Corner[]) => (found: SagDiagnosis) => {
	const first = found.suspects.reduce((a, b) => (b.likelihood > a.likelihood ? b : a));
	const named = found.verdict === 'sagged' ? [first.springs.join('+')] : found.cannotSeparate;
	return named.includes(springs.join('+'));
};

describe('sound cars', () => {
	it('are told that something is there in at most 5 of 100', () => {
		expect(share(0, [], ({ verdict }) => verdict !== 'sound')).toBeLessThan(0.052);
		expect(share(0, [], ({ verdict }) => verdict === 'sagged')).toBeLessThan(0.02);
	});

	it.each([[['RL', 'RR']], [corners]] as const)('nor with %s measured free', (measured) => {
		expect(share(0, [], ({ verdict }) => verdict !== 'sound', measured)).toBeLessThan(0.052);
		expect(share(0, [], ({ verdict }) => verdict === 'sagged', measured)).toBeLessThan(0.02);
	});
});

describe('a spring that lost 12 mm', () => {
	it.each([[['FL']], [['RL']], [['FL', 'FR']], [['FL', 'FR', 'RL', 'RR']]] as const)(
		'%s is among what cannot be excluded in 9 of 10',
		(springs) => {
			const name = springs.join('+');
			expect(share(12, springs, ({ candidates }) => candidates.includes(name))).toBeGreaterThan(
				0.9
			);
		}
	);

	it.each([[['FL']], [['FR']], [['FL', 'FR']], [['FL', 'RL']], [corners]] as const)(
		'%s is found in 9 of 10 once the springs of one axle were measured free',
		(springs) => {
			expect(share(12, springs, finds(springs), ['FL', 'FR'])).toBeGreaterThan(0.9);
		}
	);

	it('alone of its axle is told as the one, once all four were measured', () => {
		const one = ({ verdict, suspects }: SagDiagnosis) =>
			verdict === 'sagged' && suspects.some((s) => s.springs.join() === 'RL' && s.likelihood > 0.5);
		expect(share(12, ['RL'], one, corners)).toBeGreaterThan(0.8);
	});

	it('that lost much is told, and seldom another instead', () => {
		const wrong = share(25, ['RL'], ({ verdict, suspects }) => {
			const first = suspects.reduce((a, b) => (b.likelihood > a.likelihood ? b : a));
			return verdict === 'sagged' && !first.springs.includes('RL');
		});
		expect(wrong).toBeLessThan(0.03);
		expect(share(25, ['RL'], ({ verdict }) => verdict !== 'sound')).toBeGreaterThan(0.9);
	});
});

describe('what it cannot separate', () => {
	it('is said: a low left side is springs, or load', () => {
		const deviationMm = { FL: -14, FR: 6, RL: -15, RR: 5 };
		const found = sagDiagnosis({ ...sampleCar, deviationMm, heightUncertaintyMm: 1 });
		if (!found.ok) throw new Error('no answer');
		expect(found.value.verdict).toBe('unclear');
		expect(found.value.cannotSeparate).toEqual(expect.arrayContaining(['load-on-one-side']));
	});
});
