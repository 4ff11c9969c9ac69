/** Which steps a job takes: from what its layouts are built of and the way chosen. No order yet. */
import { isLeft, type Axle, type Corner } from '../height/corners.ts';
import type { Layout, LayoutJoint } from '../layout/types.ts';
import { kindData, stepKinds, type StepKind } from './kinds.ts';
import { axlePlans, type AxlePlan, type WorkScope } from './scope.ts';
import type { Act, WorkStep } from './step.ts';

const jointOf = (layout: Layout, key: string): LayoutJoint =>
	layout.joints.find((joint) => joint.key === key)!;

/** Drop link joints of a layout. */
const linkKeys = (layout: Layout) =>
	layout.joints.filter(({ key }) => key.startsWith('drop-link')).map(({ key }) => key);

/** Brackets that come off with the hose: all but an air strut's. */
const bracketKeys = (layout: Layout) =>
	layout.joints.filter(({ place }) => place === 'bracket').map(({ key }) => key);

/** Rubber of the arms: all but the damper's own, and but for what a spring is let out by. */
const armRubber = ({ layout: { build, joints }, armSpring }: AxlePlan) =>
	joints
		.filter(({ kind, key }) => kind === 'bonded-bush' && !build.bottom.includes(key))
		.filter(({ key }) => armSpring !== 'lower-arm' || key !== build.heldBy?.joint)
		.map(({ key }) => key);

/** Every joint of one link: `arm-body`, `arm-axle-front` … */
const linkJoints = ({ joints }: Layout, bodyKey: string) => {
	const stem = bodyKey.replace(/body$/, '');
	return joints.filter(({ key }) => key.startsWith(stem)).map(({ key }) => key);
};

interface Parts {
	acts: readonly Act[];
	joints?: WorkStep['joints'];
	title?: string;
	tail?: string;
	minutesFor?: number;
}

/** The steps of a job, unordered but for the order they are thought of in. */
export function workSteps(scope: WorkScope): WorkStep[] {
	const plans = axlePlans(scope);
	if (plans.length === 0) return [];
	const all = plans.flatMap(({ corners }) => corners);
	const steps: WorkStep[] = [];

	const add = (
		kind: StepKind,
		at: 'car' | Axle | Corner,
		corners: readonly Corner[],
		{ acts, joints = [], title, tail = '', minutesFor = 1 }: Parts,
		layout?: Layout
	) => {
		const data = kindData(kind);
		const first = joints[0] && layout ? jointOf(layout, joints[0].key) : undefined;
		const { low, likely, high } = data.minutes;
		const driven = layout?.build.driveShaft ? data.drivenCaution : undefined;
		const caution = [data.caution, driven].filter(Boolean).join(' ');
		steps.push({
			id: `${at}/${kind}${tail}`,
			kind,
			phase: data.phase,
			at,
			corners,
			spot: data.phase === 'bench' ? 'bench' : at,
			title: title ?? data.title,
			joints,
			...(first && { place: first.place }),
			...((data.tool ?? toolFor(joints, layout)) && {
				tool: data.tool ?? toolFor(joints, layout)
			}),
			...(caution && { caution }),
			...(data.gate && { gate: data.gate }),
			...(data.doneIn && { doneIn: data.doneIn }),
			minutes: { low: low * minutesFor, likely: likely * minutesFor, high: high * minutesFor },
			acts
		});
	};
	const car = (kind: StepKind, acts: readonly Act[]) => add(kind, 'car', all, { acts });

	if (scope.rust !== 'none') {
		for (const corner of all) add('soak', corner, [corner], { acts: [{ do: 'soak', corner }] });
	}
	car('heights-before', [{ do: 'read-heights' }]);
	car('crack-wheels', [{ do: 'crack-wheels' }]);
	if (plans.some(({ layout }) => layout.build.spring === 'air')) {
		car('ignition-off', [{ do: 'ignition-off' }]);
	}
	car('chock', [{ do: 'chock' }]);
	car('lift', [{ do: 'lift' }]);
	car('stands', [{ do: 'stands' }]);
	for (const plan of plans) axleSteps(plan, scope, add);
	car('ground', [{ do: 'ground' }]);
	car('torque-wheels', [{ do: 'torque-wheels' }]);
	car('heights-after', [{ do: 'read-heights-after' }]);
	return steps;
}

type Add = (
	kind: StepKind,
	at: 'car' | Axle | Corner,
	corners: readonly Corner[],
	parts: Parts,
	layout?: Layout
) => void;

