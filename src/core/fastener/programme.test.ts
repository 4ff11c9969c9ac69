import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bolt, clampN, elasticSlope, torqueAfterAngle, torqueNm, type BoltInput } from './bolt';
import { actions, castleNut, starOrder } from './programme';

describe('star', () => {
	it.each([3, 4, 5, 6, 8])('%i fasteners: each once, never its neighbour next', (count) => {
		const order = starOrder(count);
		expect([...order].sort((a, b) => a - b)).toEqual([...Array(count).keys()]);
		if (count < 4) return;
		for (let i = 1; i < count; i++) {
			const gap = Math.abs(order[i]! - order[i - 1]!);
			// Four on a circle have one opposite each; the third step must go to a neighbour.
			if (count > 4) expect(Math.min(gap, count - gap)).toBeGreaterThan(1);
		}
	});

	it('in two passes, half and then whole, every fastener before the second pass', () => {
		const list = actions({
			steps: [{ kind: 'torque', torqueNm: 120 }],
			pattern: { fasteners: 5, passes: 2 }
		});
		expect(list.map(({ torqueNm }) => torqueNm)).toEqual([
			...Array<number>(5).fill(60),
			...Array<number>(5).fill(120)
		]);
	});
});

it('prevailing torque is added to every torque of the programme', () => {
	const list = actions({
		steps: [
			{ kind: 'torque', torqueNm: 50 },
			{ kind: 'slacken', angleDeg: 120 },
			{ kind: 'torque', torqueNm: 30 },
			{ kind: 'angle', angleDeg: 90 }
		],
		prevailingNm: 6
	});
	expect(list.map(({ torqueNm }) => torqueNm)).toEqual([56, undefined, 36, undefined]);
});

it('a castle nut goes forward to the slot, or not at all', () => {
	const nut = { lowNm: 40, highNm: 70, slopeNmPerDeg: 1 };
	expect(castleNut({ ...nut, toNextSlotDeg: 20 })).toEqual({
		angleDeg: 20,
		torqueNm: 60,
		refused: false
	});
	expect(castleNut({ ...nut, toNextSlotDeg: 45 }).refused).toBe(true);
});

describe('bolt', () => {
	const screw: BoltInput = {
		diameterMm: 12,
		pitchMm: 1.75,
		propertyClass: '10.9',
		frictionThread: 0.12,
		frictionHead: 0.12,
		meanHeadDiameterMm: 15.6
	};
	it('torque to clamp and back', () => {
		fc.assert(
			fc.property(fc.double({ min: 1, max: 500, noNaN: true }), (torque) => {
				expect(torqueNm(screw, clampN(screw, torque))).toBeCloseTo(torque, 9);
			})
		);
	});
	it('more friction, less clamp for the same torque', () => {
		const clamps = [0.08, 0.12, 0.16, 0.2].map((mu) =>
			clampN({ ...screw, frictionThread: mu, frictionHead: mu }, 100)
		);
		expect(clamps).toEqual([...clamps].sort((a, b) => b - a));
	});
	it('one turn of a stiff joint stretches it by a pitch', () => {
		// Bolt 300, parts 900 N/mm in series: 225 N/mm; a degree is 1.75/360 mm.
		const slope = elasticSlope(screw, 300, 900);
		expect(clampN(screw, slope * 360)).toBeCloseTo(225 * 1.75, 6);
	});
	it('torque and angle: the torque goes up by the slope, the clamp by the stretch', () => {
		const after = torqueAfterAngle({
			...screw,
			snugNm: 10,
			angleDeg: 10,
			boltNPerMm: 300_000,
			partsNPerMm: 900_000
		});
		if (!after.ok) throw new Error('no torque');
		expect(after.value.torqueNm).toBeCloseTo(10 + 10 * after.value.slopeNmPerDeg, 9);
		expect(after.value.clampN - clampN(screw, 10)).toBeCloseTo((225_000 * 1.75) / 36, 6);
		expect(after.value.yields).toBe(false);
	});
	it('torque and angle into yield: the torque hardly grows any more, and that is meant', () => {
		const turned = (angleDeg: number) => {
			const after = torqueAfterAngle({
				...screw,
				snugNm: 40,
				angleDeg,
				boltNPerMm: 300_000,
				partsNPerMm: 900_000
			});
			if (!after.ok) throw new Error('no torque');
			return after.value;
		};
		const sound = bolt(screw);
		if (!sound.ok) throw new Error('no bolt');
		const yieldNm = sound.value.torque90Nm / 0.9;
		expect(turned(90).yields).toBe(true);
		expect(turned(90).torqueNm).toBeGreaterThan(yieldNm);
		const more = turned(100).torqueNm - turned(90).torqueNm;
		expect(more).toBeLessThan(0.1 * 10 * turned(90).slopeNmPerDeg);
	});
	it('a pitch that leaves no core, a head inside the thread: named', () => {
		const coarse = bolt({ ...screw, pitchMm: 8 });
		expect(!coarse.ok && coarse.faults[0]!.field).toBe('pitchMm');
		const head = bolt({ ...screw, meanHeadDiameterMm: 11 });
		expect(!head.ok && head.faults[0]!.field).toBe('meanHeadDiameterMm');
	});
});
