import { owedLine } from '../../../core/procedure/owed.ts';
import type { SignOff } from '../../../core/job/model.ts';
import { viewJob } from '../../../core/job/view.ts';
import { insertSignOff } from '../db/jobs.ts';
import type { Person } from '../db/people.ts';
import type { Database } from '../db/pool.ts';
import { Problem } from '../problem.ts';
import { changeJob } from './change.ts';
import { loadJob } from './load.ts';

export interface SignOffInput {
	id: string;
	version: number;
	overrideReason?: string;
}

/**
 * Signs a job. Refused while anything is owed, with the list of it; a lead may sign all the same with
 * a written reason, which stays on the record and prints on the sheet.
 */
export function signOff(
	db: Database,
	jobId: string,
	input: SignOffInput,
	person: Person,
	now: Date
): Promise<{ version: number }> {
	return changeJob(db, { jobId, version: input.version, personId: person.id }, async (tx, job) => {
		const owed = viewJob(await loadJob(tx, jobId)).standing.owed.map(owedLine);
		const reason = input.overrideReason ?? null;
		if (owed.length && !reason) {
			throw new Problem(409, `Not ready to sign: ${owed.length} still owed.`, [], { owed });
		}
		if (owed.length && person.role !== 'lead') {
			throw new Problem(403, 'Only a lead may sign with something still owed.', [], { owed });
		}
		const signed: SignOff = {
			id: input.id,
			personId: person.id,
			overrideReason: owed.length ? reason : null,
			owed,
			signedAt: now.toISOString()
		};
		await insertSignOff(tx, jobId, signed);
		job.signedAt = signed.signedAt;
		return owed.length ? `signed with ${owed.length} owed: ${reason}` : 'signed';
	});
}
