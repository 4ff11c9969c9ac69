/** Sag among sound cars and sagged ones that scatter as cars do; the model is our own. */
import { randomLcg, randomNormal } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { axleOf, corners, perCorner, type Corner } from '../height/corners';
import { influence } from './four-corner';
import { ordinaryScatter, sagDiagnosis, type SagDiagnosis } from './sag';
import { sampleCar } from './sample';

const known = influence(sampleCar);
if (!known.ok) throw new Error('no car');
const { heightPerPerch } = known.value;
const random = randomNormal.source(randomLcg(0.11))(0, 1);

/** Of so many cars: what share a question is true of. */
function share(lossMm: number, springs: readonly Corner[], is: (found: SagDiagnosis) => boolean) {
	const of = 1500;
	let count = 0;
	for (let i = 0; i < of; i++) if (is(told(lossMm, springs))) count++;
	return count / of;
}
function told(lossMm: number, springs: readonly Corner[]): SagDiagnosis {
	const { carMm, axleMm, cornerMm } = ordinaryScatter;
	const car = carMm * random();
	const axle = { front: axleMm * random(), rear: axleMm * random() };
	const deviationMm = perCorner((corner) => {
		const row = heightPerPerch[corners.indexOf(corner)]!;
		const sag = springs.reduce((sum, spring) => sum + row[corners.indexOf(spring)]! * lossMm, 0);
		return car + axle[axleOf(corner)] + cornerMm * random() + random() - sag;
	});
	const found = sagDiagnosis({ ...sampleCar, deviationMm, heightUncertaintyMm: 1 });
	if (!found.ok) throw new Error('no answer');
	return found.value;
}

describe('sound cars', () => {
	it('are told that something is there in at most 5 of 100', () => {
		expect(share(0, [], ({ verdict }) => verdict !== 'sound')).toBeLessThan(0.052);
		expect(share(0, [], ({ verdict }) => verdict === 'sagged')).toBeLessThan(0.02);
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
