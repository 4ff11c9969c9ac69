import type { Fault } from './result.ts';

/** A refusal, with the members of RFC 9457 (problem details for HTTP); thrown. */
export class Problem extends Error {
	constructor(
		/** As HTTP has it: 403 not by this person, 409 not now, 422 not so. */
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
