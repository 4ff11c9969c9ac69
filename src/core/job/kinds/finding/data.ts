import type { Corner } from '../../../height/corners.ts';

/** Subject `FL/damper-oil`; a state of null takes the finding back. */
export interface Data {
	corner: Corner;
	point: string;
	state: string | null;
	where: string;
	note: string;
}
