import type { SaidCommand } from '$core/job/book/command';
import { body, endpoint, json, makerOf } from '$lib/server/api/endpoint';
import { db, sealer } from '$lib/server/app';
import { findJob } from '$lib/server/db/jobs';
import { listEntries } from '$lib/server/db/entries';
import { tell } from '$lib/server/jobs/book';
import { announce } from '$lib/server/live';
import { notFound, refuse } from '$core/problem';

/** The book, or what came after an entry. */
export const GET = endpoint(async ({ params, url }) => {
	const after = Number(url.searchParams.get('after') ?? 0);
	if (!Number.isSafeInteger(after) || after < 0) {
		throw refuse(
			'after',
			'must be the number of an entry, 0 for all',
			url.searchParams.get('after')
		);
	}
	const job = await findJob(db, params.id!);
	if (!job) throw notFound('job');
	return { seq: job.seq, entries: await listEntries(db, job.id, after) };
});

/** Says something of the job; answers with the entries it became. The same id twice is one. */
export const POST = endpoint(async (event) => {
	const { device, personId, vouched, ...command } = await body<SaidCommand>(event);
	const maker = await makerOf(event, { personId, vouched });
	const { entries } = await tell(db, event.params.id!, command, { ...maker, device, sealer });
	announce(event.params.id!, entries);
	return json({ entries }, 201);
});
