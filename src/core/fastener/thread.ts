/** Metric thread geometry, ISO 724: lengths in mm. */
export interface Thread {
	diameterMm: number;
	pitchMm: number;
}

export const pitchDiameter = ({ diameterMm, pitchMm }: Thread): number =>
	diameterMm - 0.649519 * pitchMm;
export const coreDiameter = ({ diameterMm, pitchMm }: Thread): number =>
	diameterMm - 1.226869 * pitchMm;

/** Diameter of the stress area, (d₂ + d₃)/2. */
export const stressDiameter = (thread: Thread): number =>
	(pitchDiameter(thread) + coreDiameter(thread)) / 2;

/** Tensile stress area, mm²: π/4·((d₂ + d₃)/2)², ISO 898-1. */
export const stressArea = (thread: Thread): number => (Math.PI / 4) * stressDiameter(thread) ** 2;

export const propertyClasses = ['8.8', '10.9', '12.9'] as const;
export type PropertyClass = (typeof propertyClasses)[number];

/** Proof stress, MPa, ISO 898-1 (from memory). */
export function proofStressMPa(propertyClass: PropertyClass, diameterMm: number): number {
	return { '8.8': diameterMm <= 16 ? 580 : 600, '10.9': 830, '12.9': 970 }[propertyClass];
}

/** 0.2 % yield stress, MPa, ISO 898-1 (from memory). */
export function yieldStressMPa(propertyClass: PropertyClass, diameterMm: number): number {
	return { '8.8': diameterMm <= 16 ? 640 : 660, '10.9': 940, '12.9': 1100 }[propertyClass];
}

/** Bearing diameter of a hexagon head when none is given, as a share of the thread: own choice. */
export const usualHeadShare = 1.3;

/** Metric threads met under a car, coarse then fine, ISO 261. */
export const usualThreads: readonly Thread[] = (
	[
		[6, 1],
		[8, 1.25],
		[10, 1.5],
		[12, 1.75],
		[14, 2],
		[16, 2],
		[18, 2.5],
		[20, 2.5],
		[8, 1],
		[10, 1.25],
		[12, 1.25],
		[12, 1.5],
		[14, 1.5],
		[16, 1.5]
	] as const
).map(([diameterMm, pitchMm]) => ({ diameterMm, pitchMm }));

export const threadName = ({ diameterMm, pitchMm }: Thread): string => `M${diameterMm}×${pitchMm}`;

/**
 * Torque over angle of a screw of this thread in a usual joint, N·m/°: gripped over five diameters in parts four
 * times as stiff as it is, dry (torque 0.16 of clamp times diameter); one turn stretches both by one pitch. Half or
 * twice of it is possible. Formula as `elasticSlope`, the usual joint by own choice.
 */
export function usualThreadSlope(thread: Thread): number {
	const { diameterMm, pitchMm } = thread;
	const screwNPerMm = (205_000 * stressArea(thread)) / (5 * diameterMm);
	const bothNPerMm = screwNPerMm / (1 + 1 / 4);
	return (bothNPerMm * pitchMm * 0.16 * diameterMm) / 360 / 1000;
}
