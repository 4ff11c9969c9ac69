import { body, endpoint, json, person } from '$lib/server/api/endpoint';
import { config, db } from '$lib/server/app';
import {
	clearSessionCookie,
	setSessionCookie,
	setTabletCookie,
	tabletCookie
} from '$lib/server/auth/cookie';
import { tokenHash } from '$lib/server/auth/secrets';
import { mayTry, placeOf, signIn } from '$lib/server/auth/sign-in';
import { deleteSession, deleteSessionsOf } from '$lib/server/db/sessions';
import { endStreams } from '$lib/server/live';

/** Sign in. */
export const POST = endpoint(async (event) => {
	const place = await placeOf(db, event.cookies.get(tabletCookie), event.getClientAddress());
	await mayTry(db, place);
	const input = await body<{ handle: string; secret: string }>(event);
	const signed = await signIn(db, { ...input, place }, config.sessionHours, new Date());
	setSessionCookie(event.cookies, signed.token, signed.expiresAt);
	setTabletCookie(event.cookies, signed.tablet);
	const { id, name, role } = signed.person;
	return json({ person: { id, name, role }, expiresAt: signed.expiresAt.toISOString() }, 201);
});

/** Sign out here, or with ?everywhere=1 on every device of this person. */
export const DELETE = endpoint(async (event) => {
	const who = person(event);
	if (event.url.searchParams.get('everywhere') === '1') {
		await deleteSessionsOf(db, who.id);
		endStreams(who.id);
	} else await deleteSession(db, tokenHash(event.locals.token!));
	clearSessionCookie(event.cookies);
	return new Response(null, { status: 204 });
});
