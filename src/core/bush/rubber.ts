import { faulty, ok, type Result } from '../result.ts';

/**
 * Shear modulus of natural rubber by hardness, IRHD → MPa. Lindley, Engineering Design with Natural
 * Rubber (from memory).
 */
export const shearModulusByHardness: readonly (readonly [irhd: number, modulusMPa: number])[] = [
	[45, 0.54],
	[50, 0.64],
	[55, 0.81],
	[60, 1.06],
	[65, 1.37],
	[70, 1.73]
];

/** Shear modulus in MPa from hardness 45 to 70 IRHD, linear between the table's rows; refused outside. */
export function shearModulusMPa(hardnessIrhd: number, field = 'hardnessIrhd'): Result<number> {
	const table = shearModulusByHardness;
	const above = table.findIndex(([irhd]) => hardnessIrhd <= irhd);
	if (above === -1 || !(hardnessIrhd >= table[0]![0])) {
		return faulty({
			field,
			value: hardnessIrhd,
			message: 'hardness must be from 45 to 70 IRHD; outside that, give shearModulusMPa'
		});
	}
	const [h1, g1] = table[above]!;
	if (above === 0) return ok(g1);
	const [h0, g0] = table[above - 1]!;
	return ok(g0 + ((g1 - g0) * (hardnessIrhd - h0)) / (h1 - h0));
}
