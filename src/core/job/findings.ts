/** What was found at a job's car, as it counts now. */
import { findPoint } from '../inspect/points.ts';
import type { Finding } from '../inspect/recommend.ts';
import type { Corner } from '../height/corners.ts';
import type { WorkBook } from './work-book.ts';

export function findingsOf(book: WorkBook): Finding[] {
	return book
		.of('finding')
		.flatMap(({ data: { corner, point, state, where } }) =>
			state === null || !findPoint(point) ? [] : [{ corner, point, state, ...(where && { where }) }]
		);
}

const springStates = ['broken', 'sagged'] as const;

/** What of a corner's spring makes the height it stood at worth nothing; undefined of a sound one. */
export function springFinding(book: WorkBook, corner: Corner): Finding | undefined {
	return findingsOf(book).find(
		(found) =>
			found.corner === corner &&
			found.point === 'spring' &&
			springStates.some((state) => state === found.state)
	);
}
