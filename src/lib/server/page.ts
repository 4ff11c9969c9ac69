import { error } from '@sveltejs/kit';
import { Problem } from './problem.ts';

/** What a page loads; a refusal becomes the application's error page. */
export async function orErrorPage<T>(work: Promise<T>): Promise<T> {
	try {
		return await work;
	} catch (cause) {
		if (cause instanceof Problem) error(cause.status, cause.message);
		throw cause;
	}
}
