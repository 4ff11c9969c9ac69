/** A job's book as it is told: everything said by people goes through the same decision as in the shop. */
import type { Entry } from '../src/core/job/book/entry.ts';
import { readCommand } from '../src/core/job/book/command.ts';
import type { JobName } from '../src/core/job/book/fold.ts';
import { Job } from '../src/core/job/book/job.ts';
import type { Draft } from '../src/core/job/book/kind.ts';
import type { KindName } from '../src/core/job/kinds/data.ts';
import type { RackWrench } from '../src/core/fastener/rack.ts';
import { faultLine } from '../src/core/validate.ts';
import { metric } from '../src/core/units/format.ts';
import { chained } from '../src/lib/server/proof/chain.ts';

/** @param how.by the id of a person @returns the entries it became */
export type Say = (
	kind: KindName,
	subject: string,
	data: object,
	how?: { at?: string; by?: string; corrects?: string }
) => Entry[];

type Wrench = Omit<RackWrench, 'calibratedOn' | 'passed' | 'cycles'>;

export class Book {
	job: Job;

	constructor(
		readonly name: JobName,
		readonly wrenches: readonly Wrench[],
		/** A key of that moment. */
		readonly key: (at: string) => string
	) {
		this.job = new Job(name, []);
	}

	/** As a job is opened: by itself, at one moment. */
	begin(personId: string, at: string, drafts: readonly Draft[]): void {
		const { id } = this.name;
		const common = { personId, device: null, enteredAt: at, storedAt: at, seen: 0 };
		this.job = this.job.apply(
			...chained(
				id,
				undefined,
				drafts.map((draft, i) => ({
					...draft,
					...common,
					id: i === 0 ? id : this.key(at),
					corrects: null
				}))
			)
		);
	}

	/** @throws where the rules refuse it: then the story is not one that can happen */
	say(
		said: { kind: KindName; subject: string; data: object; corrects?: string },
		personId: string,
		at: string
	): Entry[] {
		const { people, number, id } = this.name;
		const no = (why: string) => new Error(`${number}, ${said.kind} of ${said.subject}: ${why}`);
		const given = JSON.parse(
			JSON.stringify({ id: this.key(at), ...said, enteredAt: at })
		) as object;
		const read = readCommand(given, { units: metric, now: Date.parse(at) });
		if (!read.ok) throw no(read.faults.map(faultLine).join('; '));
		const decision = this.job.decide(read.value, {
			who: people.find((person) => person.id === personId)!,
			device: null,
			key: () => this.key(at),
			people: people.map((person) => ({ ...person, active: true })),
			rack: this.wrenches.map((wrench) => ({
				...wrench,
				calibratedOn: at.slice(0, 10),
				passed: true,
				cycles: 0
			}))
		});
		if (!decision.ok) {
			const { message, faults } = decision.problem;
			throw no([message, ...faults.map(faultLine)].join('; '));
		}
		const entries = decision.entries.map((entry) => ({ ...entry, storedAt: at }));
		const added = chained(id, this.job.entries.at(-1), entries);
		this.job = this.job.apply(...added);
		return added;
	}
}
