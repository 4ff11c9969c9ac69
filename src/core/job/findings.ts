/** What was found at a job's car, as it counts now. */
import { findPoint } from '../inspect/points.ts';
import type { BounceFinding } from '../inspect/dampers.ts';
import type { Finding } from '../inspect/recommend.ts';
import { corners, type Corner } from '../height/corners.ts';
import type { Phase } from './model.ts';
import type { WorkBook } from './work-book.ts';

export function findingsOf(book: WorkBook): Finding[] {
	return book
		.of('finding')
		.flatMap(({ data: { corner, point, state, where } }) =>
			state === null || !findPoint(point) ? [] : [{ corner, point, state, ...(where && { where }) }]
		);
}

/** What a bounce of a corner is kept under. */
export const bounceSubject = (corner: Corner, phase: Phase): string =>
	phase === 'before' ? corner : `${corner}/after`;

/** What a bounce of a corner gave, as it came or once the work is done; undefined where nobody bounced it. */
export function bounceOf(book: WorkBook, corner: Corner, phase: Phase): BounceFinding | undefined {
	const kept = book.get('bounce', bounceSubject(corner, phase));
	if (!kept || (kept.movements === null && kept.dampingRatio === undefined)) return undefined;
	const { movements, dampingRatio, expanded } = kept;
	return { corner, movements: movements ?? undefined, dampingRatio, expanded };
}

export const bouncesOf = (book: WorkBook, phase: Phase): BounceFinding[] =>
	corners.flatMap((corner) => bounceOf(book, corner, phase) ?? []);

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
