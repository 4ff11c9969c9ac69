/**
 * What is done on threads of their own, so that the server goes on answering: plain data in, plain data out,
 * nothing of the database. Each thread begins here; threads.ts hands the work out.
 */
import '../../../core/layout/catalogue.ts';
import { compute as runComputation, findComputation } from '../../../core/compute.ts';
import type { Entry } from '../../../core/job/book/entry.ts';
import type { JobName } from '../../../core/job/book/fold.ts';
import { Job } from '../../../core/job/book/job.ts';
import type { Sheet } from '../../../core/job/sheet/document.ts';
import { invalid, Problem } from '../../../core/problem.ts';
import type { Fault } from '../../../core/result.ts';
import type { JobFile } from '../../schema/job-file.ts';
import { parseJson } from '../api/body.ts';
import { readJobFile } from '../exchange/read-job-file.ts';
import { sheetPdf, type PlainMark, type SealMark } from '../exchange/sheet-pdf.ts';
import { proveBook } from '../proof/chain.ts';
import { proveFile, proveSeals, type Signers } from '../proof/verify.ts';

/** A refusal as it goes from one thread to another: classes do not. */
export type Told<T> =
	| { ok: true; value: T }
	| { ok: false; status: number; message: string; faults: Fault[]; extra: Record<string, unknown> };

const task =
	<I, O>(work: (input: I) => O | Promise<O>) =>
	async (input: I): Promise<Told<O>> => {
		try {
			return { ok: true, value: await work(input) };
		} catch (error) {
			if (!(error instanceof Problem)) throw error;
			const { status, message, faults, extra } = error;
			return { ok: false, status, message, faults, extra };
		}
	};

/** Runs one named computation on a request's text. @returns the answer as JSON */
export const compute = task(({ name, text }: { name: string; text: string }) => {
	const result = runComputation(findComputation(name)!, parseJson(text));
	if (!result.ok) throw invalid(result.faults);
	return JSON.stringify(result.value);
});

/** Reads a job file of any format: its shape, and what it says. */
export const readFile = task(({ text, now }: { text: string; now: number }) =>
	readJobFile(parseJson(text), now)
);

/** What is to be said of a job file that has been read: its chain, and whose seals are on it. */
export const proveJobFile = task(({ file, signers }: { file: JobFile; signers: Signers }) =>
	proveFile(file, signers)
);

/** Both, of a file that stays outside. */
export const verifyFile = task(
	({ text, now, signers }: { text: string; now: number; signers: Signers }) =>
		proveFile(readJobFile(parseJson(text), now), signers)
);

/** Goes along a book, hash by hash, and looks at its seals. */
export const proveJob = task(
	({ name, entries, signers }: { name: JobName; entries: Entry[]; signers: Signers }) => ({
		...proveBook(new Job(name, entries).record),
		seals: proveSeals(name.id, entries, signers)
	})
);

/** Draws a sheet. */
export const drawSheet = task(({ sheet, mark }: { sheet: Sheet; mark: SealMark | PlainMark }) =>
	sheetPdf(sheet, mark)
);
