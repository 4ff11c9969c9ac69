import type { BushSize } from '../bush/torsion.ts';

/** Usual rubber of what is no arm's own bush: common practice, no source; an arm's stands in its layout. */
export const rubberSizes = {
	eye: { innerDiameterMm: 20, outerDiameterMm: 36, lengthMm: 36, hardnessIrhd: 65 },
	link: { innerDiameterMm: 16, outerDiameterMm: 36, lengthMm: 36, hardnessIrhd: 60 },
	rod: { innerDiameterMm: 18, outerDiameterMm: 42, lengthMm: 44, hardnessIrhd: 60 },
	bar: { innerDiameterMm: 22, outerDiameterMm: 44, lengthMm: 40, hardnessIrhd: 65 }
} as const satisfies Record<string, BushSize & { hardnessIrhd: number }>;
export type RubberSize = keyof typeof rubberSizes;
