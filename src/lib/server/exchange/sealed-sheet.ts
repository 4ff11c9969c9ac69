import { notFound } from '../../../core/problem.ts';
import { db } from '../app.ts';
import { findSheet, type KeptSheet } from '../db/seals.ts';

/** @param seq number of the signature, as it stands in the address */
export async function sealedSheet(jobId: string, seq: string): Promise<KeptSheet> {
	const found = /^\d{1,6}$/.test(seq) ? await findSheet(db, jobId, Number(seq)) : undefined;
	if (!found) throw notFound('sealed sheet');
	return found;
}
