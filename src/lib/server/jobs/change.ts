import type { JobHeader } from '../../../core/job/model.ts';
import { changesSince, insertChange, lockJob, updateJob } from '../db/jobs.ts';
import type { Database } from '../db/pool.ts';
import { notFound, Problem } from '../problem.ts';

/** The job, held for the transaction; refused when it is signed. */
export async function holdOpenJob(
	db: Database,
	jobId: string
): Promise<JobHeader & { vehicleId: string }> {
	const job = await lockJob(db, jobId);
	if (!job) throw notFound('job');
	if (job.signedAt) throw new Problem(409, 'This job is signed; its record is closed.');
	return job;
}

/**
 * One versioned change of a job. A change based on an older version is refused with a list of what has
 * changed since, so that the person can look and apply it again.
 *
 * @param work makes the change in the transaction and says in words what was changed; it may change
 *   the head it is given, which is then written
 */
export function changeJob(
	db: Database,
	{ jobId, version, personId }: { jobId: string; version: number; personId: string },
	work: (db: Database, job: JobHeader & { vehicleId: string }) => Promise<string>
): Promise<{ version: number }> {
	return db.transaction(async (tx) => {
		const job = await holdOpenJob(tx, jobId);
		if (job.version !== version) {
			throw new Problem(409, 'Someone else changed this job meanwhile.', [], {
				currentVersion: job.version,
				changes: await changesSince(tx, jobId, version)
			});
		}
		const what = await work(tx, job);
		await updateJob(tx, job);
		await insertChange(tx, { jobId, version: version + 1, personId, what });
		return { version: version + 1 };
	});
}
