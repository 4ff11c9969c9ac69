import type { ComparedPart, PartMeasures } from '../../../bench/compare.ts';
import type { Corner } from '../../../height/corners.ts';
import type { Typed } from '../typed.ts';

/** Subject `FL/damper`. */
export interface Data {
	corner: Corner;
	part: ComparedPart;
	old: PartMeasures;
	new: PartMeasures;
	typed: Typed;
	outcome: 'open' | 'fits' | 'explained' | 'returned';
	reason: string;
}
