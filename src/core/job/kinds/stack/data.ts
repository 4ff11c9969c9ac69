import type { Changes, StackPart, UnitChecks } from '../../../bench/stack.ts';
import type { Typed } from '../typed.ts';

/** Subject the corner. */
export interface Data {
	order: StackPart[];
	checks: UnitChecks;
	/** What changed over from the old one, and which way round. */
	changed?: Changes;
	typed: Typed;
}
