/** What becomes of the parts of an old unit that is taken apart: from what was found and decided. */
import { stackOf, type StackPart } from '../bench/stack.ts';
import type { Corner } from '../height/corners.ts';
import type { AxlePlan } from '../work/scope.ts';
import { findPoint, findState, inspectionPoints, type Gravity, type PartKey } from './points.ts';
import type { Finding, Recommendation } from './recommend.ts';

/**
 * renewed: a new one goes in; again: the old one, seen sound or worth another look; unseen: the old one,
 * if it is sound; against-advice: the old one, found worn.
 */
export type OldPartFate = 'renewed' | 'again' | 'unseen' | 'against-advice';

export interface OldPart {
	part: StackPart;
	name: string;
	fate: OldPartFate;
	why: string;
}

/** Parts of a unit as they are inspected and bought; the others are never bought alone. */
export const boughtAs: Partial<Record<StackPart, PartKey>> = {
	damper: 'damper',
	'lower-pad': 'spring-pads',
	spring: 'spring',
	'bump-stop': 'bump-stop',
	boot: 'boot',
	'upper-pad': 'spring-pads',
	bearing: 'top-bearing',
	mount: 'top-mount',
	washer: 'top-mount'
};

/**
 * The parts of one axle's units, rebuilt, from the bottom up.
 *
 * @param lines advice on the job, with what the customer declined
 */
export function oldParts(
	{ layout, corners, damper, spring }: Pick<AxlePlan, 'layout' | 'corners' | 'damper' | 'spring'>,
	findings: readonly Finding[],
	lines: readonly (Recommendation & { declined: boolean })[]
): OldPart[] {
	const points = inspectionPoints(layout);
	const meant: Partial<Record<PartKey, boolean>> = { damper, spring };

	const foundOn = (part: PartKey) => {
		const own = points.filter((point) => point.part === part).map(({ key }) => key);
		return findings.flatMap(({ corner, point, state }) => {
			const found = own.includes(point) ? findState(findPoint(point)!, state) : undefined;
			return found && corners.includes(corner) ? [{ corner, point, ...found }] : [];
		});
	};
	const judge = (key: StackPart): Pick<OldPart, 'fate' | 'why'> => {
		if (key === 'shaft-nut') return { fate: 'renewed', why: 'used once by its kind' };
		const part = boughtAs[key];
		if (!part) return { fate: 'unseen', why: 'looked at when the unit is apart' };
		if (meant[part]) return { fate: 'renewed', why: 'what the job is for' };
		const line = lines.find(
			(one) =>
				one.part === part &&
				['renew', 'with-it'].includes(one.kind) &&
				one.corners.some((corner) => corners.includes(corner))
		);
		if (line && !line.declined) return { fate: 'renewed', why: lowered(line.reasons[0]!) };
		const found = foundOn(part);
		const of = (gravity: Gravity) => found.filter((one) => one.gravity === gravity);
		const say = (list: typeof found) =>
			list.map(({ corner, name }) => `${name.toLowerCase()} at ${corner}`).join(', ');
		if (of('worn').length) return { fate: 'against-advice', why: say(of('worn')) };
		const declined = line ? 'declined; ' : '';
		const wanted = points.filter((point) => point.part === part);
		const blind = corners.filter((corner) =>
			wanted.some(({ key: point }) => !seen(found, corner, point))
		);
		if (wanted.length === 0) return { fate: 'unseen', why: `${declined}looked at when apart` };
		if (blind.length) {
			return { fate: 'unseen', why: `${declined}not looked at yet at ${blind.join(' and ')}` };
		}
		const watched = of('watch');
		return { fate: 'again', why: `${declined}${say(watched.length ? watched : found)}` };
	};
	return stackOf(layout).map(({ key, name }) => ({
		part: key,
		name: name.replace(/, new$/, ''),
		...judge(key)
	}));
}

const seen = (
	found: readonly { corner: Corner; point: string }[],
	corner: Corner,
	point: string
): boolean => found.some((one) => one.corner === corner && one.point === point);

/** A sentence as the end of a line. */
const lowered = (sentence: string) =>
	/^[A-Z][a-z]/.test(sentence)
		? `${sentence[0]!.toLowerCase()}${sentence.slice(1).replace(/\.$/, '')}`
		: sentence.replace(/\.$/, '');
