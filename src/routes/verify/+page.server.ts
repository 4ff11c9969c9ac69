import type { Entry } from '$core/job/book/entry';
import type { JobName } from '$core/job/book/fold';
import { db, threads } from '$lib/server/app';
import { proveMark, readMark } from '$lib/server/proof/mark';
import { takeTurn } from '$lib/server/proof/turns';
import type { PageServerLoad } from './$types';

/** What the square on a sealed sheet opens. No account is needed. */
export const load: PageServerLoad = async ({ url, request, getClientAddress, locals }) => {
	const mark = readMark(url.searchParams);
	const who = getClientAddress();
	if (mark) await takeTurn(who);
	const prove = (name: JobName, entries: Entry[]) =>
		threads.run('proveJob', { name, entries, signers: new Map() }, { who, signal: request.signal });
	return {
		title: 'Proof of a sheet',
		shopName: locals.shop?.name ?? '',
		asked: url.searchParams.has('sig'),
		proof: mark ? await proveMark(db, mark, prove) : null
	};
};