function axleSteps(plan: AxlePlan, scope: WorkScope, add: Add): void {
	const { axle, layout, corners } = plan;
	const { build } = layout;
	const moves = plan.bottomOff || plan.armSpring !== undefined || plan.bushes || plan.reset;

	/** One step at a corner over joints of it. */
	const at = (
		corner: Corner,
		kind: StepKind,
		keys: readonly string[],
		deed: ((joint: string) => Act[]) | Act[],
		more: Partial<Parts> = {}
	) =>
		add(
			kind,
			corner,
			[corner],
			{
				acts: typeof deed === 'function' ? keys.flatMap(deed) : deed,
				joints: keys.map((key) => ({ corner, key })),
				...more
			},
			layout
		);
	const undo = (corner: Corner) => (joint: string) => [{ do: 'undo', corner, joint }] as Act[];
	const start = (corner: Corner) => (joint: string) => [{ do: 'start', corner, joint }] as Act[];
	const names = (keys: readonly string[]) =>
		keys.map((key) => jointOf(layout, key).name.toLowerCase()).join(', ');

	if (plan.hasLinks && moves) {
		// A link hangs on both sides of the axle: also where only one side is worked on.
		const sides = corners.length === 2 ? corners : bothOf(axle);
		const keys = linkKeys(layout).slice(0, 1);
		const links = sides.flatMap((corner) => keys.map((key) => ({ corner, key })));
		const acts = (deed: 'undo' | 'start' | 'tighten') =>
			links.map(({ corner, key }): Act => ({ do: deed, corner, joint: key }));
		add('links-off', axle, sides, { acts: acts('undo'), joints: links }, layout);
		add('links-on', axle, sides, { acts: acts('start'), joints: links }, layout);
		add('links-tight', axle, sides, { acts: acts('tighten'), joints: links }, layout);
	}

	for (const corner of corners) {
		const one = (kind: StepKind, ...deeds: Exclude<Act['do'], 'undo'>[]) =>
			at(
				corner,
				kind,
				[],
				deeds.map((deed) => ({ do: deed, corner }) as Act)
			);
		one('wheel-off', 'wheel-off');
		one('mark', 'mark');
		if (build.access && plan.damperOut) {
			at(corner, 'trim-off', [], [{ do: 'trim-off', corner }], {
				title: `Off, to reach the upper end: ${build.access[0]!.toLowerCase()}${build.access.slice(1)}`
			});
		}
		if (build.spring === 'air' && plan.damperOut) one('vent', 'vent');
		if (moves) {
			const brackets = bracketKeys(layout);
			at(corner, 'hose-off', brackets, [
				{ do: 'hose-off', corner },
				...brackets.flatMap(undo(corner))
			]);
			at(corner, 'hose-on', brackets, [
				...brackets.flatMap(start(corner)),
				{ do: 'hose-on', corner }
			]);
			one('support', 'support');
			one('unsupport', 'unsupport');
		}
		if (plan.bushes && build.links) {
			for (const link of build.links) {
				if (link.startsWith('lateral') && !isLeft(corner)) continue;
				const keys = linkJoints(layout, link);
				const name = jointOf(layout, link).name.toLowerCase();
				const tail = `:${link}`;
				at(corner, 'link-off', keys, undo(corner), { tail, title: `Link off: ${name}` });
				at(corner, 'link-on', keys, start(corner), { tail, title: `On again by hand: ${name}` });
			}
		} else if (plan.bushes || plan.reset) {
			at(corner, 'slack-bushes', looseRubber(plan, corner), (joint) => [
				{ do: 'slack', corner, joint }
			]);
		}
		if (plan.damperOut) {
			if (build.damper === 'strut' && !build.oneBody) {
				one('tie', 'tie');
				one('untie', 'untie');
			}
			if (build.airLine) {
				at(corner, 'air-line-off', [build.airLine], undo(corner));
				at(corner, 'air-line-on', [build.airLine], start(corner));
			}
			if (build.alsoUndone) {
				const title = `Undone so that the knuckle swings clear: ${names(build.alsoUndone)}`;
				at(corner, 'free-knuckle', build.alsoUndone, undo(corner), { title });
				at(corner, 'knuckle-on', build.alsoUndone, start(corner), {
					title: `Back, started by hand: ${names(build.alsoUndone)}`
				});
			}
			at(corner, 'undo-top', build.top, undo(corner), {
				title: `Upper end undone: ${names(build.top)}`
			});
			one('damper-out', 'damper-out');
		}
		if (plan.bottomOff) {
			at(corner, 'undo-bottom', build.bottom, undo(corner), {
				title: `Lower end undone: ${names(build.bottom)}`
			});
			const ends = plan.damperOut ? [...build.top, ...build.bottom] : build.bottom;
			at(
				corner,
				'damper-in',
				ends,
				[
					...(plan.damperOut ? [{ do: 'damper-in', corner } as Act] : []),
					...ends.flatMap(start(corner))
				],
				plan.damperOut ? {} : { title: 'Damper’s lower end back, started by hand' }
			);
		}
		if (plan.damperOut || plan.armSpring) one('compare', 'compare');
		if (plan.rebuilt) {
			one('compress', 'compress');
			one('shaft-off', 'shaft-off');
			one('restack', 'restack');
			one('shaft-on', 'shaft-on');
			one('release', 'release');
		} else if (plan.damperOut) one('prime');
		if (plan.armSpring) armSpringSteps(plan, corner, at, one);
		if (moves) {
			const keys = rigidUndone(plan);
			at(corner, 'tighten', keys, (joint) => [{ do: 'tighten', corner, joint }]);
			const rubber = rubberUndone(plan, corner);
			if (rubber.length) {
				one('load', 'load');
				at(corner, 'set-rubber', rubber, (joint) => [{ do: 'tighten', corner, joint }]);
			}
		}
		one('wheel-on', 'wheel-on');
	}

	if (plan.armSpring === 'lower-arm' && build.oneBody) {
		const acts = (deed: 'lower' | 'raise') => corners.map((corner): Act => ({ do: deed, corner }));
		const body = layout.mechanism === 'twist-beam' ? 'beam' : 'axle';
		add('lower', axle, corners, {
			acts: acts('lower'),
			title: `Lower the ${body} slowly until both springs are loose`
		});
		add('raise', axle, corners, {
			acts: acts('raise'),
			title: `Raise the ${body} until the holes line up`
		});
	}
}

