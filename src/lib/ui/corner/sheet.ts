/** A corner on its sheet of paper: what is drawn of it where, and how large. */
import { cornerMechanism, posturesAt, shownTravel, tyreRadiusMm } from '$core/job/corner';
import type { VehicleAxle } from '$core/job/model';
import { findLayout } from '$core/layout/registry';
import type { MechanismLayout } from '$core/mechanism/geometry';
import type { CornerPosture } from '$core/mechanism/points';
import { ok, type Result } from '$core/result';
import { armOf, seenFromSide, shapeOf, tenth, type Arm, type Flat, type Shape } from './view';

export const sheetWidth = 400;
export const sheetHeight = 400;
/** What no tyre size says, mm. */
const usualWheelRadiusMm = 305;

export interface CornerSheet {
	layout: MechanismLayout;
	/** Seen along the axle; else from in front. */
	side: boolean;
	wheelRadiusMm: number;
	/** Hub to arch of the ends of its travel, and what is shown: the asked one where the wheel goes so far. */
	range: { droopMm: number; bumpMm: number };
	shownMm: number;
	shapes: Record<'droop' | 'target' | 'now', Shape>;
	now: CornerPosture;
	/** Each with where its joint will rest. */
	arms: (Arm & { which: 'lower' | 'upper'; rest: Flat })[];
	/** Lip of the arch. */
	lip: Flat;
	/** Half-width of the band of an outer joint's height, mm. */
	expandedMm: number;
	assumed: boolean;
	/** Units of the sheet per mm. */
	scale: number;
	/** A place of the car on the sheet. */
	to(at: Flat): Flat;
	/** Where the dimension of hub to arch stands. */
	dimensionX: number;
}

/**
 * @param targetMm hub to arch at which it will stand
 * @param heightMm hub to arch that is shown
 * @param plain the corner alone: nothing is kept free at the right for the dimension and its words
 */
export function cornerSheet(
	axle: VehicleAxle,
	targetMm: number,
	heightMm: number,
	plain = false
): Result<CornerSheet> {
	const layout = findLayout(axle.layout)!.mechanism;
	const side = seenFromSide(layout);
	const found = cornerMechanism(axle, targetMm);
	if (!found.ok) return found;
	const travel = shownTravel(found.value, targetMm);
	if (!travel.ok) return travel;
	const range = travel.value;
	const shownMm = Math.min(range.droopMm, Math.max(range.bumpMm, heightMm));
	const postures = posturesAt(found.value, [range.droopMm, range.bumpMm, targetMm, shownMm]);
	if (!postures.ok) return postures;
	const [droop, bump, target, now] = postures.value as [
		CornerPosture,
		CornerPosture,
		CornerPosture,
		CornerPosture
	];
	const shapes = {
		droop: shapeOf(layout, droop),
		target: shapeOf(layout, target),
		now: shapeOf(layout, now)
	};
	const wheelRadiusMm = tyreRadiusMm(axle.tyreSize) ?? usualWheelRadiusMm;
	const lip: Flat = [shapes.target.wheel[0], shapes.target.wheel[1] + targetMm];
	const box = boxOf(
		[...Object.values(shapes), shapeOf(layout, bump)],
		lip,
		side ? wheelRadiusMm + 30 : 130,
		shapes.droop.wheel[1] - wheelRadiusMm
	);
	const words = plain ? 40 : 114;
	const scale = Math.min(
		(sheetWidth - words) / (box.right - box.left),
		(sheetHeight - 20) / (box.high - box.low)
	);
	const across = (sheetWidth - words - (box.right - box.left) * scale) / 2;
	const to = ([x, z]: Flat): Flat => [
		tenth(across + (x - box.left) * scale),
		tenth(sheetHeight - 16 - (z - box.low) * scale)
	];
	const arms = (['lower', 'upper'] as const).flatMap((which) => {
		const [a, b] = [armOf(layout, now, which), armOf(layout, target, which)];
		return a && b ? [{ which, ...a, rest: b.joint }] : [];
	});
	return ok({
		layout,
		side,
		wheelRadiusMm,
		range,
		shownMm,
		shapes,
		now,
		arms,
		lip,
		expandedMm: found.value.jointExpandedMm,
		assumed: found.value.assumed,
		scale,
		to,
		dimensionX: to([box.right, 0])[0] + 14
	});
}

/** All that moves and the arch, with room around. */
function boxOf(shapes: readonly Shape[], lip: Flat, reach: number, lowest: number) {
	const all: Flat[] = shapes.flatMap(({ pivots, joints, spring, damper, wheel }) => [
		...pivots,
		...joints,
		...(spring ?? []),
		...(damper ?? []),
		wheel
	]);
	const xs = [...all.map(([x]) => x), lip[0] - reach, lip[0] + reach];
	const zs = [...all.map(([, z]) => z), lip[1]];
	return {
		left: Math.min(...xs) - 35,
		right: Math.max(...xs),
		low: Math.min(...zs, lowest) - 12,
		high: Math.max(...zs) + 75
	};
}
