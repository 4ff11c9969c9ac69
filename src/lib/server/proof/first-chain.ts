/**
 * The chain that jobs had before the book: over readings, torques and loadings only, each as the row it
 * was. It is kept with the entry that carried the job over, and still proved.
 */
import canonicalize from 'canonicalize';
import { createHash } from 'node:crypto';
import type { Entry } from '../../../core/job/book/entry.ts';
import type { FirstLink } from '../../../core/job/kinds/carried/data.ts';

/** @returns what does not hold, in words; undefined where all of it does */
export function proveFirstChain(
	jobId: string,
	entries: readonly Entry[],
	chain: readonly FirstLink[]
): string | undefined {
	const rows = new Map(entries.map((entry) => [entry.id, entry]));
	let before = '0'.repeat(64);
	for (const { kind, id, hash } of chain) {
		const row = rows.get(id);
		const was = row && firstRow(row);
		if (!was) return `the ${kind} ${id} of the first chain was removed`;
		const text = canonicalize({ jobId, kind, row: was })!;
		const found = createHash('sha256').update(`${before}\n${text}`).digest('hex');
		if (found !== hash) return `the ${kind} ${id} of the first chain is not as it was written`;
		before = hash;
	}
	return undefined;
}

/** The row that an entry was, field by field. */
function firstRow(entry: Entry): object | undefined {
	const { id, subject, personId, corrects: correctsId, enteredAt: takenAt } = entry;
	if (entry.kind === 'reading') {
		return { id, corner: subject, ...entry.data, correctsId, personId, takenAt };
	}
	if (entry.kind === 'loading') return { id, corner: subject, ...entry.data, personId, takenAt };
	if (entry.kind === 'torque') {
		const row = { id, jointId: subject, ...entry.data, correctsId, personId, takenAt };
		return spoken({ ...row, skipReason: null });
	}
	if (entry.kind !== 'skip') return undefined;
	const { reason: skipReason, ...data } = entry.data;
	return spoken({
		id,
		jointId: subject,
		...data,
		skipReason,
		torqueNm: null,
		angleDeg: null,
		entered: 'passed over',
		seen: null,
		wrench: '',
		wrenchId: null,
		settingNm: null,
		deviceReadingId: null,
		targetHubToArchMm: null,
		bush: null,
		correctsId,
		withdrawn: false,
		personId,
		takenAt
	});
}

/** Fields that came after the first chains were written were hashed only where they said something. */
function spoken(row: Record<string, unknown>): object {
	const later = [
		'angleDeg',
		'skipReason',
		'wrenchId',
		'settingNm',
		'overrideReason',
		'deviceReadingId'
	];
	const kept = { ...row };
	if (kept.action === 0) delete kept.action;
	for (const field of later) if (kept[field] === null) delete kept[field];
	return kept;
}
