/** Maker's numbers of parts held against each other: left and right, old and new. */
import { axleOf } from '../height/corners.ts';
import type { PartLine } from './parts.ts';

/** A part with the number on it, and on the one that came out. */
export interface NumberedPart extends Pick<
	PartLine,
	'id' | 'part' | 'corner' | 'hand' | 'jointKey'
> {
	number: string;
	oldNumber?: string;
}

/** As makers, boxes and scanners write one and the same: without spaces, hyphens and points, in capitals. */
export const plainNumber = (number: string): string =>
	number.toUpperCase().replace(/[\s.\-_/]/g, '');

/** The same part on the other side of the axle; undefined where there is none. */
export const otherSide = <T extends NumberedPart>(
	part: NumberedPart,
	parts: readonly T[]
): T | undefined =>
	parts.find(
		(one) =>
			one.id !== part.id &&
			one.part === part.part &&
			one.jointKey === part.jointKey &&
			one.corner !== undefined &&
			part.corner !== undefined &&
			axleOf(one.corner) === axleOf(part.corner)
	);

export interface NumberDoubt {
	words: string;
	/** Wrong as far as numbers can say; else only worth a look. */
	wrong: boolean;
}

/**
 * What a part's number says against the other side's and the old part's. Handed parts have two numbers; all
 * others one. Common practice, no source; makers supersede numbers, so another one is only worth a look.
 */
export function numberDoubt(
	part: NumberedPart,
	parts: readonly NumberedPart[]
): NumberDoubt | undefined {
	const own = plainNumber(part.number);
	if (!own) return undefined;
	const other = plainNumber(otherSide(part, parts)?.number ?? '');
	if (other && part.hand !== 'either' && own === other) {
		return { wrong: true, words: 'the same number left and right, and it is a handed part' };
	}
	if (other && part.hand === 'either' && own !== other) {
		return { wrong: false, words: 'another number than on the other side' };
	}
	const old = plainNumber(part.oldNumber ?? '');
	return old && old !== own
		? { wrong: false, words: 'another number than the old part: superseded, or another part?' }
		: undefined;
}

/** A part's number goes to the other side too, where that has none and the part fits both. */
export function copiedTo<T extends NumberedPart>(
	part: NumberedPart,
	parts: readonly T[]
): T | undefined {
	const other = otherSide(part, parts);
	return part.hand === 'either' && other && !other.number.trim() ? other : undefined;
}

/** What a scan says: parts that have this number and are looked for, else those that have none yet. */
export function scanned<T extends NumberedPart & { here: boolean }>(
	code: string,
	parts: readonly T[]
): { known: T[]; open: T[] } {
	const wanted = plainNumber(code);
	const known = parts.filter(({ number }) => plainNumber(number) === wanted);
	const missing = known.filter(({ here }) => !here);
	return {
		known: missing.length ? missing : known,
		open: known.length ? [] : parts.filter(({ number, here }) => !number.trim() && !here)
	};
}