function armSpringSteps(
	{ layout: { build }, armSpring }: AxlePlan,
	corner: Corner,
	at: (
		corner: Corner,
		kind: StepKind,
		keys: readonly string[],
		deed: Act[],
		more?: Partial<Parts>
	) => void,
	one: (kind: StepKind, ...deeds: Exclude<Act['do'], 'undo'>[]) => void
): void {
	one('spring-out', 'spring-out');
	one('spring-in', 'spring-in');
	if (armSpring === 'internal-compressor') {
		one('squeeze', 'squeeze');
		one('unsqueeze', 'unsqueeze');
		return;
	}
	if (build.heldBy) {
		const { joint, taper } = build.heldBy;
		if (taper) {
			at(
				corner,
				'crack-taper',
				[joint],
				[
					{ do: 'slack', corner, joint },
					{ do: 'crack', corner, joint }
				]
			);
		}
		at(corner, 'holder-off', [joint], [{ do: 'undo', corner, joint }]);
		at(corner, 'holder-on', [joint], [{ do: 'start', corner, joint }]);
	}
	if (!build.oneBody) {
		one('lower', 'lower');
		one('raise', 'raise');
	}
}

/** Joints of a corner that a plan undoes and that are tightened before it is loaded, in their order. */
function rigidUndone(plan: AxlePlan): string[] {
	const undone = cornerUndone(plan);
	return plan.layout.joints
		.filter(({ key, rule }) => undone.includes(key) && rule === 'any-time')
		.map(({ key }) => key);
}

/** Rubber of a corner that a plan undoes or slackens. */
function rubberUndone(plan: AxlePlan, corner: Corner): string[] {
	const undone = [
		...cornerUndone(plan),
		...(plan.bushes || plan.reset ? looseRubber(plan, corner) : [])
	];
	return plan.layout.joints
		.filter(({ key, rule }) => undone.includes(key) && rule === 'ride-height')
		.map(({ key }) => key);
}

function looseRubber(plan: AxlePlan, corner: Corner): string[] {
	const { layout } = plan;
	if (!layout.build.links) return armRubber(plan);
	return layout.build.links
		.filter((link) => !link.startsWith('lateral') || isLeft(corner))
		.flatMap((link) => linkJoints(layout, link));
}

/** Joints undone at each corner but for arm rubber and the axle's drop links. */
function cornerUndone({ layout, damperOut, bottomOff, armSpring }: AxlePlan): string[] {
	const { build } = layout;
	return [
		...bracketKeys(layout),
		...(bottomOff ? build.bottom : []),
		...(damperOut ? [...build.top, ...(build.alsoUndone ?? [])] : []),
		...(damperOut && build.airLine ? [build.airLine] : []),
		...(armSpring === 'lower-arm' && build.heldBy ? [build.heldBy.joint] : [])
	];
}

/** Every joint a plan leaves loose, so that the round owes it. */
export function loosenedJoints(scope: WorkScope): { corner: Corner; key: string }[] {
	const found = new Map<string, { corner: Corner; key: string }>();
	for (const step of workSteps(scope)) {
		for (const act of step.acts) {
			if (act.do !== 'undo' && act.do !== 'slack') continue;
			found.set(`${act.corner}/${act.joint}`, { corner: act.corner, key: act.joint });
		}
		if (step.kind === 'shaft-off' || step.kind === 'wheel-off') {
			const corner = step.corners[0]!;
			const key = step.kind === 'shaft-off' ? 'shaft-nut' : 'wheel-fasteners';
			found.set(`${corner}/${key}`, { corner, key });
		}
	}
	return [...found.values()];
}

const bothOf = (axle: Axle): readonly Corner[] => (axle === 'front' ? ['FL', 'FR'] : ['RL', 'RR']);

function toolFor(joints: WorkStep['joints'], layout?: Layout): string | undefined {
	if (joints.length === 0 || !layout) return undefined;
	const held = joints.some(({ key }) => jointOf(layout, key).holdStud);
	return held ? 'Spanner and hex for the stud' : 'Socket and spanner';
}

/** Where a kind stands in the usual order of thought; only breaks ties. */
export const kindRank = (kind: StepKind): number => stepKinds.indexOf(kind);
