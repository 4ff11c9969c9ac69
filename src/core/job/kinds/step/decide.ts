import { differenceInMilliseconds } from 'date-fns';
import { springFitFault, type SpringFit } from '../../../bench/spring-fit.ts';
import { Problem, refuse } from '../../../problem.ts';
import { meanMinutes, stepMinutes } from '../../../work/minutes.ts';
import { blockedBy } from '../../../work/order.ts';
import { jointIdsOf, type WorkStep } from '../../../work/step.ts';
import { withoutPhoto } from '../../../work/terms.ts';
import { benchWants } from '../../bench-wants.ts';
import type { Command } from '../../book/entry.ts';
import type { Draft, Site } from '../../book/kind.ts';
import { fightsOf, ruinedOf, undoneBy } from '../../stuck-fasteners.ts';
import type { JobRecord } from '../../record.ts';
import { viewWork, type WorkView } from '../../work.ts';
import type { Data } from './data.ts';

/** Done in its turn and with what its gate wants, or a lead says why not. */
export function decideStep({ record, command, said, context }: Site<Data>): Draft[] {
	const { subject } = command;
	const work = viewWork(record, record.limits);
	const found = work.order.steps.find(({ id }) => id === subject);
	if (!found) {
		throw refuse('subject', 'is not a step of this job’s order of work', subject);
	}
	const { state, note, overrideReason } = said;
	if (state !== 'done') return [{ kind: 'step', subject, data: { state, note } }];
	const wants = missingFor(record, work, subject);
	if (found.gate?.note && !note) wants.push(found.gate.note.toLowerCase());
	if (found.gate?.photo && !note && !pictured(record, subject)) {
		wants.push(`a photo of it, or ${withoutPhoto.toLowerCase()}`);
	}
	if (found.gate?.spring) wants.push(...springWants(found, said.spring));
	const set = work.book.get('setting', found.corners[0]);
	if (found.gate?.setting && set?.preloadMm === undefined)
		wants.push('its preload from where the spring is just not loose');
	if (wants.length && !overrideReason) {
		throw new Problem(409, `Not yet: ${wants.join('; ')}`, [], { wants });
	}
	if (overrideReason && context.who.role !== 'lead') {
		throw new Problem(403, 'Only a lead may pass over a gate.', [], { wants });
	}
	const data = {
		state,
		note,
		...(found.joints.length > 0 && { joints: jointIdsOf(found) }),
		...(found.gate?.spring && said.spring && { spring: said.spring }),
		...(overrideReason && { overrideReason }),
		...timed(work, command),
		...linksUndone(work, found)
	};
	return [{ kind: 'step', subject, data }];
}

/** A spring went in as it should, or what is wrong with it. */
function springWants({ corners: [corner] }: WorkStep, fit: SpringFit | undefined): string[] {
	if (!fit) return ['the spring’s hand, which way up it is, and its pads'];
	const fault = springFitFault(corner!, fit);
	return fault ? [fault] : [];
}

/** Whether a photo of a step is on the record. */
const pictured = ({ photos }: JobRecord, id: string): boolean =>
	photos.some(({ subject, withdrawn }) => subject === id && !withdrawn);

/** What stands between a step and being done: earlier steps with their rules, and what the bench wants. */
function missingFor(record: JobRecord, work: WorkView, id: string): string[] {
	const found = work.order.steps.find((one) => one.id === id)!;
	const open = blockedBy(work.order, id, work.done).map(
		({ step: earlier, rule }) =>
			`“${earlier.title}”${earlier.at === 'car' ? '' : ` (${earlier.at})`} comes first. ${rule.words}`
	);
	return [...open, ...benchWants(record, work.book, found)];
}

/** Studs of drop links, and those of them that did not survive: what the shop learns how often they break from. */
function linksUndone({ book, scope }: WorkView, found: WorkStep): Pick<Data, 'links'> {
	if (found.kind !== 'links-off') return {};
	const studs = undoneBy(found);
	const ruined = ruinedOf(fightsOf(book, scope.layouts)).filter(({ id }) => studs.includes(id));
	return { links: { undone: studs.length, ruined: ruined.length, rust: scope.rust } };
}

function timed(
	{ book, order, scope }: WorkView,
	{ subject, enteredAt }: Command
): Pick<Data, 'tookMin' | 'expectedMin'> {
	const started = book.entry('step', subject);
	if (started?.data.state !== 'started') return {};
	const tookMin = differenceInMilliseconds(enteredAt, started.enteredAt) / 60_000;
	const usual = stepMinutes(order.steps, scope).get(subject)!;
	return tookMin > 0 ? { tookMin, expectedMin: meanMinutes(usual) } : {};
}
