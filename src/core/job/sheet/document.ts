/** A sheet as plain data: what stands on it, in its order. A page and a PDF draw the same one. */

export interface Sheet {
	shop: string;
	title: string;
	subtitle: string;
	/** Label and value: job, date, technician. */
	facts: readonly (readonly [string, string])[];
	blocks: readonly Block[];
	/** Names under the lines to be signed on. */
	signatures: readonly string[];
}

export type Block =
	| { kind: 'line'; label?: string; text: string; quiet?: boolean }
	| { kind: 'notice'; tone: Tone; title: string; lines: readonly string[] }
	/** Lists that stand beside each other. */
	| { kind: 'lists'; lists: readonly List[] }
	| Table
	/** Drawings beside each other, as SVG without words in them. */
	| { kind: 'pictures'; title: string; pictures: readonly Picture[]; caption: string }
	/** Photos of the job, by their ids. */
	| { kind: 'photos'; title: string; photos: readonly { id: string; caption: string }[] }
	| { kind: 'caution'; title: string; lines: readonly string[] };

/** stop: red; open: to be looked at; plain: a frame. */
export type Tone = 'stop' | 'open' | 'plain';

interface Picture {
	svg: string;
	alt: string;
}

export interface List {
	title: string;
	items: readonly string[];
	/** In a frame: the customer is to see it. */
	framed?: boolean;
}

export interface Table {
	kind: 'table';
	title: string;
	subtitle?: string;
	columns: readonly Column[];
	rows: readonly (readonly Cell[])[];
	/** Under the table. */
	notes?: readonly string[];
}

interface Column {
	name: string;
	end?: boolean;
	/** Share of the width on paper; as wide as its text where absent. */
	wide?: boolean;
}

export interface Cell {
	text: string;
	/** Small, under the text. */
	note?: string;
	strong?: boolean;
	alert?: boolean;
}
