/** What an advice is, by its id: its kind, the part it speaks of, where. */
import { axleOf, corners as allCorners, type Axle, type Corner } from '../height/corners.ts';
import { partKeys, type PartKey } from './points.ts';

export const lineKinds = [
	'before',
	'renew',
	'with-it',
	'hardware',
	'shelf',
	'align',
	're-set',
	'watch'
] as const;
export type LineKind = (typeof lineKinds)[number];

export const lineKindNames: Readonly<Record<LineKind, string>> = {
	before: 'Before parts are ordered',
	renew: 'Renew',
	'with-it': 'Goes with it',
	hardware: 'One-time fasteners',
	shelf: 'On the shelf before it starts',
	align: 'Afterwards',
	're-set': 'Set anew at ride height',
	watch: 'Look again'
};

const axles = ['front', 'rear'] as const;

/** What an advice's id says of it: its kind, the part it speaks of, where. */
export function readAdvice(id: string): {
	kind: LineKind;
	part?: PartKey;
	axle?: Axle;
	corner?: Corner;
} {
	const [kind, what, where] = id.split(':') as [LineKind, string, string | undefined];
	const corner = allCorners.find((one) => one === where);
	const axle = corner ? axleOf(corner) : axles.find((one) => one === where);
	const part = partKeys.find((one) => one === what);
	return { kind, ...(part && { part }), ...(axle && { axle }), ...(corner && { corner }) };
}

/** The advice to set anew what nobody touches. */
export const resetAdvice = (axle: Axle): string => `re-set:bushes:${axle}`;
