/** What a kind of fact says of itself. One folder each under `kinds/`; the registry is the list of them. */
import type { Undone } from '../../fastener/survival.ts';
import type { Knowledge, KnowledgeScope } from '../../work/shop-knowledge.ts';
import type { StepKind } from '../../work/operations.ts';
import type { KnownSpecification } from '../joints.ts';
import type { KindData, KindName } from '../kinds/data.ts';
import type { Vehicle } from '../model.ts';
import type { JobRecord } from '../record.ts';
import type { Command, Context, Entry } from './entry.ts';

/** The job as it stands, what is said, and what is known beside it. */
export interface Site<Said> {
	record: JobRecord;
	command: Command;
	said: Said;
	context: Context;
}

/** An entry without what every entry has. */
export type Draft = {
	[K in KindName]: { kind: K; subject: string; data: KindData[K]; corrects?: string };
}[KindName];

/** What lists and racks need of an entry; the server keeps it in tables of its own. */
export type Projected =
	| { of: 'pull'; wrenchId: string; day: string }
	| { of: 'step-time'; kind: StepKind; logRatio: number }
	| ({ of: 'specification' } & Omit<KnownSpecification, 'scope' | 'jobNumber' | 'modelYear'>)
	| ({ of: 'links-undone' } & Undone)
	| { of: 'car-note'; text: string }
	| { of: 'car-note-withdrawn'; entryId: string }
	| {
			of: 'own-knowledge';
			id: string;
			/** What the job keeps it under. */
			subject: string;
			/** What another job taught; else the job teaches it itself. */
			corrects: boolean;
			scope: KnowledgeScope;
			layout: string;
			/** Null: taken back. */
			own: Knowledge | null;
	  };

export interface Kind<K extends KindName = KindName, Said = unknown> {
	readonly kind: K;
	/** For people: `Height reading`. */
	readonly name: string;
	/** Of one subject the last entry, or all that are not corrected. */
	readonly counts: 'last' | 'every';
	/** Said as it is kept: said again, it is decided anew. */
	readonly saidAsKept?: boolean;
	readonly wants?: readonly ('rack' | 'people')[];
	/** May also be said of a signed job. */
	readonly afterSigning?: boolean;
	/** The entries it becomes, the first under the command's id; a `Problem` is thrown. Absent: as it is said. */
	decide?(site: Site<Said>): Draft[];
	/**
	 * What was kept, as it would be said again, so that its checks and what follows from it hold for it too.
	 * Absent: data that are said as they are kept are decided anew, all others count again as they are.
	 */
	again?(data: KindData[K]): Said | undefined;
	/** What it changes in the job's record, which is being made and may be changed. */
	apply?(record: JobRecord, entry: Entry<K>): void;
	/** One sentence for the history. */
	words(data: KindData[K], entry: Entry<K>, record: JobRecord): string;
	/** For lists and racks, with the car as it was known then: what a rebuild makes again. */
	projects?(entry: Entry<K>, car: Vehicle): Projected[];
}

export const defineKind = <K extends KindName, Said = KindData[K]>(
	kind: Kind<K, Said>
): Kind<K, Said> => kind;
