/** What is to be renewed, and which way it is gone about. */
import { axleOf, corners as allCorners, type Axle, type Corner } from '../height/corners.ts';
import type { Layout } from '../layout/types.ts';

export const rustGrades = ['none', 'light', 'heavy'] as const;
export type RustGrade = (typeof rustGrades)[number];

export const rustNames: Readonly<Record<RustGrade, string>> = {
	none: 'Clean threads',
	light: 'Light rust',
	heavy: 'Heavy rust, salt region'
};

/** Hours between the oil and the first spanner: a night in a salt region. Common practice, no source. */
export const soakNeeded = (rust: RustGrade): number => (rust === 'heavy' ? 12 : 0);

export interface Strategy {
	/** Struts and coilovers: old spring onto a new damper, or a unit that comes complete. */
	assembly: 'rebuild' | 'complete';
	/** Springs on an arm: the arm let down, or the spring drawn together where it stands. */
	springOut: 'lower-arm' | 'internal-compressor';
	/** Which end of a damper comes off first. */
	first: 'bottom' | 'top';
	sides: 'one-by-one' | 'together';
	people: 1 | 2;
	load: 'jack-to-height' | 'on-wheels';
}

export const usualStrategy: Strategy = {
	assembly: 'rebuild',
	springOut: 'lower-arm',
	first: 'bottom',
	sides: 'one-by-one',
	people: 1,
	load: 'jack-to-height'
};

/** What is renewed on one axle. */
export interface AxleScope {
	damper: boolean;
	spring: boolean;
	/** Bushes or links of the arms come off: renewed. */
	bushes: boolean;
	/** Arm rubber that nothing else touches is loosened, settled and set anew: the height changes. */
	reset?: boolean;
}

export interface WorkScope {
	axles: Partial<Record<Axle, AxleScope>>;
	corners: readonly Corner[];
	layouts: Record<Axle, Layout>;
	strategy: Strategy;
	rust: RustGrade;
}

/** What a scope means for one axle's corners. */
export interface AxlePlan extends AxleScope {
	axle: Axle;
	layout: Layout;
	/** Corners that are worked on; both of an axle whose beam comes down. */
	corners: readonly Corner[];
	/** The damper comes out of the car. */
	damperOut: boolean;
	/** Its lower end comes off. */
	bottomOff: boolean;
	/** Its spring is taken off it on the bench. */
	rebuilt: boolean;
	/** A spring on the arm comes out. */
	armSpring: 'lower-arm' | 'internal-compressor' | undefined;
	hasLinks: boolean;
}

/** Reads a scope axle by axle; an axle with nothing to renew is left out. */
export function axlePlans(scope: WorkScope): AxlePlan[] {
	return (['front', 'rear'] as const).flatMap((axle): AxlePlan[] => {
		const want = scope.axles[axle];
		const worked = allCorners.filter((c) => axleOf(c) === axle && scope.corners.includes(c));
		const { damper, spring, bushes, reset } = want ?? {};
		if (!want || worked.length === 0 || !(damper || spring || bushes || reset)) return [];
		const layout = scope.layouts[axle];
		const { build } = layout;
		const armSpring =
			build.spring === 'on-arm' && want.spring ? scope.strategy.springOut : undefined;
		const damperOut = want.damper || (build.spring !== 'on-arm' && want.spring);
		const bothSides = build.oneBody && armSpring === 'lower-arm';
		return [
			{
				...want,
				axle,
				layout,
				corners: bothSides ? allCorners.filter((c) => axleOf(c) === axle) : worked,
				damperOut,
				bottomOff: damperOut || armSpring === 'lower-arm',
				rebuilt: damperOut && build.spring === 'on-damper' && scope.strategy.assembly === 'rebuild',
				armSpring,
				hasLinks: layout.joints.some(({ key }) => key.startsWith('drop-link'))
			}
		];
	});
}
