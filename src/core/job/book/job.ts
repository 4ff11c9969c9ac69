/** A job: its book, and everything that follows from it, each asked and computed once. */
import type { TimedKind } from '../../work/minutes.ts';
import { jobParts, type JobPart } from '../parts.ts';
import type { JobRecord } from '../record.ts';
import { viewJob, type JobView } from '../view.ts';
import { viewWork, type WorkView } from '../work.ts';
import type { Command, Context, Entry } from './entry.ts';
import { decide, type Decision } from './decide.ts';
import { foldBook, type JobName } from './fold.ts';

export class Job {
	readonly name: JobName;
	readonly entries: readonly Entry[];
	readonly #timed: readonly TimedKind[];
	#record?: JobRecord;
	#view?: JobView;
	#work?: WorkView;

	/** @param timed the shop's own pace; none: the usual one */
	constructor(name: JobName, entries: readonly Entry[], timed: readonly TimedKind[] = []) {
		this.name = name;
		this.entries = entries;
		this.#timed = timed;
	}

	get record(): JobRecord {
		return (this.#record ??= foldBook(this.name, this.entries));
	}

	/** Heights, targets, joints, and what is owed. */
	get view(): JobView {
		return (this.#view ??= viewJob(this.record));
	}

	/** Scope, order of work, what is done and what comes next. */
	get work(): WorkView {
		return (this.#work ??= viewWork(this.record, this.record.limits, this.#timed, this.view));
	}

	get parts(): JobPart[] {
		return jobParts(this.record);
	}

	/** The job with more in its book. */
	apply(...more: Entry[]): Job {
		return more.length ? new Job(this.name, [...this.entries, ...more], this.#timed) : this;
	}

	/** The job as it stood before an entry. */
	before(seq: number): Job {
		return new Job(
			this.name,
			this.entries.filter((entry) => entry.seq < seq),
			this.#timed
		);
	}

	decide(command: Command, context: Context): Decision {
		return decide(this.record, command, context);
	}
}
