/** Calls of the application's own API from the browser. */
import type { Fault } from '$core/result';

/** What a refusal looks like (RFC 9457, with our members). */
export interface Refusal {
	status: number;
	title: string;
	faults?: Fault[];
	/** A stale write: the version to write against, and what has changed since. */
	currentVersion?: number;
	changes?: { version: number; who: string; what: string; at: string }[];
	/** A sign-off: what is still owed. */
	owed?: string[];
	reference?: string;
	/** Somebody else is signed in by now: it waits for whoever made it. */
	notTheirs?: boolean;
}

/** This moment, as the API wants it. */
export const rightNow = (): string => new Date().toISOString();

export type Answer<T> = { ok: true; value: T } | { ok: false; refusal: Refusal };

/** No answer at all: the network or the server is away. */
const noAnswer = 0;

export async function call<T = unknown>(
	method: string,
	path: string,
	body?: unknown
): Promise<Answer<T>> {
	let response: Response;
	try {
		response = await fetch(`/api/v1${path}`, {
			method,
			headers: body === undefined ? {} : { 'content-type': 'application/json' },
			body: body === undefined ? undefined : JSON.stringify(body)
		});
	} catch {
		return {
			ok: false,
			refusal: {
				status: noAnswer,
				title: 'No answer from the server. Your entry is kept here; try again.'
			}
		};
	}
	const data: unknown = await response.json().catch(() => undefined);
	if (response.ok) return { ok: true, value: data as T };
	const title = 'The server did not say why it refused.';
	return { ok: false, refusal: { title, ...(data as Partial<Refusal>), status: response.status } };
}

/** The fault of one field, for the line under it. */
export function faultOf(refusal: Refusal | undefined, field: string): string | undefined {
	return refusal?.faults?.find((fault) => fault.field === field)?.message;
}
