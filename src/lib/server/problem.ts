import type { Fault } from '../../core/result.ts';

/** An answer that refuses, in the form of RFC 9457 (problem details for HTTP). */
export class Problem extends Error {
	constructor(
		readonly status: number,
		/** One sentence for the person. */
		message: string,
		readonly faults: Fault[] = [],
		/** More members of the answer, such as the current version of a stale write. */
		readonly extra: Record<string, unknown> = {}
	) {
		super(message);
	}
}

export const notFound = (what: string) => new Problem(404, `There is no such ${what}.`);
export const invalid = (faults: Fault[]) =>
	new Problem(
		422,
		faults.length === 1
			? 'One entry needs another look.'
			: `${faults.length} entries need another look.`,
		faults
	);
export const refuse = (field: string, message: string, value?: unknown) =>
	invalid([{ field, message, value }]);
