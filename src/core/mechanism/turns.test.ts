import { describe, expect, it } from 'vitest';
import type { CornerGeometry } from './geometry';
import { mirrored } from './geometry';
import { sampleCorners } from './samples';
import { cornerPoints } from './points';
import { cornerSweep } from './sweep';
import { partTurns, type PartTurns } from './turns';

const bumps = [-60, -20, 0, 35, 70];
const of = (corner: CornerGeometry, bolt: 'along' | 'across', at = bumps): PartTurns[] => {
	const found = partTurns(corner, bolt, at);
	if (!found.ok) throw new Error(JSON.stringify(found.faults));
	return found.value;
};
const degrees = 180 / Math.PI;

describe('how far parts of a corner turn about a bolt', () => {
	it.each(Object.values(sampleCorners).map((corner) => [corner.layout, corner] as const))(
		'%s: arms turn as the sweep has it, nothing turns where it was built, both sides alike',
		(_, corner) => {
			const swept = cornerSweep(corner, bumps);
			if (!swept.ok) throw new Error();
			for (const bolt of ['along', 'across'] as const) {
				const turns = of(corner, bolt);
				for (const [i, { twistDeg }] of swept.value.rows.entries()) {
					for (const which of ['lower', 'upper', 'arm'] as const) {
						const deg = twistDeg[which];
						if (deg !== undefined) expect(turns[i]![which]! * degrees).toBeCloseTo(deg, 9);
					}
				}
				for (const turn of Object.values(turns[2]!)) expect(turn).toBeCloseTo(0, 9);
				expect(of(mirrored(corner), bolt)).toEqual(turns);
			}
		}
	);

	it('a damper on a trailing arm closes with it as the law of cosines says', () => {
		const corner: CornerGeometry = {
			...sampleCorners['trailing-arm'],
			points: {
				pivotInner: [0, 500, 300],
				pivotOuter: [0, 700, 300],
				damperTop: [-300, 600, 720],
				damperBottom: [-380, 600, 280]
			},
			wheelCentre: [-430, 720, 290],
			damperOn: 'arm'
		};
		const swept = cornerSweep(corner, bumps);
		const turns = of(corner, 'across');
		if (!swept.ok) throw new Error();
		const arm = Math.hypot(380, 20);
		const body = Math.hypot(300, 420);
		/** Angle between arm and damper at the eye, of a triangle with known sides. */
		const eye = (damper: number) =>
			Math.acos((arm ** 2 + damper ** 2 - body ** 2) / (2 * arm * damper));
		const rest = eye(swept.value.rows[2]!.damperLengthMm!);
		for (const [i, row] of swept.value.rows.entries()) {
			const between = turns[i]!.damper! - turns[i]!.arm!;
			expect(Math.abs(between)).toBeCloseTo(Math.abs(eye(row.damperLengthMm!) - rest), 9);
		}
	});

	it('the knuckle of parallel arms does not lean, one of unequal arms leans by its camber', () => {
		const corner = sampleCorners['double-wishbone'];
		const swept = cornerSweep(corner, bumps);
		const turns = of(corner, 'along');
		if (!swept.ok) throw new Error();
		const at = swept.value.rows;
		for (const [i, row] of at.entries()) {
			// Camber is its lean seen from the front, top outward +: an arm in bump turns the top inward.
			const lean = -(row.camberDeg - at[2]!.camberDeg);
			expect(Math.abs(turns[i]!.knuckle! * degrees - lean)).toBeLessThan(0.15);
		}
	});

	it('a damper turns as its ends are drawn', () => {
		const corner = sampleCorners['double-wishbone'];
		const drawn = cornerPoints(corner, bumps);
		if (!drawn.ok) throw new Error();
		const lean = ({ points }: (typeof drawn.value.postures)[number]) =>
			Math.atan2(
				points.damperBottom![2] - points.damperTop![2],
				points.damperBottom![1] - points.damperTop![1]
			);
		const rest = lean(drawn.value.postures[2]!);
		for (const [i, posture] of drawn.value.postures.entries())
			expect(of(corner, 'along')[i]!.damper).toBeCloseTo(lean(posture) - rest, 9);
	});

	it('beyond the corner’s reach it says how far it goes', () => {
		const found = partTurns(sampleCorners['trailing-arm'], 'across', [0, 2000]);
		expect(found).toMatchObject({ ok: false, faults: [{ field: 'bumpMm.1' }] });
	});
});
