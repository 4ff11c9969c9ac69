import type { SweepRow } from '$core/mechanism/sweep';
import { describe, expect, it } from 'vitest';
import { cornerCurves, cornerReadouts } from './shown';

const row = (more: Partial<SweepRow> = {}): SweepRow =>
	({
		bumpMm: 0,
		camberDeg: -1.25,
		toeDeg: 0.1,
		trackChangeMm: 3,
		twistDeg: { lower: 4.26 },
		springLengthMm: 250,
		springMotionRatio: 0.95,
		damperLengthMm: 250,
		...more
	}) as SweepRow;
const show = {
	length: (mm: number, signed = false) => `${signed && mm > 0 ? '+' : ''}${mm} mm`,
	angle: (deg: number, decimals = 2) => `${deg.toFixed(decimals)} °`
};
const labels = (...of: Parameters<typeof cornerReadouts>) =>
	cornerReadouts(...of).map(({ label }) => label);

describe('what the bench of a corner shows', () => {
	it('draws a curve for what the corner has, a strut’s spring and damper as one', () => {
		const names = cornerCurves({ rows: [row(), row({ camberDeg: -2 })] }, false).map(
			({ name }) => name
		);
		expect(names).toEqual(['Camber', 'Toe', 'Twist, lower arm', 'Motion ratio, spring']);
		const apart = cornerCurves(
			{ rows: [row({ damperLengthMm: 400, damperMotionRatio: 0.8 })] },
			true
		);
		expect(apart.map(({ name }) => name)).toContain('Motion ratio, damper');
		expect(apart.map(({ name }) => name)).not.toContain('Toe');
		expect(cornerCurves(undefined, true)).toEqual([]);
	});

	it('has a band around each curve where the measures have one', () => {
		const [camber] = cornerCurves(
			{
				rows: [row(), row()],
				expanded: { rows: [row({ camberDeg: 0.2 }), row({ camberDeg: 0.3 })] }
			},
			true
		);
		expect(camber!.band).toEqual([0.2, 0.3]);
	});

	it('says the twist first, with its band, and leaves out what cannot be known', () => {
		const [first] = cornerReadouts(row(), row({ twistDeg: { lower: 1.04 } }), true, show);
		expect(first).toMatchObject({ main: true, value: '4.3 °', band: '1.0\u00a0°' });
		expect(labels(row(), undefined, true, show)).not.toContain('Toe');
		expect(labels(row(), undefined, false, show)).toContain('Toe');
		expect(labels(row({ casterDeg: 6 }), undefined, true, show)).toContain('Caster');
		expect(
			labels(row({ twistDeg: { arm: 2 } as SweepRow['twistDeg'] }), undefined, true, show)[0]
		).toBe('Bush twist against the height measured, arm');
	});
});
