import { v7 as uuidv7 } from 'uuid';
import { readCommand } from '../../src/core/job/book/command';
import type { Entry } from '../../src/core/job/book/entry';
import { Job } from '../../src/core/job/book/job';
import type { PersonName } from '../../src/core/job/model';
import { metric } from '../../src/core/units/format';
import type { Answer } from '../../src/lib/client/api';
import type { LoadedJob } from '../../src/lib/client/job-state.svelte';

type Writer = PersonName & { role: 'technician' | 'lead' };

/** The book on its server, and what that answers: the same decisions, without a network. */
export class StandIn {
	book: LoadedJob;
	/** @param more who writes besides */
	constructor(first: LoadedJob, more: readonly Writer[] = []) {
		const others = more.map((one) => ({ ...one, active: true }));
		this.book = { ...first, people: [...first.people, ...others] };
	}

	write(given: unknown, who: Writer): Answer<{ entries: Entry[] }> {
		const { id, number, entries, people } = this.book;
		const known = entries.find((entry) => entry.id === (given as { id: string }).id);
		if (known) return { ok: true, value: { entries: [known] } };
		const { personId: _, ...said } = JSON.parse(JSON.stringify(given)) as { personId?: string };
		const read = readCommand(said, { units: metric, now: Date.now() });
		if (!read.ok) return { ok: false, refusal: { status: 422, title: 'No', faults: read.faults } };
		const { device = null, vouched: __, ...command } = read.value;
		const decided = new Job({ id, number, people }, entries).decide(command, {
			who,
			device,
			key: uuidv7,
			rack: [],
			people
		});
		if (!decided.ok) {
			const { status, message: title } = decided.problem;
			return { ok: false, refusal: { status, title } };
		}
		const seq = entries.length + 1;
		const added = decided.entries.map(
			(entry, i) => ({ ...entry, seq: seq + i, storedAt: entry.enteredAt, hash: 'f' }) as Entry
		);
		this.book = { ...this.book, entries: [...entries, ...added] };
		return { ok: true, value: { entries: added } };
	}
}
