import { computations, findComputation } from '$core/compute';
import { endpoint, person, textOf } from '$lib/server/api/endpoint';
import { threads } from '$lib/server/app';
import { Problem } from '$core/problem';

/** Runs one named computation, on a thread of its own; the same schema and function as the shell's. */
export const POST = endpoint(async (event) => {
	const name = event.params.name!;
	if (!findComputation(name)) {
		const names = computations.map((one) => one.name).join(', ');
		throw new Problem(404, `There is no such computation; one of ${names}.`);
	}
	const { signal } = event.request;
	const text = await textOf(event);
	const answer = await threads.run('compute', { name, text }, { who: person(event).id, signal });
	return new Response(answer, {
		headers: { 'content-type': 'application/json', 'cache-control': 'no-store' }
	});
});
