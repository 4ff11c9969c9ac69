/** What a customer decided of what was put to them. */
import type { JobRecord } from './record.ts';
import { WorkBook } from './work-book.ts';

/** What the customer did not want, as it was put to them. */
export const declinedWork = (record: JobRecord): { title: string; reason: string }[] =>
	WorkBook.of(record)
		.of('decision')
		.filter(({ data }) => data.state === 'declined')
		.map(({ data: { title, reason } }) => ({ title, reason }));
