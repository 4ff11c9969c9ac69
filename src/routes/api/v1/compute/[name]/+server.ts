import { computations, computeInSteps, findComputation } from '$core/compute';
import { endpoint, jsonOf } from '$lib/server/api/endpoint';
import { invalid, Problem } from '$core/problem';
import { setImmediate } from 'node:timers/promises';

/** How long a computation goes on before other requests get their turn, ms. */
const breathMs = 20;

/** Runs one named computation; the same schema and function as the shell's. */
export const POST = endpoint(async (event) => {
	const computation = findComputation(event.params.name!);
	if (!computation) {
		const names = computations.map(({ name }) => name).join(', ');
		throw new Problem(404, `There is no such computation; one of ${names}.`);
	}
	const steps = computeInSteps(computation, await jsonOf(event));
	let last = performance.now();
	for (;;) {
		const step = steps.next();
		if (step.done) {
			if (!step.value.ok) throw invalid(step.value.faults);
			return step.value.value;
		}
		if (performance.now() - last < breathMs) continue;
		await setImmediate();
		last = performance.now();
	}
});
