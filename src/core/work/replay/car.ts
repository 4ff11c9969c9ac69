/** What of a car matters to its support and its stored energy. */
import { axleOf, corners as allCorners, type Axle, type Corner } from '../../height/corners.ts';
import type { Layout } from '../../layout/types.ts';
import { axlePlans, type WorkScope } from '../scope.ts';

/** tight: as it was or at its torque; slack: loose, but held by its threads. */
type JointState = 'tight' | 'slack' | 'out' | 'started';

export interface CornerState {
	joints: Map<string, JointState>;
	/** Loosened in this job and not at its torque since. */
	owed: Set<string>;
	wheelOn: boolean;
	hoseOn: boolean;
	oiled: boolean;
	marked: boolean;
	trimOn: boolean;
	jack: boolean;
	tied: boolean;
	/** The arm is down far enough for its spring to be loose. */
	lowered: boolean;
	squeezed: boolean;
	springIn: boolean;
	damperIn: boolean;
	compared: boolean;
	compressed: boolean;
	shaftNutOn: boolean;
	stacked: boolean;
	pressure: boolean;
	loaded: boolean;
	cracked: boolean;
}

/** A car before the work, and what can be asked about it; it changes as it is played. */
export function freshCar(scope: WorkScope) {
	const worked = axlePlans(scope).flatMap(({ corners }) => corners);
	const layoutOf = (corner: Corner): Layout => scope.layouts[axleOf(corner)];
	const state = new Map(allCorners.map((corner) => [corner, freshCorner(layoutOf(corner))]));
	const at = (corner: Corner) => state.get(corner)!;
	const body = {
		up: 'ground' as 'ground' | 'jack' | 'stands',
		heightsRead: false,
		wheelsLoose: false,
		wheelsTorqued: false,
		chocked: false,
		live: true
	};

	const sidesOf = (axle: Axle) => allCorners.filter((corner) => axleOf(corner) === axle);
	const jointOut = (corner: Corner, key: string) => at(corner).joints.get(key) === 'out';
	/** Both ends of the damper are on, so the arm hangs on it. */
	const damperHolds = (corner: Corner) => {
		const { build } = layoutOf(corner);
		return [build.bottom, build.top].every((end) => end.some((key) => !jointOut(corner, key)));
	};
	const linkOn = (corner: Corner) => {
		const link = layoutOf(corner).joints.find(({ key }) => key.startsWith('drop-link'));
		return link !== undefined && !jointOut(corner, link.key);
	};
	const linksOn = (corner: Corner) => sidesOf(axleOf(corner)).filter(linkOn).length;
	/** Corners whose wheel moves when this one's does. */
	const together = (corner: Corner) =>
		layoutOf(corner).build.oneBody ? sidesOf(axleOf(corner)) : [corner];

	/** Rigid joints of a corner that were undone and do not have their torque, its links among them. */
	function rigidOwed(corner: Corner): string[] {
		const { joints } = layoutOf(corner);
		return [...at(corner).owed].filter((key) => {
			const joint = joints.find((one) => one.key === key)!;
			return joint.rule === 'any-time' && !linkWaits(key);
		});
	}
	/** A link may wait for the other side while the jack goes away, not while the car is loaded. */
	const linkWaits = (key: string) => key.startsWith('drop-link');
	/** The knuckle is where it stays. */
	function placed(corner: Corner): boolean {
		const c = at(corner);
		const { build } = layoutOf(corner);
		const ends = [
			...build.bottom,
			...build.top,
			...(build.alsoUndone ?? []),
			...(build.heldBy ? [build.heldBy.joint] : [])
		];
		return !c.lowered && c.springIn && ends.every((key) => !jointOut(corner, key));
	}

	return {
		scope,
		worked,
		body,
		at,
		layoutOf,
		sidesOf,
		jointOut,
		damperHolds,
		linksOn,
		together,
		rigidOwed,
		placed
	};
}
export type Car = ReturnType<typeof freshCar>;

function freshCorner({ joints, build }: Layout): CornerState {
	return {
		joints: new Map(joints.map(({ key }) => [key, 'tight'])),
		owed: new Set(),
		wheelOn: true,
		hoseOn: true,
		oiled: false,
		marked: false,
		trimOn: build.access !== undefined,
		jack: false,
		tied: false,
		lowered: false,
		squeezed: false,
		springIn: true,
		damperIn: true,
		compared: false,
		compressed: false,
		shaftNutOn: true,
		stacked: true,
		pressure: build.spring === 'air',
		loaded: false,
		cracked: false
	};
}
