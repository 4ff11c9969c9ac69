import { cornerNames, type Axle, type Corner } from '../../../core/height/corners.ts';
import { schools, type SchoolKey } from '../../../core/height/schools.ts';
import { withMeantUnit, type Quantity } from '../../../core/units/parse.ts';
import type { Conditions, Phase, Reading, Target } from '../../../core/job/model.ts';
import {
	predictable,
	predictionEntry,
	predictTarget,
	type PredictionEntries
} from '../../../core/job/prediction.ts';
import { viewJob } from '../../../core/job/view.ts';
import {
	appendReading,
	deleteTarget,
	findReading,
	putHeightSet,
	putOffset,
	putTarget
} from '../db/heights.ts';
import type { Database } from '../db/pool.ts';
import { invalid, Problem, refuse } from '../problem.ts';
import { linkRow } from '../proof/chain.ts';
import { changeJob, holdOpenJob } from './change.ts';
import { loadJob } from './load.ts';

export interface NewReading {
	id: string;
	phase: Phase;
	corner: Corner;
	school: SchoolKey;
	height?: Quantity;
	correctsId?: string;
	withdraw?: boolean;
	takenAt: string;
}

export interface ConditionsInput {
	version: number;
	resolution: Quantity;
	conditions: Conditions;
}

export interface TargetInput {
	version: number;
	corner: Corner;
	/** Null goes back to the default. */
	height?: Quantity | null;
	source: 'maker' | 'predicted' | 'chosen';
	prediction?: Record<keyof PredictionEntries, Quantity | number>;
}

export interface OffsetInput {
	version: number;
	axle: Axle;
	offset: Quantity;
}

/** Adds a reading to the record. The same id twice is one reading, whatever the network did. */
export function addReading(
	db: Database,
	jobId: string,
	input: NewReading,
	personId: string
): Promise<Reading> {
	return db.transaction(async (tx) => {
		const job = await holdOpenJob(tx, jobId);
		const earlier = await findReading(tx, input.id);
		if (earlier) {
			if (earlier.jobId !== jobId) throw new Problem(409, 'That reading belongs to another job.');
			return earlier.reading;
		}
		if (input.school !== job.school) {
			throw refuse(
				'school',
				`this job measures ${schools[job.school].name.toLowerCase()}; a height of another school is not mixed in`,
				input.school
			);
		}
		if (input.height) checkHeight('height', input.height, job.school);
		if (input.correctsId) {
			const corrected = await findReading(tx, input.correctsId);
			const same =
				corrected?.jobId === jobId &&
				corrected.reading.phase === input.phase &&
				corrected.reading.corner === input.corner;
			if (!same) throw refuse('correctsId', 'is not a reading of this corner', input.correctsId);
		}
		const reading: Reading = {
			id: input.id,
			phase: input.phase,
			corner: input.corner,
			school: input.school,
			heightMm: input.height?.si ?? null,
			entered: input.height ? withUnit(input.height) : 'withdrawn',
			correctsId: input.correctsId ?? null,
			withdrawn: input.withdraw ?? false,
			personId,
			takenAt: input.takenAt
		};
		await appendReading(tx, jobId, reading);
		await linkRow(tx, jobId, 'reading', reading.id);
		return reading;
	});
}

/** What was typed, with the unit that was meant if none was. */
export function withUnit({ text, unit }: Quantity): string {
	return withMeantUnit(text, unit);
}

function checkHeight(field: string, height: Quantity, schoolKey: SchoolKey): void {
	const { minMm, maxMm, name } = schools[schoolKey];
	if (height.si >= minMm && height.si <= maxMm) return;
	throw refuse(
		field,
		`${withUnit(height)} cannot be a height ${name.toLowerCase()}: ${minMm} to ${maxMm} mm is possible. Look at the unit and the tape`,
		height.text
	);
}

export function setConditions(
	db: Database,
	jobId: string,
	phase: Phase,
	input: ConditionsInput,
	personId: string
): Promise<{ version: number }> {
	return changeJob(db, { jobId, version: input.version, personId }, async (tx) => {
		await putHeightSet(tx, jobId, phase, {
			conditions: input.conditions,
			resolutionMm: input.resolution.si
		});
		return `conditions of the heights ${phase}`;
	});
}

export function setTarget(
	db: Database,
	jobId: string,
	input: TargetInput,
	personId: string
): Promise<{ version: number }> {
	return changeJob(db, { jobId, version: input.version, personId }, async (tx, job) => {
		const { corner, height, source, prediction } = input;
		if (prediction) {
			const target = await predicted(tx, jobId, corner, prediction);
			await putTarget(tx, jobId, target);
			return `${cornerNames[corner]}: target predicted, ${target.heightMm.toFixed(1)} mm`;
		}
		if (!height) {
			await deleteTarget(tx, jobId, corner);
			return `${cornerNames[corner]}: target back to the default`;
		}
		checkHeight('height', height, job.school);
		const entered = withUnit(height);
		await putTarget(tx, jobId, { corner, heightMm: height.si, entered, source, prediction: null });
		return `${cornerNames[corner]}: target ${entered}`;
	});
}

async function predicted(
	tx: Database,
	jobId: string,
	corner: Corner,
	given: NonNullable<TargetInput['prediction']>
): Promise<Target> {
	const record = await loadJob(tx, jobId);
	const { before } = viewJob(record).corners[corner];
	if (!predictable(record.school)) {
		throw refuse('source', 'a pivot difference is not predicted: choose the target by hand');
	}
	if (!before) throw refuse('source', 'read the height before at this corner first');
	const list = Object.entries(given);
	const si = Object.fromEntries(
		list.map(([name, value]) => [name, typeof value === 'number' ? value : value.si])
	) as unknown as PredictionEntries;
	const found = predictTarget(si, before);
	if (!found.ok) {
		throw invalid(
			found.faults.map((fault) => ({
				...fault,
				field: `prediction.${predictionEntry[fault.field] ?? fault.field}`
			}))
		);
	}
	const { input, heightMm, expandedMm } = found.value;
	const typed = Object.fromEntries(
		list.map(([name, value]) => [name, typeof value === 'number' ? String(value) : withUnit(value)])
	);
	return {
		corner,
		heightMm,
		entered: `${heightMm.toFixed(1)} mm`,
		source: 'predicted',
		prediction: { input, typed, expandedMm }
	};
}

export function setOffset(
	db: Database,
	jobId: string,
	input: OffsetInput,
	personId: string
): Promise<{ version: number }> {
	return changeJob(db, { jobId, version: input.version, personId }, async (tx, job) => {
		if (job.school === 'hub-to-arch') {
			throw refuse('offset', 'this job measures hub to arch; there is nothing to convert');
		}
		const entered = withUnit(input.offset);
		await putOffset(tx, jobId, input.axle, { offsetMm: input.offset.si, entered });
		return `${input.axle} axle: hub to arch = reading + ${entered}`;
	});
}
