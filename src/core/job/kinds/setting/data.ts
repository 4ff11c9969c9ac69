import type { Setting } from '../../../bench/setting.ts';
import type { Typed } from '../typed.ts';

/** Subject the corner. */
export interface Data extends Setting {
	typed: Typed;
}
