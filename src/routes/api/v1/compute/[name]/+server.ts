import Joi from 'joi';
import { compute, computations, findComputation } from '$core/compute';
import { body, endpoint } from '$lib/server/api/endpoint';
import { invalid, Problem } from '$lib/server/problem';

/** Runs one named computation; the same schema and function as the shell's. */
export const POST = endpoint(async (event) => {
	const computation = findComputation(event.params.name!);
	if (!computation) {
		const names = computations.map(({ name }) => name).join(', ');
		throw new Problem(404, `There is no such computation; one of ${names}.`);
	}
	const result = compute(computation, await body<unknown>(event, Joi.any()));
	if (!result.ok) throw invalid(result.faults);
	return result.value;
});
