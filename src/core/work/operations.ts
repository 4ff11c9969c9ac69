/**
 * The operations there are: what each needs to be so before it, and what it makes so or ends. The order of a
 * job follows from these alone (`needs.ts`). Words, minutes and tools are common practice, no source; the
 * minutes are for a first side without rust and are replaced by the shop's own as it records them.
 */
import { apart } from './operations/apart.ts';
import { minutes } from './operations/facts.ts';
import { prepare } from './operations/prepare.ts';
import { refit } from './operations/refit.ts';
import { set } from './operations/set.ts';
import { strip } from './operations/strip.ts';
import type { OperationData } from './operations/types.ts';

/** In the usual order of thought, which breaks ties. */
export const operations = {
	...prepare,
	...strip,
	...apart,
	...refit,
	...set,
	own: {
		phase: 'strip',
		title: 'A step of the shop’s own',
		minutes: minutes(2, 5, 10)
	}
} as const satisfies Record<string, OperationData>;

export type StepKind = keyof typeof operations;
export const stepKinds = Object.keys(operations) as StepKind[];
export const operation = (kind: StepKind): OperationData => operations[kind];
