/**
 * The job on this screen: the server's record, with the entries on top that are still on their way, and
 * what the core makes of both.
 */
import type { TwistLimits } from '$core/bush/verdict';
import type { Dimension } from '$core/units/dimensions';
import { parseQuantity } from '$core/units/parse';
import type { JobRecord, Loading, Reading, Torque } from '$core/job/model';
import { judgeBush, viewJob, type JobView } from '$core/job/view';
import { viewWork, type WorkView } from '$core/job/work';
import type { WorkData, WorkEntry, WorkKind } from '$core/job/work-book';
import type { RecordedStep } from '$core/work/minutes';
import { v7 as uuidv7 } from 'uuid';
import { getContext, setContext } from 'svelte';
import { call, rightNow, type Refusal } from './api';
import { outbox } from './outbox.svelte';

const key = Symbol('job');

export class JobState {
	/** As the page was loaded, until it is loaded again. */
	#confirmed: JobRecord;
	readonly #limits: () => TwistLimits;
	readonly #personId: () => string;

	readonly #timed: () => readonly RecordedStep[];

	constructor(
		record: () => JobRecord,
		limits: () => TwistLimits,
		personId: () => string,
		timed: () => readonly RecordedStep[]
	) {
		this.#confirmed = $derived(record());
		this.#limits = limits;
		this.#personId = personId;
		this.#timed = timed;
	}

	/** Ids of entries that the server has not confirmed. */
	readonly unsent: readonly string[] = $derived(outbox.waiting.map((entry) => entry.id));

	readonly record: JobRecord = $derived.by(() => {
		const record = this.#confirmed;
		const known = [...record.readings, ...record.torques, ...record.loadings, ...record.work].map(
			({ id }) => id
		);
		const waiting = (kind: string) =>
			outbox.accepted
				.filter((entry) => entry.path === `/jobs/${record.id}/${kind}` && !known.includes(entry.id))
				.map((entry) => entry.body);
		const [readings, torques, loadings, work] = [
			waiting('readings'),
			waiting('torques'),
			waiting('loadings'),
			waiting('work')
		];
		if (readings.length + torques.length + loadings.length + work.length === 0) return record;
		const person = this.#personId();
		return {
			...record,
			readings: [...record.readings, ...readings.map((body) => toReading(body, person))],
			torques: [
				...record.torques,
				...torques.map((body) => toTorque(body, person, record, this.#limits()))
			],
			loadings: [...record.loadings, ...loadings.map((body) => toLoading(body, person))],
			work: [
				...record.work,
				...work.map((body) => ({ ...body, personId: person }) as unknown as WorkEntry)
			]
		};
	});

	readonly view: JobView = $derived(viewJob(this.record));

	readonly work: WorkView = $derived.by(() =>
		viewWork(this.record, this.#limits(), this.#timed(), this.view)
	);

	/**
	 * Adds an entry to the book of the work.
	 *
	 * @returns what the server refused at once; the entry is then dropped
	 */
	async keep<K extends WorkKind>(
		kind: K,
		subject: string,
		data: WorkData[K]
	): Promise<Refusal | undefined> {
		const id = uuidv7();
		const refusal = await outbox.add(`/jobs/${this.#confirmed.id}/work`, {
			id,
			kind,
			subject,
			data: $state.snapshot(data),
			takenAt: rightNow()
		});
		if (refusal) outbox.drop(id);
		return refusal;
	}

	/** Asks the server again; while it is away the record stays as it is known. @returns true when it answered */
	async reload(): Promise<boolean> {
		const answer = await call<JobRecord>('GET', `/jobs/${this.#confirmed.id}`);
		if (answer.ok && answer.value.id === this.#confirmed.id) this.#confirmed = answer.value;
		return answer.ok;
	}

	get limits(): TwistLimits {
		return this.#limits();
	}

	personName(id: string): string {
		return this.record.people.find((person) => person.id === id)?.name ?? '';
	}
}

type Body = Record<string, unknown>;

const siOf = (text: unknown, dimension: Dimension): number | null => {
	const parsed = parseQuantity(String(text ?? ''), dimension, { field: 'value' });
	return parsed.ok ? parsed.value.si : null;
};
const orNull = <T>(value: unknown): T | null => (value === undefined ? null : (value as T));

function toReading(body: Body, personId: string): Reading {
	return {
		id: body.id as string,
		phase: body.phase as Reading['phase'],
		corner: body.corner as Reading['corner'],
		school: body.school as Reading['school'],
		heightMm: siOf(body.height, 'length'),
		entered: orNull<string>(body.height) ?? 'withdrawn',
		correctsId: orNull(body.correctsId),
		withdrawn: body.withdraw === true,
		personId,
		takenAt: body.takenAt as string
	};
}

function toTorque(body: Body, personId: string, record: JobRecord, limits: TwistLimits): Torque {
	const hubToArchMm = siOf(body.hubToArch, 'length');
	const joint = record.joints.find(({ id }) => id === body.jointId);
	const bonded = joint?.kind === 'bonded-bush' && body.carState === 'loaded';
	const judged =
		bonded && hubToArchMm !== null
			? judgeBush(record, joint.corner, hubToArchMm, limits, joint.place)
			: undefined;
	const { targetHubToArchMm = null, ...bush } = judged?.ok ? judged.value : {};
	return {
		id: body.id as string,
		jointId: body.jointId as string,
		action: (body.action as number | undefined) ?? 0,
		torqueNm: siOf(body.torque, 'torque'),
		angleDeg: siOf(body.angle, 'angle'),
		entered: [body.torque, body.angle].filter(Boolean).join(', ') || String(body.seen ?? ''),
		seen: orNull(body.seen),
		skipReason: orNull(body.skipReason),
		wrench: String(body.wrench ?? ''),
		wrenchId: orNull(body.wrenchId),
		settingNm: null,
		overrideReason: orNull(body.overrideReason),
		deviceReadingId: null,
		carState: body.carState as Torque['carState'],
		method: orNull(body.method),
		hubToArchMm,
		hubToArchEntered: orNull(body.hubToArch),
		targetHubToArchMm,
		bush: judged?.ok ? (bush as Torque['bush']) : null,
		correctsId: orNull(body.correctsId),
		withdrawn: body.withdraw === true,
		personId,
		takenAt: body.takenAt as string
	};
}

function toLoading(body: Body, personId: string): Loading {
	return {
		id: body.id as string,
		corner: body.corner as Loading['corner'],
		method: body.method as Loading['method'],
		hubToArchMm: siOf(body.hubToArch, 'length') ?? 0,
		entered: String(body.hubToArch),
		oppositeBeforeMm: siOf(body.oppositeBefore, 'length'),
		oppositeNowMm: siOf(body.oppositeNow, 'length'),
		deviceReadingId: null,
		personId,
		takenAt: body.takenAt as string
	};
}

export const provideJob = (state: JobState): JobState => setContext(key, state);
export const currentJob = (): JobState => getContext<JobState>(key);
