/** The work before the round in the demo's jobs: found, decided, planned, and done up to a step. */
import { jobAdvice } from '../src/core/job/plan.ts';
import type { Axle, Corner } from '../src/core/height/corners.ts';
import type { SymptomKey } from '../src/core/inspect/symptoms.ts';
import { meanMinutes, stepMinutes } from '../src/core/work/minutes.ts';
import {
	usualStrategy,
	type AxleScope,
	type RustGrade,
	type Strategy
} from '../src/core/work/scope.ts';
import { usualCosts } from '../src/core/job/costs.ts';
import type { KindData, KindName } from '../src/core/job/kinds/data.ts';
import type { PartStatus } from '../src/core/job/kinds/part/data.ts';
import type { Book, Say } from './book.ts';

export interface WorkStory {
	symptoms: SymptomKey[];
	/** `FL/damper-oil`: its state, where, note. */
	found: Record<string, [state: string, where?: string, note?: string]>;
	bounces?: Partial<Record<Corner, number>>;
	rust: RustGrade;
	scope?: Partial<Record<Axle, AxleScope>>;
	strategy?: Partial<Strategy>;
	/** Ids of advice the customer did not want; everything else is accepted. */
	declined?: string[];
	prices?: KindData['prices'];
	parts?: PartStatus;
	/** Every step before this one is done; how long each took against what was expected. */
	upTo?: string;
	pace?: number;
	/** Fasteners that lie in the trays. */
	trays?: [step: string, name: string, count: number, lengthMm: number, back: number][];
	compared?: {
		corner: Corner;
		part: 'damper' | 'spring';
		old: Record<string, number>;
		new: Record<string, number>;
	}[];
	compressor?: { corner: Corner; input: KindData['compressor']['input']; turned: number };
}

interface Teller {
	say: Say;
	/** The next moment, so many seconds on. */
	now(seconds?: number): string;
	key(at: string): string;
}

export function tellWork(book: Book, story: WorkStory, { say, now, key }: Teller): void {
	const keep = <K extends KindName>(kind: K, subject: string, data: KindData[K], at = now(20)) =>
		say(kind, subject, data, { at });
	keep('symptoms', 'car', { symptoms: story.symptoms });
	for (const [subject, [state, where = '', note = '']] of Object.entries(story.found)) {
		const [corner, point] = subject.split('/') as [Corner, string];
		keep('finding', subject, { corner, point, state, where, note });
	}
	for (const [corner, movements] of Object.entries(story.bounces ?? {})) {
		keep('bounce', corner, { movements });
	}
	keep('rust', 'car', { grade: story.rust });
	for (const [axle, scope] of Object.entries(story.scope ?? {})) keep('scope', axle, scope);
	if (story.strategy) keep('strategy', 'car', { ...usualStrategy, ...story.strategy });
	if (!story.scope) return;
	for (const line of jobAdvice(book.job.record, usualCosts)) {
		if (line.kind === 'watch') continue;
		const declined = story.declined?.includes(line.id);
		keep('decision', line.id, {
			state: declined ? 'declined' : 'accepted',
			title: line.title,
			reason: ''
		});
	}
	for (const axle of Object.keys(story.scope)) if (story.prices) keep('prices', axle, story.prices);
	for (const part of book.job.parts) {
		if (story.parts) keep('part', part.id, { number: '', status: story.parts, note: '' });
	}
	for (const { corner, part, old, new: fresh } of story.compared ?? []) {
		const typed = Object.fromEntries(
			Object.keys(old).flatMap((name) => [
				[`old.${name}`, String(old[name])],
				[`new.${name}`, String(fresh[name])]
			])
		);
		const hand =
			part === 'damper'
				? { hand: corner.endsWith('L') ? ('left' as const) : ('right' as const) }
				: {};
		keep('comparison', `${corner}/${part}`, {
			corner,
			part,
			old: { values: old, ...hand },
			new: { values: fresh, ...hand },
			typed,
			outcome: 'fits',
			reason: ''
		});
	}
	if (story.compressor) {
		const { corner, turned } = story.compressor;
		const { input } = story.compressor;
		keep('compressor', corner, {
			input,
			typed: {
				rateNPerMm: `${input.rateNPerMm} N/mm`,
				activeCoils: String(input.activeCoils),
				hookedCoils: String(input.hookedCoils),
				freeLengthMm: `${input.freeLengthMm} mm`,
				installedLengthMm: `${input.installedLengthMm} mm`,
				clearanceMm: `${input.clearanceMm} mm`,
				screws: String(input.screws),
				hooksPerScrew: String(input.hooksPerScrew),
				screwLeadMm: `${input.screwLeadMm} mm`,
				wireDiameterMm: `${input.wireDiameterMm} mm`,
				ratedLoadPerHookN: `${input.ratedLoadPerHookN} N`
			},
			turned,
			free: false
		});
	}
	doSteps(book, story, keep, now);
	for (const [i, [step, name, count, lengthMm, back]] of (story.trays ?? []).entries()) {
		const at = now(15);
		const place = `${String.fromCharCode(65 + Math.floor(i / 6))}${(i % 6) + 1}`;
		keep('tray', key(at), { step, place, name, count, lengthMm, back }, at);
	}
}

function doSteps(
	{ job }: Book,
	{ upTo, pace = 1 }: WorkStory,
	keep: (kind: 'step', subject: string, data: KindData['step'], at?: string) => void,
	now: Teller['now']
): void {
	if (!upTo) return;
	const { order, scope } = job.work;
	const usual = stepMinutes(order.steps, scope);
	for (const step of order.steps) {
		if (step.id === upTo) return;
		if (step.doneIn === 'heights-before') continue;
		// Each kind of work a little off the expected in its own way.
		const minutes =
			meanMinutes(usual.get(step.id)!) * pace * (0.85 + 0.06 * (step.title.length % 7));
		keep('step', step.id, { state: 'started', note: '' });
		const note = step.gate?.note ? 'sill seams, both sides, on rubber pads' : '';
		keep('step', step.id, { state: 'done', note }, now(Math.round(Math.max(0.5, minutes) * 60)));
	}
	throw new Error(`${job.record.number}: there is no step ${upTo}`);
}
