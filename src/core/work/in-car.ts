/**
 * Bushes pressed in the car: the arm swung down at its inner end, its outer end left on. What is in the way of it,
 * as the damper's lower bolt, follows from the assembly.
 */
import { jointsOf, partOf, springArm } from '../layout/shape.ts';
import type { Layout, LayoutPart, LayoutWay } from '../layout/types.ts';
import { bushesOf } from './jobs.ts';

/** Room for a puller between arm and body, mm. Common practice, no source. */
const roomMm = 90;

const isInner = (layout: Layout, key: string): boolean =>
	key === 'body' || partOf(layout, key)?.kind === 'subframe';

const otherEnd = (part: LayoutPart, between: readonly string[]): string =>
	between.find((key) => key !== part.key)!;

/** What an arm stays on by: never a damper or a link. */
const outerOf = (layout: Layout, part: LayoutPart): string[] =>
	jointsOf(layout, part.key)
		.map(({ between }) => otherEnd(part, between))
		.filter((key) => ['knuckle', 'axle'].includes(partOf(layout, key)?.kind ?? ''));

/** All bushes of the arm are at its inner end, it stays on by its outer one, and no spring stands on it. */
export const mayPressInCar = (layout: Layout, part: LayoutPart): boolean => {
	const bushes = bushesOf(layout, part);
	return (
		bushes.length > 0 &&
		bushes.every(({ between }) => isInner(layout, otherEnd(part, between))) &&
		outerOf(layout, part).length > 0 &&
		springArm(layout) !== part
	);
};

export const inCarWay = (layout: Layout, part: LayoutPart): LayoutWay => ({
	key: 'in-car',
	name: 'Pressed in the car, the arm swung down at its inner end',
	moves: {
		[part.key]: roomMm,
		...Object.fromEntries(outerOf(layout, part).map((key) => [key, 0]))
	},
	apart: bushesOf(layout, part).map(({ between }) => between)
});
