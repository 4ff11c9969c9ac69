/** A signature's seal: the sheet as it is drawn now, the head of the book, and the shop's key over both. */
import canonicalize from 'canonicalize';
import { createHash } from 'node:crypto';
import { v7 as uuidv7 } from 'uuid';
import type { Entry, NewEntry } from '../../../core/job/book/entry.ts';
import type { Job } from '../../../core/job/book/job.ts';
import type { KindData } from '../../../core/job/kinds/data.ts';
import { sheetOf } from '../../../core/job/sheet/sheet.ts';
import type { Sheet } from '../../../core/job/sheet/document.ts';
import { unitChoice } from '../../../core/units/format.ts';
import { momentsOf } from '../../../core/units/moments.ts';
import { unitsOf } from '../../../core/units/personal.ts';
import { insertSheet, type KeptSheet } from '../db/seals.ts';
import { findShop } from '../db/shop.ts';
import type { Database } from '../db/pool.ts';
import { sheetPdf } from '../exchange/sheet-pdf.ts';
import { signingKey, signWith, type Sealer } from './keys.ts';

/** What the key signs. Each kind of statement has its own first line, so that none passes for another. */
export const statements = {
	seal: (jobId: string, seq: number, head: string) => `vane-set seal 1\n${jobId}\n${seq}\n${head}`,
	sheet: (jobId: string, seq: number, head: string, sheetDigest: string, pdfDigest: string) =>
		`vane-set sheet 1\n${jobId}\n${seq}\n${head}\n${sheetDigest}\n${pdfDigest}`,
	file: (jobId: string, seq: number, head: string) => `vane-set file 1\n${jobId}\n${seq}\n${head}`
};

const sha256 = (of: string | Buffer) => createHash('sha256').update(of).digest('hex');
export const sheetDigest = (sheet: Sheet): string => sha256(canonicalize(sheet)!);
export const pdfDigest = (pdf: Buffer): string => sha256(pdf);

/**
 * Draws and keeps the sheet of a job that has just been signed.
 *
 * @param job with its signature
 * @returns the entry that follows the signature
 */
export async function sealSignature(
	db: Database,
	job: Job,
	signature: Entry,
	sealer: Sealer
): Promise<NewEntry<'sealed'>> {
	const shop = (await findShop(db))!;
	const key = await signingKey(db, sealer.folder);
	const { id: jobId } = job.name;
	const { seq, hash: head } = signature;
	const units = unitsOf(() => unitChoice(shop.units));
	const sheet = sheetOf(job, { shopName: shop.name, units, times: momentsOf(() => shop.clock) });
	const signed = signWith(key, statements.seal(jobId, seq, head));
	const proof = new URLSearchParams({ job: jobId, seq: String(seq), head, sig: signed });
	const draw = sealer.draw ?? sheetPdf;
	const drawn = await draw(sheet, {
		head,
		keyId: key.keyId,
		address: `${sealer.origin}/verify?${proof.toString()}`,
		signedAt: signature.enteredAt
	});
	const pdf = Buffer.from(drawn);
	const kept: KeptSheet = { seq, sheet, pdf };
	await insertSheet(db, jobId, kept);
	const digests = [sheetDigest(sheet), pdfDigest(pdf)] as const;
	const data: KindData['sealed'] = {
		head,
		sheetDigest: digests[0],
		pdfDigest: digests[1],
		keyId: key.keyId,
		signature: signed,
		sheetSignature: signWith(key, statements.sheet(jobId, seq, head, ...digests))
	};
	const { personId, enteredAt } = signature;
	return {
		id: uuidv7(),
		kind: 'sealed',
		subject: 'car',
		personId,
		device: null,
		enteredAt,
		seen: seq,
		corrects: null,
		data
	};
}
