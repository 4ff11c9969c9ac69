/** What a command becomes. The server, the browser and the device line all ask here. */
import { kindOf } from '../kinds/index.ts';
import type { JobRecord } from '../record.ts';
import { Problem, refuse } from '../../problem.ts';
import type { Command, Context, NewEntry } from './entry.ts';
import type { Draft, Kind } from './kind.ts';

export type Decision = { ok: true; entries: NewEntry[] } | { ok: false; problem: Problem };

/**
 * The entries a command becomes, in their order; none where it changes nothing.
 *
 * @param record the job as the writer knows it
 * @param command checked and read by `commandSchema`
 */
export function decide(record: JobRecord, command: Command, context: Context): Decision {
	try {
		const kind = kindOf(command.kind);
		if (record.signedAt && !kind.afterSigning) {
			throw new Problem(
				409,
				'This job is signed; its record is closed. A lead may open it for an addendum.'
			);
		}
		if (record.addendum && context.who.role !== 'lead' && !kind.afterSigning) {
			throw new Problem(403, 'This job is open for an addendum: only a lead writes in it.');
		}
		const drafts =
			command.again === undefined
				? said(kind, record, command, context)
				: again(kind, record, command, context);
		return {
			ok: true,
			entries: drafts.map((draft, i) => entryOf(draft, i, record, command, context))
		};
	} catch (error) {
		if (!(error instanceof Problem)) throw error;
		return { ok: false, problem: error };
	}
}

function said(kind: Kind, record: JobRecord, command: Command, context: Context): Draft[] {
	const site = { record, command, said: command.data, context };
	if (kind.decide) return kind.decide(site);
	return [{ kind: command.kind, subject: command.subject, data: command.data } as Draft];
}

/** An earlier entry said again, over what came after it. */
function again(kind: Kind, record: JobRecord, command: Command, context: Context): Draft[] {
	const { subject, again: id } = command;
	const earlier = record.entries.find((entry) => entry.id === id);
	if (earlier?.kind !== command.kind || earlier.subject !== subject || kind.counts !== 'last') {
		throw refuse('again', 'is not an entry of this subject that can count again', id);
	}
	const { data } = earlier;
	const anew = kind.again ? kind.again(data) : kind.saidAsKept ? data : undefined;
	return anew === undefined
		? [{ kind: command.kind, subject, data } as Draft]
		: said(kind, record, { ...command, data: anew }, context);
}

const entryOf = (
	{ kind, subject, data, corrects }: Draft,
	i: number,
	{ seq }: JobRecord,
	command: Command,
	{ who, device, key, vouchedBy }: Context
): NewEntry => ({
	id: i === 0 ? command.id : key(),
	kind,
	subject,
	personId: who.id,
	device,
	enteredAt: command.enteredAt,
	...(vouchedBy && { vouchedBy }),
	// What follows from it by the rules follows from all that is known.
	seen: kind === command.kind ? Math.min(command.seen ?? seq, seq) : seq,
	corrects: corrects ?? null,
	data
});
