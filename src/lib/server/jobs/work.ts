import type { Axle, Corner } from '../../../core/height/corners.ts';
import { axleOf } from '../../../core/height/corners.ts';
import type { TwistLimits } from '../../../core/bush/verdict.ts';
import { springCompressor } from '../../../core/spring/compressor.ts';
import { meanMinutes, stepMinutes } from '../../../core/work/minutes.ts';
import { blockedBy } from '../../../core/work/order.ts';
import { loosenedJoints } from '../../../core/work/steps.ts';
import { layoutsOf, scopeOf } from '../../../core/job/scope.ts';
import { benchWants, viewWork, type WorkView } from '../../../core/job/work.ts';
import { WorkBook, type WorkData, type WorkEntry, type WorkKind } from '../../../core/job/work-book.ts';
import type { JobHeader, JobRecord } from '../../../core/job/model.ts';
import { insertChange, updateJob } from '../db/jobs.ts';
import { listTorques, updateJoint } from '../db/joints.ts';
import type { Person } from '../db/people.ts';
import type { Database } from '../db/pool.ts';
import { findShop } from '../db/shop.ts';
import { appendWork, findWork } from '../db/work.ts';
import { Problem, refuse } from '../problem.ts';
import { holdOpenJob } from './change.ts';
import { loadJob } from './load.ts';

export interface NewWork {
	id: string;
	kind: WorkKind;
	subject: string;
	data: WorkData[WorkKind];
	takenAt: string;
}

/** Adds an entry to the work's book. The same id twice is one entry. */
export function addWork(
	db: Database,
	jobId: string,
	input: NewWork,
	person: Person
): Promise<WorkEntry> {
	return db.transaction(async (tx) => {
		const job = await holdOpenJob(tx, jobId);
		const earlier = await findWork(tx, input.id);
		if (earlier) {
			if (earlier.jobId !== jobId) throw new Problem(409, 'That entry belongs to another job.');
			return earlier.entry;
		}
		const entry = { ...input, personId: person.id } as WorkEntry;
		if (entry.kind === 'step') {
			entry.data = await checkedStep(tx, await loadJob(tx, jobId), entry, person);
		}
		if (entry.kind === 'compressor') checkCompressor(entry.data);
		if (entry.kind === 'finding') checkFinding(entry);
		await appendWork(tx, jobId, entry);
		if (entry.kind === 'scope' || entry.kind === 'strategy') {
			await planJoints(tx, job, await loadJob(tx, jobId), person.id);
		}
		return entry;
	});
}

/** A step is done in its turn, or a lead says why not; its time is taken from its start. */
async function checkedStep(
	db: Database,
	record: JobRecord,
	entry: WorkEntry & { kind: 'step' },
	person: Person
): Promise<WorkData['step']> {
	const shop = (await findShop(db))!;
	const limits: TwistLimits = { setDeg: shop.twistSetDeg, advisedDeg: shop.twistAdvisedDeg };
	const work = viewWork(record, limits);
	const step = work.order.steps.find(({ id }) => id === entry.subject);
	if (!step) throw refuse('subject', 'is not a step of this job’s order of work', entry.subject);
	const { state, note, overrideReason } = entry.data;
	if (state !== 'done') return { state, note };
	const wants = missingFor(record, work, step.id);
	if (step.gate?.note && !note) wants.push(step.gate.note.toLowerCase());
	if (wants.length && !overrideReason) {
		throw new Problem(409, `Not yet: ${wants.join('; ')}`, [], { wants });
	}
	if (overrideReason && person.role !== 'lead') {
		throw new Problem(403, 'Only a lead may pass over a gate.', [], { wants });
	}
	return {
		state,
		note,
		...(overrideReason && { overrideReason }),
		...timed(record, work, entry)
	};
}

/** What stands between a step and being done: earlier steps with their rules, and what the bench wants. */
function missingFor(record: JobRecord, work: WorkView, id: string): string[] {
	const step = work.order.steps.find((one) => one.id === id)!;
	const open = blockedBy(work.order, id, work.done).map(
		({ step: earlier, rule }) =>
			`“${earlier.title}”${earlier.at === 'car' ? '' : ` (${earlier.at})`} comes first. ${rule.words}`
	);
	return [...open, ...benchWants(record, work.book, step)];
}

function timed(
	record: JobRecord,
	{ book, order, scope }: WorkView,
	entry: WorkEntry
): Pick<WorkData['step'], 'tookMin' | 'expectedMin'> {
	const started = book.entry('step', entry.subject);
	if (started?.data.state !== 'started') return {};
	const tookMin = (Date.parse(entry.takenAt) - Date.parse(started.takenAt)) / 60_000;
	const usual = stepMinutes(order.steps, scope).get(entry.subject)!;
	return tookMin > 0 ? { tookMin, expectedMin: meanMinutes(usual) } : {};
}

/** No turn is counted off with a tool that must not be used for this spring. */
function checkCompressor({ input, turned, free }: WorkData['compressor']): void {
	const computed = springCompressor(input);
	if (!computed.ok) throw new Problem(422, 'These numbers have no answer.', computed.faults);
	if (turned === 0 && !free) return;
	const { overloaded, coilBind, forcePerHookN } = computed.value;
	if (input.ratedLoadPerHookN === undefined) {
		throw refuse(
			'data.input.ratedLoadPerHookN',
			'say what the compressor may bear before turning it'
		);
	}
	if (overloaded) {
		throw refuse(
			'data.input.ratedLoadPerHookN',
			`is less than the ${Math.round(forcePerHookN)} N on each hook: not with this tool`,
			input.ratedLoadPerHookN
		);
	}
	if (coilBind) {
		throw refuse(
			'data.input.hookedCoils',
			'close before the seat is free: take more coils between the hooks',
			input.hookedCoils
		);
	}
}

function checkFinding({ subject, data }: WorkEntry & { kind: 'finding' }): void {
	const wanted = `${data.corner}/${data.point}`;
	if (subject !== wanted) throw refuse('subject', `must be ${wanted} for this finding`, subject);
}

/** Joints follow the plan: loose where it undoes them, untouched where not. What has a torque stays. */
async function planJoints(
	db: Database,
	job: JobHeader,
	record: JobRecord,
	personId: string
): Promise<void> {
	const scope = scopeOf(record, new WorkBook(record.work));
	const loose = new Set(loosenedJoints(scope).map(({ corner, key }) => `${corner}/${key}`));
	const worked = new Set((await listTorques(db, job.id)).map(({ jointId }) => jointId));
	const layouts = layoutsOf(record);
	const planned = (axle: Axle) => scope.axles[axle] !== undefined;
	let changed = 0;
	for (const joint of record.joints) {
		const corner: Corner = joint.corner;
		const key = layouts[axleOf(corner)].joints.find(({ name }) => name === joint.name)?.key;
		if (!key || worked.has(joint.id) || !planned(axleOf(corner))) continue;
		const loosened = loose.has(`${corner}/${key}`);
		if (loosened === joint.loosened) continue;
		await updateJoint(db, { ...joint, loosened });
		changed++;
	}
	if (changed === 0) return;
	await updateJob(db, job);
	await insertChange(db, {
		jobId: job.id,
		version: job.version + 1,
		personId,
		what: `plan: ${changed} joints ${changed === 1 ? 'is' : 'are'} now undone or left alone`
	});
}
