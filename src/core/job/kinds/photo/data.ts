import type { Corner } from '../../../height/corners.ts';

/** Subject the photo's id: the id of its first entry. The picture itself is kept beside the book. */
export interface Data {
	corner: Corner | null;
	/** What it shows: a point of the inspection, a step of the work. */
	about: string;
	note: string;
	width: number;
	height: number;
	/** SHA-256 of the kept JPEG, hex; null for a picture from before there was one. */
	digest: string | null;
	withdrawn: boolean;
}
