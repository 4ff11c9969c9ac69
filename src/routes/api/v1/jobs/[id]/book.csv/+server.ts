import { download, endpoint } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { bookCsv } from '$lib/server/exchange/csv';
import { readJob } from '$lib/server/jobs/book';

/** Every entry of the book, as a table. */
export const GET = endpoint(async ({ params }) => {
	const { record } = await readJob(db, params.id!);
	return download(bookCsv(record), `job-${record.number}-book.csv`, 'text/csv');
});
