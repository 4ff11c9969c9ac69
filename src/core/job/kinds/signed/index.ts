import { owedLine } from '../../../procedure/owed.ts';
import { Problem } from '../../../problem.ts';
import { defineKind } from '../../book/kind.ts';
import { viewJob } from '../../view.ts';
import { signedOver, type OpenItem } from './data.ts';

interface Said {
	/** What a lead signs over: every open item, in its own words. */
	over: OpenItem[];
}

/**
 * Closes the record. Refused while anything is open, with the list of it; a lead may sign all the same who
 * names each open item with a reason. Both stay on the record and print on the sheet.
 */
export const signed = defineKind<'signed', Said>({
	kind: 'signed',
	name: 'Signature',
	counts: 'last',
	decide({ record, command: { subject }, said, context }) {
		const owed = viewJob(record).standing.owed.map(owedLine);
		const named = new Map(said.over.map(({ item, reason }) => [item, reason]));
		const unnamed = owed.filter((line) => !named.has(line));
		if (owed.length && said.over.length && context.who.role !== 'lead') {
			throw new Problem(403, 'Only a lead may sign with something still open.', [], { owed });
		}
		if (unnamed.length) {
			const which = said.over.length ? `, ${unnamed.length} without a reason` : '';
			throw new Problem(409, `Not ready to sign: ${owed.length} open${which}.`, [], {
				owed,
				unnamed
			});
		}
		const over = owed.map((line) => ({ item: line, reason: named.get(line)! }));
		return [{ kind: 'signed', subject, data: { over } }];
	},
	apply(record, { id, data, personId, enteredAt, seq }) {
		const signOff = { id, seq, personId, over: signedOver(data), signedAt: enteredAt };
		record.signedAt = enteredAt;
		record.signOff = signOff;
		record.signOffs.push(signOff);
		record.addendum = null;
	},
	words: (data) => {
		const over = signedOver(data);
		return over.length
			? `signed over ${over.length} open: ${[...new Set(over.map(({ reason }) => reason))].join('; ')}`
			: 'signed';
	}
});
