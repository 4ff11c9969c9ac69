/** What the work still owes to a signature: steps, what stands about under load, parts, trays, differences. */
import { compareParts } from '../bench/compare.ts';
import { trayFaults, type TrayItem } from '../bench/trays.ts';
import { cornerNames, type Corner } from '../height/corners.ts';
import type { WorkOwed } from '../procedure/facts.ts';
import { operation } from '../work/operations.ts';
import type { WorkStep } from '../work/step.ts';
import { workSteps } from '../work/assembly-steps.ts';
import { springFinding } from './findings.ts';
import { extraStepId, extrasOf, isExtraDone } from './extras.ts';
import { fightsOf } from './stuck-fasteners.ts';
import { jobParts } from './parts.ts';
import { partStatusNames } from './kinds/part/data.ts';
import type { JobRecord } from './record.ts';
import { isTicked, layoutsOf, scopeOf } from './scope.ts';
import { WorkBook } from './work-book.ts';

export function workOwed(record: JobRecord): WorkOwed[] {
	const book = WorkBook.of(record);
	const anywhere = record.corners[0]!;
	const trays = trayFaults(trayItems(book)).map(({ id, words }): WorkOwed => ({
		kind: 'tray',
		stage: 'work',
		corner: cornerOfStep(book.get('tray', id)!.step) ?? anywhere,
		text: words
	}));
	const differences = book.of('comparison').flatMap(({ data }): WorkOwed[] => {
		const { verdict, words } = compareParts(data.part, data.old, data.new, {
			oldBroken: springFinding(book, data.corner)?.state === 'broken'
		});
		if (verdict !== 'differs' || ['explained', 'returned'].includes(data.outcome)) return [];
		return [
			{
				kind: 'work',
				stage: 'work',
				corner: data.corner,
				text: `${data.part}: ${words.toLowerCase()}; explain it or send it back`
			}
		];
	});
	const looks = record.looks.map(({ entries }): WorkOwed => {
		const who = entries.map(({ personId }) => nameOf(record, personId)).join(' and ');
		return {
			kind: 'work',
			stage: 'work',
			corner: anywhere,
			text: `${who} said different things: say which counts`
		};
	});
	const fights = fightsOf(book, layoutsOf(record)).flatMap(
		({ outcome, joint, corner }): WorkOwed[] =>
			outcome === 'fights'
				? [
						{
							kind: 'work',
							stage: 'work',
							corner,
							text: `${joint.name}: still fights; say how it ended`
						}
					]
				: []
	);
	return [
		...stepsOwed(record, book),
		...partsOwed(record),
		...trays,
		...differences,
		...looks,
		...fights,
		...extrasOwed(record, book, anywhere),
		...checksOwed(book, anywhere)
	];
}

/**
 * Steps that are ticked off by themselves and were not. Where an earlier step has left something under load or
 * in the air until then, that is what is owed. Steps of the round and the heights are owed as joints and heights.
 */
function stepsOwed(record: JobRecord, book: WorkBook): WorkOwed[] {
	const steps = workSteps(scopeOf(record, book));
	const isDone = (step: WorkStep) => isTicked(book, step);
	return steps
		.filter((step) => (!step.doneIn || step.doneIn === 'bench') && !isDone(step))
		.map((step): WorkOwed => {
			const left = steps.find(
				(one) =>
					(one.at === step.at || step.at === 'car') &&
					[operation(one.kind).leaves?.until].flat().includes(step.kind) &&
					isDone(one)
			);
			const where = {
				stage: 'work',
				corner: step.corners[0] ?? record.corners[0]!,
				stepId: step.id
			} as const;
			const on = step.at === 'front' || step.at === 'rear' ? `, ${step.at} axle` : '';
			if (!left) return { kind: 'step', ...where, text: `${step.title}${on}: not done` };
			const { hazard } = operation(left.kind).leaves!;
			return { kind: 'hazard', ...where, text: `${hazard}: “${step.title}”${on} is not done` };
		});
}

/** What was found on the way and nobody has answered yet, or was agreed and has no step that says it. */
function extrasOwed(record: JobRecord, book: WorkBook, corner: Corner): WorkOwed[] {
	const planned = new Set(workSteps(scopeOf(record, book)).map(({ id }) => id));
	return extrasOf(book).flatMap((extra): WorkOwed[] => {
		const { id, what, state } = extra;
		const open = {
			found: 'the customer is not told yet',
			told: 'the customer has not answered yet',
			agreed: planned.has(extraStepId(id)) || isExtraDone(book, extra) ? '' : 'agreed, not done',
			declined: ''
		}[state];
		return open ? [{ kind: 'work', stage: 'work', corner, text: `${what}: ${open}` }] : [];
	});
}

/** What a drive or the paint marks said against the work stands open until it is looked at again and good. */
const checksOwed = (book: WorkBook, corner: Corner): WorkOwed[] =>
	book.of('checked').flatMap(({ subject, data: { state, words } }): WorkOwed[] =>
		state === 'bad'
			? [
					{
						kind: 'check',
						stage: 'check',
						corner,
						text: `${subject === 'drive' ? 'On the drive' : 'A paint mark has moved'}: ${words}; put it right and look again`
					}
				]
			: []
	);

/** Parts that are neither in nor back. A new fastener is asked for at its joint. */
const partsOwed = (record: JobRecord): WorkOwed[] =>
	jobParts(record)
		.filter(({ part, status }) => part !== 'hardware' && !['fitted', 'returned'].includes(status))
		.map(({ name, corner, status }) => ({
			kind: 'part',
			// What is here is still to go in.
			stage: status === 'here' || status === 'compared' ? 'work' : 'plan',
			corner: corner ?? record.corners[0]!,
			text: `${name}: ${partStatusNames[status].toLowerCase()}, neither fitted nor returned`
		}));

const nameOf = ({ people }: JobRecord, id: string): string =>
	people.find((person) => person.id === id)?.name ?? 'somebody';

export function trayItems(book: WorkBook): TrayItem[] {
	return book
		.of('tray')
		.filter(({ data }) => !data.removed)
		.map(({ subject, data }) => ({ id: subject, ...data }));
}

function cornerOfStep(step: string): Corner | undefined {
	const [at] = step.split('/');
	return at && at in cornerNames ? (at as Corner) : undefined;
}
