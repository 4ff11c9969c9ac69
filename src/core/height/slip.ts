/** A reading that was mistyped or misread, asked about while the tape is still in the hand. Limits: own choice. */
import { median } from '../statistics/summary.ts';

export interface Slip {
	/** Which reading, counted from 0. */
	index: number;
	mm: number;
	/** What it is held against: the corner's other readings, or the other side of the axle. */
	against: 'readings' | 'other-side';
	/** How far it is off, mm, signed. */
	offMm: number;
	/** What was likely meant: the same digits with two of them changed, or one of them wrong. */
	meantMm?: number;
}

/** One reading further from the others than this is asked about, mm. */
const readingLimitMm = 20;
/** A whole corner further from the other side than this, mm; a broken spring lets one down by less. */
const sideLimitMm = 60;
/** What was meant lies this close to what it is held against, mm. */
const meantWithinMm = 12;

/**
 * @param readingsMm of one corner, in the order they were read
 * @param otherSideMm mean of the other side of the axle, where it was read
 */
export function findSlip(readingsMm: readonly number[], otherSideMm?: number): Slip | undefined {
	const others = (index: number) => readingsMm.filter((_, i) => i !== index);
	// The last one is what was just typed, so it is doubted first.
	for (let index = readingsMm.length - 1; index >= 0 && readingsMm.length > 1; index--) {
		const rest = others(index);
		const agree = Math.max(...rest) - Math.min(...rest) <= readingLimitMm;
		const reference = median(rest);
		const offMm = readingsMm[index]! - reference;
		// Of two readings that differ the other side decides which is doubted.
		const doubted =
			rest.length > 1 ||
			otherSideMm === undefined ||
			Math.abs(readingsMm[index]! - otherSideMm) >= Math.abs(reference - otherSideMm);
		if (agree && doubted && Math.abs(offMm) > readingLimitMm) {
			return slip(index, readingsMm[index]!, 'readings', reference);
		}
	}
	if (otherSideMm === undefined || readingsMm.length === 0) return undefined;
	const off = median(readingsMm) - otherSideMm;
	const last = readingsMm.length - 1;
	return Math.abs(off) > sideLimitMm
		? slip(last, readingsMm[last]!, 'other-side', otherSideMm)
		: undefined;
}

function slip(index: number, mm: number, against: Slip['against'], reference: number): Slip {
	const meantMm = against === 'readings' ? meant(mm, reference) : undefined;
	return { index, mm, against, offMm: mm - reference, ...(meantMm && { meantMm }) };
}

/** The same digits with two neighbours, or any two, changed over; undefined where none comes close. */
function meant(mm: number, reference: number): number | undefined {
	if (!Number.isInteger(mm)) return undefined;
	const digits = [...String(mm)];
	const tries = digits.flatMap((_, i) =>
		digits.slice(i + 1).map((_, k) => {
			const swapped = [...digits];
			[swapped[i], swapped[i + 1 + k]] = [swapped[i + 1 + k]!, swapped[i]!];
			return Number(swapped.join(''));
		})
	);
	const close = tries.filter((one) => Math.abs(one - reference) <= meantWithinMm);
	return close.sort((a, b) => Math.abs(a - reference) - Math.abs(b - reference))[0];
}
