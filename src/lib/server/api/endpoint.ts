import type { RequestEvent, RequestHandler } from '@sveltejs/kit';
import { unitChoice } from '../../../core/units/format.ts';
import { validate } from '../../../core/validate.ts';
import type { TypedContext } from '../../../core/schema/fields.ts';
import { db, log } from '../app.ts';
import { findPerson, type Person } from '../db/people.ts';
import { troubleOf } from '../db/trouble.ts';
import { invalid, Problem, refuse } from '../../../core/problem.ts';
import { parseJson, readText } from './body.ts';
import { operationOf } from './operations.ts';

/** Runs a handler; what it throws becomes an answer that says what is wrong (RFC 9457). */
export function endpoint(
	handler: (event: RequestEvent) => Promise<Response | object> | Response | object
): RequestHandler {
	return async (event) => {
		try {
			const answer = await handler(event as RequestEvent);
			return answer instanceof Response ? answer : json(answer);
		} catch (error) {
			return problemResponse(error, event as RequestEvent);
		}
	};
}

export const json = (body: object, status = 200, headers: Record<string, string> = {}): Response =>
	new Response(JSON.stringify(body), {
		status,
		headers: { 'content-type': 'application/json', 'cache-control': 'no-store', ...headers }
	});

export function problemResponse(error: unknown, event: RequestEvent): Response {
	const reference = event.locals.reference;
	const known = error instanceof Problem ? error : troubleOf(error);
	const problem = known ?? new Problem(500, 'Something failed on the server; nothing was changed.');
	if (!known) log.error({ reference, path: event.url.pathname, err: error }, 'request failed');
	const headers: Record<string, string> = { 'content-type': 'application/problem+json' };
	if (problem.status === 429) headers['retry-after'] = String(problem.extra.retryAfterSeconds);
	const body = {
		type: 'about:blank',
		title: problem.message,
		status: problem.status,
		...(problem.faults.length ? { faults: problem.faults } : {}),
		...problem.extra,
		...(problem.status >= 500 ? { reference } : {})
	};
	return json(body, problem.status, headers);
}

/** Who asks; hooks.server.ts lets nobody else through. */
export function person(event: RequestEvent): Person {
	if (!event.locals.person) throw new Problem(401, 'Sign in first.');
	return event.locals.person;
}

export function lead(event: RequestEvent): Person {
	const who = person(event);
	if (who.role !== 'lead') throw new Problem(403, 'Only a lead may do this.');
	return who;
}

/**
 * In whose name something is said: of whoever is signed in. What somebody else has made is taken only where a
 * lead vouches for it, and both are kept.
 */
export async function makerOf(
	event: RequestEvent,
	{ personId, vouched }: { personId?: string; vouched?: boolean }
): Promise<{ person: Person; vouchedBy?: string }> {
	const who = person(event);
	if (personId === undefined || personId === who.id) return { person: who };
	const maker = await findPerson(db, personId);
	if (!maker || maker.shop !== null) throw refuse('personId', 'does not work here', personId);
	if (!vouched || who.role !== 'lead') {
		throw new Problem(
			403,
			`${maker.name} made this entry: it is sent when ${maker.name} signs in here, or a lead vouches for it.`,
			[],
			{ notTheirs: true }
		);
	}
	return { person: maker, vouchedBy: who.id };
}

/** The request's JSON, checked by the schema that is published for this route; faults name their fields. */
export async function body<T>(event: RequestEvent): Promise<T> {
	const data = parseJson(await textOf(event));
	const { shop, person: who } = event.locals;
	const context: TypedContext = {
		units: unitChoice(who?.units ?? shop?.units ?? { system: 'metric', torque: 'N·m' }),
		now: Date.now()
	};
	const checked = validate<T>(operationOf(event).input!, data, context);
	if (checked.ok) return checked.value;
	// A fault in what is said names the field as it was said.
	throw invalid(
		checked.faults.map((fault) => ({ ...fault, field: fault.field.replace(/^data\./, '') }))
	);
}

/** The text of a request that says it is JSON, no longer than its route takes. */
export async function textOf(event: RequestEvent): Promise<string> {
	const type = event.request.headers.get('content-type') ?? '';
	if (!/^application\/([\w.+-]+\+)?json\b/.test(type)) {
		throw new Problem(415, 'Send JSON with content-type application/json.');
	}
	return readText(event.request, operationOf(event).most);
}

/** A file for the browser to keep. */
export function download(text: string, name: string, type: string): Response {
	return new Response(text, {
		headers: {
			'content-type': `${type}; charset=utf-8`,
			'content-disposition': `attachment; filename="${name}"`,
			'cache-control': 'no-store'
		}
	});
}

/** Which page of a list is asked for, from 0. */
export function pageOf(url: URL): number {
	const page = Number(url.searchParams.get('page') ?? 0);
	return Number.isSafeInteger(page) && page > 0 ? page : 0;
}
