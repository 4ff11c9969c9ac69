/** Whose seal is on a record, and whether it is as it was sealed. */
import type { Entry } from '../../../core/job/book/entry.ts';
import { Job } from '../../../core/job/book/job.ts';
import type { Proof } from '../../../core/job/model.ts';
import type { PublicKey } from '../db/seals.ts';
import type { JobFile } from '../../schema/job-file.ts';
import { proveBook } from './chain.ts';
import { signedBy } from './keys.ts';
import { pdfDigest, sheetDigest, statements } from './seal.ts';

/** Somebody whose key is known here. */
export interface Signer extends PublicKey {
	name: string;
	/** This shop itself. */
	own: boolean;
}

/** By key. */
export type Signers = ReadonlyMap<string, Signer>;

/** What stands of one seal. */
export interface SealProof {
	/** Number of the signature that it seals. */
	seq: number;
	signedAt: string;
	keyId: string;
	/** Null: the key is not known here. */
	by: { name: string; own: boolean } | null;
	holds: boolean;
	words: string;
}

const plainly = (signer: Signer | undefined) =>
	signer ? { name: signer.name, own: signer.own } : null;

/** Each seal of a book held against the entries it is over. */
export function proveSeals(
	jobId: string,
	entries: readonly Entry[],
	signers: Signers
): SealProof[] {
	return entries
		.filter((entry): entry is Entry<'sealed'> => entry.kind === 'sealed')
		.map(({ seq: place, data }): SealProof => {
			const { head, keyId, sheetDigest: sheet, pdfDigest: pdf } = data;
			const signature = entries.find(({ hash }) => hash === head);
			const signer = signers.get(keyId);
			const seq = signature?.seq ?? place - 1;
			const says = (holds: boolean, words: string): SealProof => ({
				seq,
				signedAt: signature?.enteredAt ?? '',
				keyId,
				by: plainly(signer),
				holds,
				words
			});
			if (signature?.kind !== 'signed') return says(false, 'is over no signature of this book');
			if (!signer) return says(false, `is of a key that is not known here (${keyId})`);
			const { publicKey, name } = signer;
			const own =
				signedBy(publicKey, statements.seal(jobId, seq, head), data.signature) &&
				signedBy(publicKey, statements.sheet(jobId, seq, head, sheet, pdf), data.sheetSignature);
			return own ? says(true, `sealed by ${name}`) : says(false, `was not made by ${name}’s key`);
		});
}

/** What is to be said of a job file, to anybody. */
export interface FileProof {
	number: string;
	chain: Proof;
	/** Who sealed the file as a whole; null: nobody who is known here. */
	by: { name: string; own: boolean; keyId: string } | null;
	seals: SealProof[];
	/** The whole book is as a shop sealed it whose key is known here. */
	verified: boolean;
	/** A seal of a shop that is known here, which does not hold: the file was changed. */
	broken: string | null;
	words: string[];
}

export function proveFile(file: JobFile, signers: Signers): FileProof {
	const { job, entries, people, head, seal, sheets = [] } = file;
	const { record } = new Job({ ...job, people }, entries);
	const chain = proveBook(record);
	const signer = seal && signers.get(seal.keyId);
	const seq = entries.length;
	const sealed =
		chain.holds &&
		chain.head === head &&
		signer !== undefined &&
		signedBy(signer.publicKey, statements.file(job.id, seq, head), seal!.signature);
	const seals = proveSeals(job.id, entries, signers);
	const changed = sheets.filter(({ seq: at, sheet, pdf }) => {
		const own = record.seals.find(({ head: of }) => entries[at - 1]?.hash === of);
		return (
			own?.sheetDigest !== sheetDigest(sheet) ||
			own.pdfDigest !== pdfDigest(Buffer.from(pdf, 'base64'))
		);
	});
	// Of a file that a known shop has sealed whole, seals of shops further back need not be known.
	const verified = sealed && changed.length === 0;
	const says = whole(file, sealed, signer);
	return {
		number: job.number,
		chain,
		by: sealed ? { name: signer.name, own: signer.own, keyId: signer.keyId } : null,
		seals,
		verified,
		broken: signer && !sealed ? says : null,
		words: [
			chain.holds
				? `${chain.entries} entries, the chain holds`
				: `the chain does not hold: ${chain.broken!.words}`,
			says,
			...seals.map((one) => `signature of ${one.signedAt.slice(0, 10)}: ${one.words}`),
			...changed.map(({ seq: at }) => `the sheet of entry ${at} is not the one that was sealed`)
		]
	};
}

function whole({ seal }: JobFile, sealed: boolean, signer: Signer | undefined): string {
	if (!seal) return 'the file is not sealed';
	if (!signer) return `the file is sealed with a key that is not known here (${seal.keyId})`;
	return sealed
		? `the file is as ${signer.name} sealed it`
		: `the file is not as ${signer.name} sealed it`;
}
