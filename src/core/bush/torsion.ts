/** Rubber annulus bonded between two sleeves. */
export interface BushSize {
	/** Inner diameter of the rubber (outside of the inner sleeve), mm. */
	innerDiameterMm: number;
	/** Outer diameter of the rubber (inside of the outer sleeve), mm. */
	outerDiameterMm: number;
	/** Length of the rubber along the bolt, mm. */
	lengthMm: number;
}

/**
 * Torsional stiffness in N·mm/rad of a bonded cylindrical bush: 4πGℓ / (1/a² − 1/b²), a and b the
 * radii. Elementary torsion of an annulus; Göbel, Rubber Springs Design (from memory).
 *
 * @param shearModulusMPa G of the rubber, above 0
 */
export function torsionalStiffness(size: BushSize, shearModulusMPa: number): number {
	const a = size.innerDiameterMm / 2;
	const b = size.outerDiameterMm / 2;
	return (4 * Math.PI * shearModulusMPa * size.lengthMm) / (1 / (a * a) - 1 / (b * b));
}

/** Greatest shear strain, at the inner sleeve: 2θb²/(b² − a²), θ in rad. Same source. */
export function greatestShearStrain(size: BushSize, twistRad: number): number {
	const a = size.innerDiameterMm / 2;
	const b = size.outerDiameterMm / 2;
	return (2 * Math.abs(twistRad) * b * b) / (b * b - a * a);
}
