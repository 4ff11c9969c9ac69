/** The book of the work before the round: entries are appended, the last of a kind and subject counts. */
import type { ComparedPart, PartMeasures } from '../bench/compare.ts';
import type { StackPart, UnitChecks } from '../bench/stack.ts';
import type { TrayItem } from '../bench/trays.ts';
import type { Axle, Corner } from '../height/corners.ts';
import type { SymptomKey } from '../inspect/suspects.ts';
import type { ArmSpringInput } from '../spring/arm-spring.ts';
import type { CompressorInput } from '../spring/compressor.ts';
import type { AxleScope, RustGrade, Strategy } from '../work/scope.ts';

export const partStatuses = [
	'to-order',
	'ordered',
	'here',
	'compared',
	'fitted',
	'returned'
] as const;
export type PartStatus = (typeof partStatuses)[number];

export const partStatusNames: Readonly<Record<PartStatus, string>> = {
	'to-order': 'To order',
	ordered: 'Ordered',
	here: 'Here',
	compared: 'Compared',
	fitted: 'Fitted',
	returned: 'Returned'
};

export type DecisionState = 'open' | 'accepted' | 'declined' | 'done';

/** What was typed for a number, beside its SI value, by the number's name. */
type Typed = Record<string, string>;

/** What each kind of entry holds. */
export interface WorkData {
	symptoms: { symptoms: SymptomKey[] };
	rust: { grade: RustGrade };
	/** Subject `FL/damper-oil`; a state of null takes the finding back. */
	finding: { corner: Corner; point: string; state: string | null; where: string; note: string };
	/** Subject the corner; movements of null takes it back. */
	bounce: { movements: number | null; dampingRatio?: number; expanded?: number };
	/** Subject the axle. */
	scope: AxleScope;
	strategy: Strategy;
	/** Subject the axle, in the shop's currency, for one corner. */
	prices: { unit: number; damper: number; wearParts: number };
	/** Subject the recommendation's id. */
	decision: { state: DecisionState; title: string; reason: string };
	/** Subject the part line's id. */
	part: { number: string; status: PartStatus; note: string };
	order: { ids: string[] };
	/** Subject the step's id. */
	step: {
		state: 'started' | 'done' | 'open';
		note: string;
		/** Why a lead let it be done before its time. */
		overrideReason?: string;
		/** From its start, and what had been expected; set by the server. */
		tookMin?: number;
		expectedMin?: number;
	};
	/** Subject an id of its own. */
	tray: Omit<TrayItem, 'id'> & { step: string; removed?: boolean };
	/** Subject `FL/damper`. */
	comparison: {
		corner: Corner;
		part: ComparedPart;
		old: PartMeasures;
		new: PartMeasures;
		typed: Typed;
		outcome: 'open' | 'fits' | 'explained' | 'returned';
		reason: string;
	};
	/** Subject the corner. */
	compressor: {
		input: CompressorInput;
		typed: Typed;
		/** Steps of turns that were counted off. */
		turned: number;
		/** The spring turns loosely in its seat. */
		free: boolean;
	};
	/** Subject the corner: a spring on its arm, and how the jack lets it down. */
	'arm-spring': { input: ArmSpringInput; typed: Typed };
	/** Subject the corner. */
	stack: { order: StackPart[]; checks: UnitChecks; typed: Typed };
}

export const workKinds = [
	'symptoms',
	'rust',
	'finding',
	'bounce',
	'scope',
	'strategy',
	'prices',
	'decision',
	'part',
	'order',
	'step',
	'tray',
	'comparison',
	'compressor',
	'arm-spring',
	'stack'
] as const satisfies readonly (keyof WorkData)[];
export type WorkKind = (typeof workKinds)[number];

export type WorkEntry = {
	[K in WorkKind]: {
		id: string;
		kind: K;
		subject: string;
		data: WorkData[K];
		personId: string;
		takenAt: string;
	};
}[WorkKind];

/** Longest side of a kept picture, pixels: cut in the browser to save the way, and again by the server. */
export const photoSide = 1600;

export interface Photo {
	id: string;
	corner: Corner | null;
	subject: string;
	note: string;
	width: number;
	height: number;
	withdrawn: boolean;
	personId: string;
	takenAt: string;
}

/** The entries that count. */
export class WorkBook {
	readonly #last = new Map<string, WorkEntry>();
	readonly entries: readonly WorkEntry[];

	constructor(entries: readonly WorkEntry[]) {
		this.entries = entries;
		for (const entry of entries) {
			const key = `${entry.kind} ${entry.subject}`;
			// The last written stands last in `of`, too.
			this.#last.delete(key);
			this.#last.set(key, entry);
		}
	}

	entry<K extends WorkKind>(kind: K, subject = 'car'): (WorkEntry & { kind: K }) | undefined {
		return this.#last.get(`${kind} ${subject}`) as (WorkEntry & { kind: K }) | undefined;
	}

	get<K extends WorkKind>(kind: K, subject = 'car'): WorkData[K] | undefined {
		return this.entry(kind, subject)?.data as WorkData[K] | undefined;
	}

	/** What counts of one kind, with its subject. */
	of<K extends WorkKind>(kind: K): { subject: string; data: WorkData[K]; entry: WorkEntry }[] {
		return [...this.#last.values()]
			.filter((entry) => entry.kind === kind)
			.map((entry) => ({ subject: entry.subject, data: entry.data as WorkData[K], entry }));
	}

	/** What stood before the entry that counts: for undo. */
	before<K extends WorkKind>(kind: K, subject: string): WorkData[K] | undefined {
		const all = this.entries.filter((entry) => entry.kind === kind && entry.subject === subject);
		return all.at(-2)?.data as WorkData[K] | undefined;
	}
}

export const axles: readonly Axle[] = ['front', 'rear'];
