import { endpoint, textOf } from '$lib/server/api/endpoint';
import { db, threads } from '$lib/server/app';
import { knownSigners } from '$lib/server/proof/signers';
import { takeTurn } from '$lib/server/proof/turns';

/** What is to be said of a job file: chain, seals, whose they are. Nothing is kept; no account is needed. */
export const POST = endpoint(async (event) => {
	const who = event.getClientAddress();
	await takeTurn(who);
	const input = {
		text: await textOf(event),
		now: Date.now(),
		signers: await knownSigners(db)
	};
	return threads.run('verifyFile', input, { who, signal: event.request.signal });
});
