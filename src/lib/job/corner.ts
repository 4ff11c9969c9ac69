/** A corner of the car as a mechanism: from what was taped, and the layout's assumptions for the rest. */
import { axleOf, isLeft, type Corner } from '../../core/height/corners.ts';
import { findLayout } from '../../core/layout/catalogue.ts';
import { mirrored, type CornerGeometry } from '../../core/mechanism/geometry.ts';
import { tapedGeometry, tapeMeasures, type TapeMeasure } from '../../core/mechanism/tape.ts';
import type { Result } from '../../core/result.ts';
import type { VehicleAxle } from './model.ts';
import { armGeometry } from './view.ts';

/** The two measures a car's form asks for by itself, in the words of each mechanism. */
const armMeasures = ['lowerArmMm', 'lowerJointBelowPivotMm', 'armMm', 'hubBelowPivotMm'];

/** What else can be taped on an axle of this layout. */
export function furtherMeasures(layoutKey: string): Readonly<Record<string, TapeMeasure>> {
	const { mechanism } = findLayout(layoutKey)!;
	return Object.fromEntries(
		Object.entries(tapeMeasures[mechanism]).filter(([name]) => !armMeasures.includes(name))
	);
}

export interface CornerMechanism {
	geometry: CornerGeometry;
	/** Hub to arch at the geometry's reference posture, mm; a greater one is droop. */
	referenceHubToArchMm: number;
	/** Half-width of the 95 % band of the outer joint's height, mm. */
	jointExpandedMm: number;
	/** True when anything drawn is the layout's assumption. */
	assumed: boolean;
}

/** @param targetHubToArchMm stands in as the reference where no arm was taped */
export function cornerMechanism(
	axle: VehicleAxle,
	corner: Corner,
	targetHubToArchMm: number
): Result<CornerMechanism> {
	const layout = findLayout(axle.layout)!;
	const arm = armGeometry(axle, targetHubToArchMm);
	const { mechanism, assumed } = layout;
	const [length, below] =
		'armMm' in tapeMeasures[mechanism]
			? (['armMm', 'hubBelowPivotMm'] as const)
			: (['lowerArmMm', 'lowerJointBelowPivotMm'] as const);
	const made = tapedGeometry({
		layout: mechanism,
		measures: {
			...assumed.measures,
			...axle.tape,
			[length]: arm.armLengthMm.value,
			[below]: arm.outerBelowInnerMm.value
		}
	});
	if (!made.ok) return made;
	const further = Object.keys(assumed.measures);
	return {
		ok: true,
		value: {
			geometry: isLeft(corner) ? made.value : mirrored(made.value),
			referenceHubToArchMm: arm.referenceHubToArchMm,
			jointExpandedMm: 2 * arm.outerBelowInnerMm.u,
			assumed: arm.assumed || further.some((name) => axle.tape?.[name] === undefined)
		}
	};
}

/** The corner's axle. */
export const axleAt = (axles: Record<'front' | 'rear', VehicleAxle>, corner: Corner): VehicleAxle =>
	axles[axleOf(corner)];

/** Loaded radius of a tyre from its size, mm: 205/55 R16. Undefined where the size is not said so. */
export function tyreRadiusMm(size: string): number | undefined {
	const found = /(\d{3})\s*\/\s*(\d{2})\s*(?:Z?R|-)?\s*(\d{2}(?:\.5)?)/i.exec(size);
	if (!found) return undefined;
	const [, width, aspect, rim] = found.map(Number) as [number, number, number, number];
	// A loaded tyre stands about 3 % lower than its free radius: common practice, no source.
	return 0.97 * ((rim * 25.4) / 2 + (width * aspect) / 100);
}
