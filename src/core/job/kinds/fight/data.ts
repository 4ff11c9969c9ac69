import type { FightOutcome, RungKey } from '../../../fastener/stuck-fastener.ts';

/** Subject the joint of the layout, as `FL/drop-link-upper`. */
export interface Data {
	/** In the order they were tried. */
	tried: RungKey[];
	outcome: FightOutcome;
	note: string;
}
