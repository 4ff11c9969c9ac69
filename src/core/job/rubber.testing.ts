/** Jobs to judge rubber on, and how often its band holds. For tests and `npm run coverage-of-bands`. */
import { randomLcg, randomNormal } from 'd3-random';
import type { Coverage } from '../compute/coverage.testing.ts';
import { layouts } from '../layout/catalogue.ts';
import type { Layout } from '../layout/types.ts';
import { bareAxle } from './axle.testing.ts';
import { demoRecord } from '../../../demo/jobs.testing.ts';
import type { Loading, VehicleAxle } from './model.ts';
import type { JobRecord } from './record.ts';
import { judgeBush } from './rubber.ts';

export const rubberLimits = { setDeg: 2, advisedDeg: 5 };

/** A job on one corner of a car with this layout on both axles, its target the maker's hub to arch. */
export function jobOn(layout: Layout, rideMm: number, known: Partial<VehicleAxle> = {}): JobRecord {
	const axle = bareAxle(layout.key, {
		makerHeightMm: rideMm,
		makerHeightSchool: 'hub-to-arch',
		...known
	});
	const record = demoRecord('2026-0257');
	return {
		...record,
		school: 'hub-to-arch',
		targets: [],
		readings: [],
		loadings: [],
		entries: [],
		corners: ['RL'],
		vehicle: { ...record.vehicle, axles: { front: axle, rear: axle } },
		joints: layout.joints.map((joint) => ({
			...record.joints[0]!,
			...joint,
			corner: 'RL',
			id: joint.key
		}))
	} as unknown as JobRecord;
}

/** How far corners of one layout differ from each other: of a length, of itself, and of a lean, degrees. Own choice. */
const [lengthSpread, leanSpread] = [0.08, 3];

/**
 * Twist of every bush of every layout, nothing taped: the car's true measures are drawn about the assumed
 * ones, arms by the uncertainty that is stated of them, its true heights about those read; the other wheel
 * was read at its target. Links, rods and bars that turn by a length the layout gives are no part of it.
 */
export function coverageOfRubber(cases: number, seed: number): Coverage {
	const normal = randomNormal.source(randomLcg(seed / 4294967296 + 0.53))(0, 1);
	const uniform = randomLcg(seed / 4294967296 + 0.71);
	const inside = new Map<string, number>();
	const counted = new Map<string, number>();
	const rideMm = 365;
	for (const layout of layouts) {
		const { armLengthMm, outerBelowInnerMm, measures } = layout.assumed;
		const told = jobOn(layout, rideMm);
		const spreadOf = (name: string, value: number) => {
			if (name === 'upperArmMm') return armLengthMm.u;
			if (name === 'upperJointBelowPivotMm') return outerBelowInnerMm.u;
			return name.endsWith('Deg') ? leanSpread : lengthSpread * value;
		};
		const read = { id: 'look', corner: 'RR', method: 'on-wheels', hubToArchMm: rideMm };
		told.loadings = [read as Loading];
		for (let i = 0; i < cases; i++) {
			const truth = jobOn(layout, rideMm + 2 * normal(), {
				armLengthMm: armLengthMm.value + armLengthMm.u * normal(),
				outerBelowInnerMm: outerBelowInnerMm.value + outerBelowInnerMm.u * normal(),
				referenceHubToArchMm: rideMm,
				tape: Object.fromEntries(
					Object.entries(measures).map(([name, value]) => [
						name,
						value + spreadOf(name, value) * normal()
					])
				)
			});
			truth.loadings = told.loadings;
			const setMm = rideMm - 40 + 100 * uniform();
			const trueSetMm = setMm + normal();
			for (const joint of told.joints) {
				if (joint.kind !== 'bonded-bush') continue;
				const { rubber } = layout.joints.find(({ key }) => key === joint.key)!;
				if (rubber!.link) continue;
				const is = judgeBush(truth, 'RL', trueSetMm, rubberLimits, joint);
				const said = judgeBush(told, 'RL', setMm, rubberLimits, joint);
				if (!is.ok || !said.ok) continue;
				const path = `${layout.key} ${joint.key}`;
				const off = Math.abs(said.value.twistDeg - is.value.twistDeg);
				counted.set(path, (counted.get(path) ?? 0) + 1);
				if (off <= said.value.twistExpandedDeg + 1e-9)
					inside.set(path, (inside.get(path) ?? 0) + 1);
			}
		}
	}
	return {
		name: 'rubber of a corner',
		cases,
		inside: new Map([...counted].map(([path, count]) => [path, (inside.get(path) ?? 0) / count]))
	};
}
