/** One line of a job's book: who said what of what, when; and how a new one comes about. */
import type { RackWrench } from '../../fastener/rack.ts';
import type { KindData, KindName } from '../kinds/data.ts';
import type { PersonName, Role, Vehicle } from '../model.ts';

/** What a writer makes of a command; the server adds its place in the book. */
export interface NewEntry<K extends KindName = KindName> {
	/** UUIDv7, made by the writer: the same id twice is one entry. */
	id: string;
	kind: K;
	/** What it speaks of: a corner, a joint's id, a part's key; `car` for the whole. */
	subject: string;
	personId: string;
	/** The tablet or instrument it was entered at; null where none was named. */
	device: string | null;
	/** By that device's clock, right or wrong. */
	enteredAt: string;
	/** The lead who sent it in its maker's name; absent where its maker sent it. */
	vouchedBy?: string;
	/** Number of the last entry the writer had before this one. */
	seen: number;
	/** The earlier entry that this one takes the place of, or takes back. */
	corrects: string | null;
	data: KindData[K];
}

/** An entry of the book. Never changed: a later one corrects it. */
export type Entry<K extends KindName = KindName> = {
	[Kind in K]: NewEntry<Kind> & {
		/** From 1, without gaps. */
		seq: number;
		/** By the server's clock. The order is the book's. */
		storedAt: string;
		/** SHA-256 over the hash before it and everything above, hex. */
		hash: string;
	};
}[K];

/** What a person, a program or a device says. It may become several entries, or none. */
export interface Command {
	id: string;
	kind: KindName;
	subject: string;
	/** As said: quantities with their units. Absent where an earlier entry is said again. */
	data?: unknown;
	corrects?: string;
	/** Id of an earlier entry of this kind and subject whose data are to count again. */
	again?: string;
	enteredAt: string;
	/** Left out by those who read no book: they are taken to know it all. */
	seen?: number;
}

/** What a decision needs to know beside the job. */
export interface Context {
	who: PersonName;
	device: string | null;
	/** The lead who vouches that `who` made it. */
	vouchedBy?: string;
	/** A new UUIDv7 for each further entry. */
	key: () => string;
	/** The shop's wrenches, where the kind wants them. */
	rack?: readonly RackWrench[];
	/** Who works here, where the kind wants them. */
	people?: readonly { id: string; name: string; role: Role; active: boolean }[];
}

/** When it was made: as its device says, unless that clock ran ahead of the server's. */
export const madeAt = ({ enteredAt, storedAt }: Pick<Entry, 'enteredAt' | 'storedAt'>): string =>
	enteredAt > storedAt ? storedAt : enteredAt;

/** The car as the book had it at an entry. @param seq none: as it has it now */
export function carAt(entries: readonly Entry[], seq = Infinity): Vehicle {
	return entries.findLast(
		(entry): entry is Entry<'opened' | 'car'> =>
			(entry.kind === 'opened' || entry.kind === 'car') && entry.seq <= seq
	)!.data.vehicle;
}
