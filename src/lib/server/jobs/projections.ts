/** What lists, racks and plans need of the books, written with them and made anew from them. */
import { carAt, type Entry } from '../../../core/job/book/entry.ts';
import { Job } from '../../../core/job/book/job.ts';
import type { Projected } from '../../../core/job/book/kind.ts';
import { kindOf } from '../../../core/job/kinds/index.ts';
import { jobParts } from '../../../core/job/parts.ts';
import type { Vehicle } from '../../../core/job/model.ts';
import type { JobRecord } from '../../../core/job/record.ts';
import { wheelTorqueNm } from '../../../core/job/retorque.ts';
import { timedCar } from '../../../core/schedule/cars.ts';
import { expectedMinutes } from '../../../core/schedule/timeline.ts';
import { soakNeeded } from '../../../core/work/scope.ts';
import { listEntries } from '../db/entries.ts';
import { listJobs, listJobsOfTechnician, type JobRow } from '../db/jobs.ts';
import { listPeople } from '../db/people.ts';
import type { Database } from '../db/pool.ts';
import { projectionTables, putFact, putLine, putWords, type LineRow } from '../db/projections.ts';

type RowName = Pick<JobRow, 'id' | 'vehicleId'>;

/** Writes what the new entries change. */
export async function project(
	tx: Database,
	row: RowName,
	before: Job,
	after: Job,
	added: readonly Entry[]
): Promise<void> {
	await putLine(tx, lineOf(row, after));
	const words = wordsOf(after.record);
	const same = before.entries.length > 0 && words.join(' ') === wordsOf(before.record).join(' ');
	if (!same) await putWords(tx, row.id, words);
	for (const told of factsOf(after, added)) await keepFact(tx, row, told);
}

/** A fact, the entry that told it, and the car as it was known then. */
interface Told {
	fact: Projected;
	entry: Entry;
	car: Vehicle;
}

function factsOf({ entries, record: { imported } }: Job, added: readonly Entry[]): Told[] {
	/** Another shop's pace is not ours, and what nobody vouches for is offered to nobody. */
	const believed = ({ of }: Projected, { seq }: Entry): boolean =>
		imported === null ||
		seq > imported.seq ||
		!(
			of === 'step-time' ||
			of === 'links-undone' ||
			(['specification', 'own-knowledge'].includes(of) && !imported.verified)
		);
	return added.flatMap((entry) => {
		const car = carAt(entries, entry.seq);
		const facts = kindOf(entry.kind).projects?.(entry, car) ?? [];
		return facts.filter((fact) => believed(fact, entry)).map((fact) => ({ fact, entry, car }));
	});
}

const keepFact = (
	tx: Database,
	{ id, vehicleId }: RowName,
	{ fact, entry, car }: Told
): Promise<void> =>
	putFact(tx, fact, {
		jobId: id,
		vehicleId,
		model: modelOf(car),
		modelYear: car.modelYear,
		entryId: entry.id,
		personId: entry.personId,
		enteredAt: entry.enteredAt,
		storedAt: entry.storedAt
	});

/** What cars of one model have in common, as a key; empty where the model is not known. */
export const modelOf = ({ make, model }: Pick<Vehicle, 'make' | 'model'>): string =>
	model ? `${make}|${model}` : '';

