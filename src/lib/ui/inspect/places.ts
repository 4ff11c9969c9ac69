/** The places of a corner's drawing that are touched, each for one or more points, and where their marks go. */
import type { Gravity, InspectionPoint } from '$core/inspect/points';
import { forceCollide, forceSimulation, forceX, forceY } from 'd3';
import type { Flat } from '../corner/view';

export interface PointPlace {
	name: InspectionPoint['place'];
	points: InspectionPoint[];
}

/** Points by the place they are touched at, places in the order of the walk. */
export function placesOf(points: readonly InspectionPoint[]): PointPlace[] {
	const places = new Map<InspectionPoint['place'], InspectionPoint[]>();
	for (const point of points) places.set(point.place, [...(places.get(point.place) ?? []), point]);
	return [...places].map(([name, members]) => ({ name, points: members }));
}

/**
 * The worst that was found at a place, or `sound` once every point of it was looked at; undefined before.
 */
export function worstAt(
	place: PointPlace,
	gravityOf: (point: InspectionPoint) => Gravity | undefined
): Gravity | undefined {
	const found = place.points.map(gravityOf);
	return (
		(['worn', 'watch'] as const).find((gravity) => found.includes(gravity)) ??
		(found.every((one) => one === 'sound') ? 'sound' : undefined)
	);
}

/** The point that a touch on a place opens: the one after the one in hand, else the first nobody looked at. */
export function touched(
	place: PointPlace,
	inHand: string | undefined,
	looked: (point: InspectionPoint) => boolean
): string {
	const at = place.points.findIndex(({ key }) => key === inHand);
	if (at >= 0) return place.points[(at + 1) % place.points.length]!.key;
	return (place.points.find((point) => !looked(point)) ?? place.points[0]!).key;
}

/**
 * Moves marks as little as it takes that none covers another and all stay inside.
 *
 * @param radius of a mark, same unit as the anchors
 * @param size width and height of the drawing
 */
export function apart(anchors: readonly Flat[], radius: number, [width, height]: Flat): Flat[] {
	const nodes = anchors.map(([x, y]) => ({ x, y, home: [x, y] as Flat }));
	const inside = () => {
		for (const node of nodes) {
			node.x = Math.min(width - radius, Math.max(radius, node.x));
			node.y = Math.min(height - radius, Math.max(radius, node.y));
		}
	};
	const simulation = forceSimulation(nodes)
		.force('x', forceX<(typeof nodes)[number]>(({ home }) => home[0]).strength(0.1))
		.force('y', forceY<(typeof nodes)[number]>(({ home }) => home[1]).strength(0.1))
		.force('collide', forceCollide(radius * 1.04).iterations(8))
		.force('inside', inside)
		.stop();
	simulation.tick(300);
	// What pulls them home ends first; nothing is left on top of another.
	simulation.force('x', null).force('y', null).alpha(1).tick(60);
	return nodes.map(({ x, y }) => [x, y]);
}
