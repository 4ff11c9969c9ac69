/**
 * The application's HTTP server: the built SvelteKit handler behind bounds in time and number, compressed
 * answers, and the client's address as a trusted proxy tells it.
 */
import compression from 'compression';
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import proxyAddress from 'proxy-addr';
import { readConfig } from './lib/server/config.ts';
import { makeLog } from './lib/server/log.ts';

type Handler = (req: IncomingMessage, res: ServerResponse) => void;

const { http, logLevel } = readConfig(process.env);
const log = makeLog(logLevel);
for (const event of ['uncaughtException', 'unhandledRejection'] as const) {
	// Node.js would print the error with all that hangs on it.
	process.on(event, (error: unknown) => {
		log.fatal({ err: error }, 'ended by an error that nobody took');
		process.exit(1);
	});
}
/** Where SvelteKit is told the client's address; what a client says there itself is written over. */
const clientHeader = 'x-vane-client';
Object.assign(process.env, { ADDRESS_HEADER: clientHeader, BODY_SIZE_LIMIT: '8M' });
const built = new URL('../handler.js', import.meta.url).href;
const { handler } = (await import(/* @vite-ignore */ built)) as { handler: Handler };

const trusted = proxyAddress.compile(http.trustedProxies);
const compress = compression({
	// A stream of events is small, and would wait in the compressor until it has enough to send.
	filter: (req, res) =>
		!String(res.getHeader('content-type')).startsWith('text/event-stream') &&
		compression.filter(req, res)
});

const server = createServer(
	{
		// Whoever takes longer to say what they want, or says only half of it, is ended (Node.js, http.createServer).
		headersTimeout: http.requestSeconds * 1000,
		requestTimeout: http.requestSeconds * 1000,
		connectionsCheckingInterval: Math.min(5, http.requestSeconds / 2) * 1000,
		keepAliveTimeout: 10_000,
		maxHeaderSize: 16 * 1024
	},
	(req, res) => {
		req.headers[clientHeader] = proxyAddress(req, trusted);
		res.setHeader('x-content-type-options', 'nosniff');
		// Answered before it was all said: the rest is let through unread, so that the connection goes on.
		res.once('finish', () => {
			if (req.complete) return;
			req.removeAllListeners('data');
			req.resume();
		});
		compress(req as never, res as never, () => handler(req, res));
	}
);
server.maxConnections = 1_000;
server.maxRequestsPerSocket = 10_000;
server.listen(http.port, http.host);

/** Nothing new is taken, what is under way may end, the rest is cut; then the application closes. */
let stopping = false;
for (const signal of ['SIGTERM', 'SIGINT'] as const) {
	process.on(signal, () => {
		if (stopping) return;
		stopping = true;
		const cut = setTimeout(() => server.closeAllConnections(), 5_000);
		const idle = setInterval(() => server.closeIdleConnections(), 100);
		server.close(() => {
			clearTimeout(cut);
			clearInterval(idle);
			process.emit('sveltekit:shutdown' as never, signal as never);
		});
		server.closeIdleConnections();
	});
}
