import { computations } from '$core/compute';
import { endpoint } from '$lib/server/api/endpoint';

/** The named computations, each with an example that works. */
export const GET = endpoint(() => ({
	computations: computations.map(({ name, summary, example }) => ({ name, summary, example }))
}));
