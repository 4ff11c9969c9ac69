/** What has to be bought for a job: parts by side and axle. */
import {
	axleOf,
	corners as allCorners,
	isLeft,
	type Axle,
	type Corner
} from '../height/corners.ts';
import type { LayoutJoint, PartKind } from '../layout/types.ts';
import { ruinedPart } from '../fastener/stuck-fastener.ts';
import { bushesOf } from '../work/jobs.ts';
import { partKeys, partNames, type PartKey } from '../inspect/points.ts';
import type { Hand } from './compare.ts';
import { axlePlans, type WorkScope } from '../work/scope.ts';
import { damperOf, isStrut, springSeat } from '../layout/shape.ts';
import { loosenedJoints } from '../work/assembly-steps.ts';
import type { Act, WorkStep } from '../work/step.ts';

export interface PartLine {
	id: string;
	name: string;
	axle?: Axle;
	corner?: Corner;
	hand: Hand;
	quantity: number;
	part: PartKey;
	/** Of an arm, or of bushes pressed into one: the arm. */
	layoutPart?: string;
	/** Of a fastener: its joint in the layout. */
	jointKey?: string;
}

/** A part that goes in because advice was accepted. */
export interface AcceptedPart {
	part: PartKey;
	corners: readonly Corner[];
}

/** A fastener that did not survive. */
interface Ruined {
	corner: Corner;
	joint: LayoutJoint;
}

/** The parts a scope, the accepted advice and ruined fasteners ask for. */
export function partLines(
	scope: WorkScope,
	accepted: readonly AcceptedPart[],
	ruined: readonly Ruined[] = []
): PartLine[] {
	const lines = new Map<string, PartLine>();
	const add = (line: PartLine) => {
		if (!lines.has(line.id)) lines.set(line.id, line);
	};
	const atCorner = (part: PartKey, corner: Corner, handed: boolean, name = partNames[part]) =>
		add({
			id: `${part}:${corner}`,
			name,
			axle: axleOf(corner),
			corner,
			hand: handed ? (isLeft(corner) ? 'left' : 'right') : 'either',
			quantity: 1,
			part
		});
	for (const plan of axlePlans(scope)) {
		const seat = springSeat(plan.layout);
		const onDamper = seat === 'on-damper';
		for (const corner of plan.corners) {
			if (plan.kit) continue;
			if (plan.damper) {
				const { name } = damperOf(plan.layout);
				const complete = onDamper && scope.strategy.assembly === 'complete';
				atCorner(
					'damper',
					corner,
					isStrut(plan.layout),
					complete ? `${name}, complete unit` : name
				);
			}
			const comesWithUnit = onDamper && plan.damper && scope.strategy.assembly === 'complete';
			if (plan.spring && seat !== 'air' && !comesWithUnit) atCorner('spring', corner, false);
		}
	}
	for (const { axle, corners, layout, jobs } of axlePlans(scope)) {
		for (const { job, name, part } of jobs) {
			for (const corner of cornersFor(job.takes, axle, corners)) {
				if (!part) {
					atCorner(job.part, corner, false);
					continue;
				}
				add({
					id: `${job.part}:${corner}:${part.key}`,
					name,
					axle,
					corner,
					hand: job.press ? 'either' : isLeft(corner) ? 'left' : 'right',
					quantity: job.press ? bushesOf(layout, part).length : 1,
					part: job.part,
					layoutPart: part.key
				});
			}
		}
	}
	// A kit is damper and spring.
	const kitted = new Set(axlePlans(scope).flatMap(({ kit, corners }) => (kit ? corners : [])));
	for (const line of accepted) {
		for (const corner of line.corners) {
			if (!kitted.has(corner) || !['damper', 'spring'].includes(line.part))
				atCorner(line.part, corner, false);
		}
	}
	const once = loosenedJoints(scope).flatMap(({ corner, key }) => {
		const joint = scope.layouts[axleOf(corner)].joints.find((one) => one.key === key);
		return joint?.oneTime ? [{ corner, joint }] : [];
	});
	for (const { corner, joint } of ruined) {
		const link = ruinedPart(scope.layouts[axleOf(corner)], joint) === 'drop-link';
		if (link) atCorner('drop-link', corner, false);
		else once.push({ corner, joint });
	}
	for (const { corner, joint } of once) {
		add({
			id: `hardware:${corner}:${joint.key}`,
			name: `New fastener: ${joint.name.toLowerCase()}`,
			axle: axleOf(corner),
			corner,
			hand: 'either',
			quantity: 1,
			part: 'hardware',
			jointKey: joint.key
		});
	}
	const rank = (line: PartLine) => [line.corner ?? '', partKeys.indexOf(line.part)] as const;
	return [...lines.values()].sort((a, b) => {
		const [x, y] = [rank(a), rank(b)];
		return x[0].localeCompare(y[0]) || x[1] - y[1];
	});
}

/** Links of a bar are renewed on both sides. */
const cornersFor = (takes: PartKind, axle: Axle, worked: readonly Corner[]): readonly Corner[] =>
	takes === 'link' ? allCorners.filter((corner) => axleOf(corner) === axle) : worked;

/** Parts that sit in a unit, or between a spring and its seats. */
const unitParts: readonly PartKey[] = ['bump-stop', 'boot', 'top-mount', 'top-bearing'];

/** The steps that put a part in; none for bushes and joints pressed in on the way, which a person ticks off. */
export function fittingSteps(line: PartLine, steps: readonly WorkStep[]): WorkStep[] {
	const { jointKey: joint } = line;
	// A nut that is only slackened gets its new one when it is tightened.
	const slackened = steps.some(({ acts }) =>
		acts.some((act) => act.do === 'slack' && act.corner === line.corner && act.joint === joint)
	);
	const puts = (act: Act): boolean => {
		if (!('corner' in act) || act.corner !== line.corner) return false;
		if (joint === 'shaft-nut') return act.do === 'shaft-on';
		if (joint) return act.do === (slackened ? 'tighten' : 'start') && act.joint === joint;
		if (line.layoutPart) return act.do === 'in' && act.part === line.layoutPart;
		if (line.part === 'bracket') return act.do === 'make' && act.what === 'bracket-on';
		if (line.part === 'bar-bush') return act.do === 'start' && act.joint === 'bar-bush';
		const isIn = (part: string) => act.do === 'in' && act.part === part;
		if (['damper', 'coilover'].includes(line.part) || unitParts.includes(line.part))
			return isIn('damper');
		if (line.part === 'spring' || line.part === 'spring-pads')
			return isIn('spring') || isIn('damper');
		return line.part === 'drop-link' && act.do === 'start' && act.joint.startsWith('drop-link');
	};
	return steps.filter(({ acts }) => acts.some(puts));
}
