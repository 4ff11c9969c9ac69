/** Says things of a job as any door would. For tests. */
import { metric } from '../../units/format.ts';
import type { RackWrench } from '../../fastener/rack.ts';
import { readCommand } from '../book/command.ts';
import { decide } from '../book/decide.ts';
import type { Context, Entry, NewEntry } from '../book/entry.ts';
import { foldBook } from '../book/fold.ts';
import type { Joint } from '../model.ts';
import type { JobRecord } from '../record.ts';
import type { KindName } from './data.ts';

export const ids = Array.from(
	{ length: 400 },
	(_, i) => `01a20000-0000-7000-8000-${String(i).padStart(12, '0')}`
);
let next = 0;
export const key = () => ids[next++ % ids.length]!;
export const lead = { id: key(), name: 'Mara Lindholm', role: 'lead' as const };
export const technician = { id: key(), name: 'Tomas Okoro', role: 'technician' as const };

interface Answer {
	status: number;
	said?: string[];
	entries?: NewEntry[];
}

export function say(
	record: JobRecord,
	kind: KindName,
	subject: string,
	data: object,
	{ who = technician as Context['who'], ...more }: { who?: Context['who']; corrects?: string } = {}
): Answer {
	const given = {
		id: key(),
		kind,
		subject,
		data,
		enteredAt: '2026-11-20T10:00:00.000Z',
		...more
	};
	const read = readCommand(given, { units: metric, now: 1_796_000_000_000 });
	if (!read.ok) return { status: 422, said: read.faults.map(faultWords) };
	const { device = null, personId: _, vouched: __, ...command } = read.value;
	const rack: RackWrench[] = [];
	const context = { who, device, key, rack, people: [{ ...technician, active: true }] };
	const decision = decide(record, command, context);
	if (decision.ok) return { status: 201, entries: decision.entries };
	const { status, message, faults } = decision.problem;
	return { status, said: faults.length ? faults.map(faultWords) : [message] };
}
const faultWords = ({ field, message }: { field: string; message: string }) =>
	`${field}: ${message}`;

/** The record with what was said. */
export function after(record: JobRecord, ...said: Answer[]): JobRecord {
	const book = [...record.entries];
	for (const entry of said.flatMap(({ entries = [] }) => entries))
		book.push({ ...entry, seq: book.length + 1, storedAt: entry.enteredAt, hash: '' } as Entry);
	return foldBook({ id: record.id, number: record.number, people: record.people }, book);
}

/** Says it, and wants it taken. */
export function told(...[record, kind, subject, data, how]: Parameters<typeof say>): JobRecord {
	const answer = say(record, kind, subject, data, how);
	if (!answer.entries) throw new Error(`${kind} of ${subject}: ${answer.said?.join('; ')}`);
	return after(record, answer);
}

export const jointOf = (record: JobRecord, corner: string, which: string): Joint =>
	record.joints.find(
		(joint) => joint.corner === corner && (joint.key === which || joint.kind === which)
	)!;
