import { findComputation } from '../../compute.ts';

/** What a named computation takes, without bands. */
export const inputOf = (name: string) =>
	findComputation(name)!
		.input.fork(['uncertainty'], (field) => field.forbidden())
		.required();
