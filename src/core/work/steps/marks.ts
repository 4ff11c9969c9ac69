/** What sets the wheel by where it is fixed: scribed before it moves, on its mark before it is tight. */
import { jointId } from '../../assembly/graph.ts';
import type { Corner } from '../../height/corners.ts';
import type { LayoutJoint } from '../../layout/types.ts';
import { lowered } from './make.ts';
import type { Site } from './site.ts';

/** @param loose joints of a corner that come apart or are slackened */
export function marks(site: Site, corner: Corner, loose: readonly LayoutJoint[]): void {
	const found = loose.filter(({ sets }) => sets !== undefined);
	if (found.length === 0) return;
	const each = { joints: found.map(({ key }) => jointId(corner, key)) };
	const names = found.map(({ name }) => lowered(name)).join('; ');
	site.at(corner, 'scribe', found, 'scribe', { title: `Outline scribed: ${names}`, each });
	site.at(corner, 'to-mark', found, 'to-mark', { title: `Back to its mark: ${names}`, each });
}
