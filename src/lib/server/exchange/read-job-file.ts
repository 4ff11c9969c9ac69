import { invalid } from '../../../core/problem.ts';
import { validate } from '../../../core/validate.ts';
import { jobFileSchema, type JobFile } from '../../schema/job-file.ts';

/**
 * A job file as its schema has it.
 *
 * @param given what stood in the file
 * @param now ms since 1970
 * @throws Problem 422 that names each fault
 */
export function readJobFile(given: unknown, now: number): JobFile {
	const checked = validate<JobFile>(jobFileSchema, given, { now });
	if (!checked.ok) throw invalid(checked.faults);
	return checked.value;
}