/** The line of a job, as its book has it. */
function lineOf(row: RowName, { record, view, work }: Job): LineRow {
	const { vehicle, odometerKm, complaint, corners, technicianId, openedAt, signedAt } = record;
	const { order, minutes, scope, done } = work;
	const expected = (without?: ReadonlySet<string>) =>
		order.steps.length
			? Math.round(
					expectedMinutes(timedCar(row.id, order, minutes, scope.strategy.people, without))
				)
			: null;
	return {
		jobId: row.id,
		vehicleId: row.vehicleId,
		plate: vehicle.plate,
		car: [vehicle.make, vehicle.model, vehicle.modelYear].filter(Boolean).join(' '),
		owner: vehicle.owner,
		complaint,
		corners,
		stage: view.standing.stage,
		owed: view.standing.owed.length,
		minutes: expected(),
		minutesLeft: expected(done),
		soakHours: soakNeeded(scope.rust, scope.strategy),
		odometerKm,
		wheelTorqueNm: wheelTorqueNm(record),
		openedAt,
		signedAt,
		technicianId,
		promisedAt: record.promisedAt ?? null,
		partsWaiting: jobParts(record).filter(
			({ status, part }) => part !== 'hardware' && ['to-order', 'ordered'].includes(status)
		).length,
		phone: vehicle.phone ?? '',
		...lastOf({ record, work }),
		recheck:
			signedAt !== null &&
			record.retorques.length === 0 &&
			record.joints.some(({ kind }) => kind === 'wheel')
	};
}

/** Who is on it: the step that somebody has begun, else what was said last. */
function lastOf({
	record: { entries },
	work: { book, order }
}: Pick<Job, 'record' | 'work'>): Pick<LineRow, 'lastPersonId' | 'lastWhat' | 'lastAt'> {
	const own = entries.filter(
		({ kind }) => !['opened', 'head', 'joint', 'car', 'sealed'].includes(kind)
	);
	const running = own.findLast(
		({ kind, subject }) => kind === 'step' && book.get('step', subject)?.state === 'started'
	);
	const last = running ?? own.at(-1);
	if (!last) return { lastPersonId: null, lastWhat: '', lastAt: null };
	const title = order.steps.find(({ id }) => id === last.subject)?.title;
	const what = last.kind === 'step' && title ? title : kindOf(last.kind).name;
	return { lastPersonId: last.personId, lastWhat: what.slice(0, 120), lastAt: last.enteredAt };
}

/** Words that a job is found by. */
function wordsOf(record: JobRecord): string[] {
	const { vehicle, number, complaint, technicianId, people } = record;
	const technician = people.find(({ id }) => id === technicianId)?.name ?? '';
	const { plate, make, model, owner } = vehicle;
	const text = [number, complaint, plate, make, model, owner, technician].join(' ');
	const joined = plain(plate.replace(/[^\p{L}\p{N}]/gu, ''));
	return [...new Set([...searchWords(text), joined].map((word) => word.slice(0, 40)))].sort();
}

/** A technician has another name: their jobs are found by it from now on. */
export async function renamed(tx: Database, personId: string): Promise<void> {
	const people = await listPeople(tx);
	for (const row of await listJobsOfTechnician(tx, personId)) {
		const job = new Job({ ...row, people }, await listEntries(tx, row.id));
		await putWords(tx, row.id, wordsOf(job.record));
	}
}

/** What somebody searches for, word by word, as words are kept. */
export const searchWords = (text: string): string[] =>
	plain(text)
		.split(/[^\p{L}\p{N}]+/u)
		.filter(Boolean);

/** Small letters without marks. */
const plain = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

/** Makes every projection anew from the books, in one transaction. @returns how many jobs there are */
export async function rebuild(
	db: Database,
	onjob: (done: number, all: number) => void = () => {}
): Promise<number> {
	return db.transaction(async (tx) => {
		for (const table of projectionTables) await tx.run(`DELETE FROM ${table}`);
		const [jobs, people] = [await listJobs(tx), await listPeople(tx)];
		// A note may be taken back in another job of its car: after all notes are there.
		const later: (() => Promise<void>)[] = [];
		for (const [i, row] of jobs.entries()) {
			const job = new Job({ ...row, people }, await listEntries(tx, row.id));
			if (job.entries.length === 0) continue;
			await putLine(tx, lineOf(row, job));
			await putWords(tx, row.id, wordsOf(job.record));
			for (const told of factsOf(job, job.entries)) {
				const keep = () => keepFact(tx, row, told);
				if (told.fact.of === 'car-note-withdrawn') later.push(keep);
				else await keep();
			}
			onjob(i + 1, jobs.length);
		}
		for (const keep of later) await keep();
		return jobs.length;
	});
}
