import type { StackPart, UnitChecks } from '../../../bench/stack.ts';
import type { Typed } from '../typed.ts';

/** Subject the corner. */
export interface Data {
	order: StackPart[];
	checks: UnitChecks;
	typed: Typed;
}
