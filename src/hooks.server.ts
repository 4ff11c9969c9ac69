import '$core/layout/catalogue';
import {
	error as stop,
	redirect,
	type Handle,
	type HandleServerError,
	type ServerInit
} from '@sveltejs/kit';
import { problemResponse } from '$lib/server/api/endpoint';
import { closeApp, config, db, deviceLines, disk, log, startThreads } from '$lib/server/app';
import { tokenHash } from '$lib/server/auth/secrets';
import { sessionCookie } from '$lib/server/auth/cookie';
import { troubleOf } from '$lib/server/db/trouble';
import { findPerson } from '$lib/server/db/people';
import { findSessionPerson } from '$lib/server/db/sessions';
import { findShop } from '$lib/server/db/shop';
import { openGateway } from '$lib/server/devices/gateway';
import { announce, announceDevice, endStreams } from '$lib/server/live';
import { Problem } from '$core/problem';
import { randomUUID } from 'node:crypto';

/** Everything else needs a session. */
const open = [/^\/(sign-in|verify)$/, /^\/api\/v1\/(session|health|ready|verify|keys)$/];

/** Nothing is kept by these: they go on while the disk is full. Who signs in may read. */
const keepsNothing = /^\/api\/v1\/(session|verify|compute\/.*)$/;
const writes = (method: string, path: string): boolean =>
	!['GET', 'HEAD', 'OPTIONS'].includes(method) && !keepsNothing.test(path);

export const init: ServerInit = () => {
	startThreads();
	for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, () => endStreams());
	const gateway =
		config.devices &&
		openGateway(
			{
				db,
				log,
				disk,
				lines: deviceLines,
				announce(jobId, readingId, entries) {
					announce(jobId, entries);
					announceDevice(jobId, readingId);
				}
			},
			config.devices.port,
			config.devices.host
		);
	process.on('sveltekit:shutdown', async () => {
		log.info('stopping');
		gateway?.close();
		deviceLines.endAll();
		await closeApp();
	});
};

export const handle: Handle = async ({ event, resolve }) => {
	const { pathname } = event.url;
	event.locals.reference = randomUUID().slice(0, 8);
	const isHealth = pathname === '/api/v1/health';
	const token = event.cookies.get(sessionCookie);
	if (!isHealth) {
		try {
			event.locals.shop = await findShop(db);
			const personId = token && (await findSessionPerson(db, tokenHash(token)));
			if (personId) {
				event.locals.token = token;
				event.locals.person = await findPerson(db, personId);
			}
		} catch (error) {
			if (pathname.startsWith('/api/')) return secured(problemResponse(error, event));
			const trouble = troubleOf(error);
			if (trouble) stop(trouble.status, trouble.message);
			throw error;
		}
	}
	if (!event.locals.person && !open.some((path) => path.test(pathname))) {
		if (pathname.startsWith('/api/')) {
			return secured(problemResponse(new Problem(401, 'Sign in first.'), event));
		}
		redirect(303, `/sign-in?to=${encodeURIComponent(pathname + event.url.search)}`);
	}
	if (writes(event.request.method, pathname)) {
		try {
			await disk.hasSpace();
		} catch (error) {
			return secured(problemResponse(error, event));
		}
	}
	const started = performance.now();
	const theme = event.locals.person?.theme ?? 'system';
	const response = await resolve(event, {
		transformPageChunk: ({ html }) => html.replace('%vane.theme%', theme)
	});
	if (!isHealth) {
		const ms = Math.round(performance.now() - started);
		log.info({
			method: event.request.method,
			path: pathname,
			status: response.status,
			ms,
			person: event.locals.person?.handle
		});
	}
	return secured(response);
};

function secured(response: Response): Response {
	const { headers } = response;
	headers.set('x-content-type-options', 'nosniff');
	headers.set('x-frame-options', 'DENY');
	headers.set('referrer-policy', 'same-origin');
	headers.set('cross-origin-opener-policy', 'same-origin');
	headers.set('cross-origin-resource-policy', 'same-origin');
	headers.set('permissions-policy', 'camera=(self), geolocation=(), microphone=()');
	if (config.secureCookies) headers.set('strict-transport-security', 'max-age=31536000');
	if (!headers.has('cache-control') && headers.get('content-type')?.startsWith('text/html')) {
		headers.set('cache-control', 'no-store');
	}
	return response;
}

export const handleError: HandleServerError = ({ error, event, status, message }) => {
	const { reference } = event.locals;
	if (status === 404) return { message: 'There is no such page.' };
	if (error instanceof Problem) return { message: error.message };
	log.error({ reference, path: event.url.pathname, err: error }, 'page failed');
	return {
		message: status === 500 ? 'Something failed on the server; nothing was changed.' : message,
		reference
	};
};
