/** The work before the round in the demo's jobs: found, decided, planned, and done up to a step. */
import { axleOf, type Axle, type Corner } from '../src/core/height/corners.ts';
import type { SymptomKey } from '../src/core/inspect/suspects.ts';
import { meanMinutes, stepMinutes } from '../src/core/work/minutes.ts';
import {
	usualStrategy,
	type AxleScope,
	type RustGrade,
	type Strategy
} from '../src/core/work/scope.ts';
import { loosenedJoints } from '../src/core/work/steps.ts';
import { usualCosts } from '../src/core/job/costs.ts';
import type { JobRecord } from '../src/core/job/record.ts';
import { jobAdvice, jobParts } from '../src/core/job/plan.ts';
import { scopeOf } from '../src/core/job/scope.ts';
import { viewWork } from '../src/core/job/work.ts';
import type { Entry } from '../src/core/job/book/entry.ts';
import type { KindData, KindName } from '../src/core/job/kinds/data.ts';
import type { PartStatus } from '../src/core/job/kinds/part/data.ts';
import { WorkBook } from '../src/core/job/work-book.ts';

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
	personId: string;
	/** The next moment, so many seconds on. */
	now(seconds?: number): string;
	key(at: string): string;
}

const limits = { setDeg: 2, advisedDeg: 5 };

export function tellWork(
	record: JobRecord,
	story: WorkStory,
	{ personId, now, key }: Teller
): void {
	const keep = <K extends KindName>(
		kind: K,
		subject: string,
		data: KindData[K],
		takenAt = now(20)
	) => {
		const entries = record.entries as Entry[];
		const enteredAt = takenAt;
		entries.push({
			seq: entries.length + 1,
			id: key(takenAt),
			kind,
			subject,
			data,
			personId,
			enteredAt
		} as unknown as Entry);
	};
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
	followPlan(record);
	for (const line of jobAdvice(record, usualCosts)) {
		if (line.kind === 'watch') continue;
		const declined = story.declined?.includes(line.id);
		keep('decision', line.id, {
			state: declined ? 'declined' : 'accepted',
			title: line.title,
			reason: ''
		});
	}
	for (const axle of Object.keys(story.scope)) if (story.prices) keep('prices', axle, story.prices);
	for (const part of jobParts(record, usualCosts)) {
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
	doSteps(record, story, { keep, now });
	for (const [i, [step, name, count, lengthMm, back]] of (story.trays ?? []).entries()) {
		const at = now(15);
		const place = `${String.fromCharCode(65 + Math.floor(i / 6))}${(i % 6) + 1}`;
		keep('tray', key(at), { step, place, name, count, lengthMm, back }, at);
	}
	if (story.compressor) {
		const { corner, input, turned } = story.compressor;
		keep('compressor', corner, {
			input,
			typed: {
				rateNPerMm: `${input.rateNPerMm} N/mm`,
				activeCoils: String(input.activeCoils),
				hookedCoils: String(input.hookedCoils),
				freeLengthMm: `${input.freeLengthMm} mm`,
				installedLengthMm: `${input.installedLengthMm} mm`,
				clearanceMm: `${input.clearanceMm} mm`,
				hooks: String(input.hooks),
				screwLeadMm: `${input.screwLeadMm} mm`,
				wireDiameterMm: `${input.wireDiameterMm} mm`,
				ratedLoadPerHookN: `${input.ratedLoadPerHookN} N`
			},
			turned,
			free: false
		});
	}
}

/** Joints as the plan leaves them: see the server's own way of it. */
function followPlan(record: JobRecord): void {
	const scope = scopeOf(record, new WorkBook(record.entries));
	const loose = new Set(loosenedJoints(scope).map(({ corner, key }) => `${corner}/${key}`));
	for (const joint of record.joints) {
		const axle = axleOf(joint.corner);
		const { key } = joint;
		if (key && scope.axles[axle]) joint.loosened = loose.has(`${joint.corner}/${key}`);
	}
}

function doSteps(
	record: JobRecord,
	{ upTo, pace = 1 }: WorkStory,
	{
		keep,
		now
	}: {
		keep: (kind: 'step', subject: string, data: KindData['step'], takenAt?: string) => void;
		now: Teller['now'];
	}
): void {
	if (!upTo) return;
	const { order, scope } = viewWork(record, limits);
	const usual = stepMinutes(order.steps, scope);
	for (const step of order.steps) {
		if (step.id === upTo) return;
		if (step.doneIn === 'heights-before') continue;
		const expectedMin = meanMinutes(usual.get(step.id)!);
		// Each kind of work a little off the expected in its own way.
		const tookMin = Math.max(0.5, expectedMin * pace * (0.85 + 0.06 * (step.title.length % 7)));
		keep('step', step.id, { state: 'started', note: '' });
		const note = step.gate?.note ? 'sill seams, both sides, on rubber pads' : '';
		const takenAt = now(Math.round(tookMin * 60));
		keep('step', step.id, { state: 'done', note, tookMin, expectedMin }, takenAt);
	}
	throw new Error(`${record.number}: there is no step ${upTo}`);
}
