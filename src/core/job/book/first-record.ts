/**
 * A job as it was kept before there was one book: rows of ten shapes. Old job files hold it, and old
 * databases are read into it; here it becomes entries, and nothing of it is lost.
 */
import { axleOf } from '../../height/corners.ts';
import { findLayout } from '../../layout/at-hand.ts';
import type { TwistLimits } from '../../bush/verdict.ts';
import type { FirstLink } from '../kinds/carried/data.ts';
import type { KindData, KindName } from '../kinds/data.ts';
import type { JobHeader, Joint, PersonName, Photo, Torque } from '../model.ts';
import type { JobRecord } from '../record.ts';
import type { Entry } from './entry.ts';

export interface FirstRecord
	extends
		Omit<JobHeader, 'limits'>,
		Pick<
			JobRecord,
			| 'vehicle'
			| 'heightSets'
			| 'offsets'
			| 'readings'
			| 'targets'
			| 'torques'
			| 'loadings'
			| 'retorques'
		> {
	version: number;
	signOff: {
		id: string;
		personId: string;
		overrideReason: string | null;
		owed: string[];
		signedAt: string;
	} | null;
	joints: Omit<Joint, 'key'>[];
	/** The work before the round. */
	work: {
		id: string;
		kind: KindName;
		subject: string;
		data: unknown;
		personId: string;
		takenAt: string;
	}[];
	photos: Omit<Photo, 'digest'>[];
	chain: FirstLink[];
	people: PersonName[];
}

export interface CarryOver {
	/** The shop's limits: jobs had none of their own. */
	limits: TwistLimits;
	changes: KindData['carried']['changes'];
	/** When an entry is stored, told when it was entered. */
	storedAt: (enteredAt: string) => string;
	key: () => string;
}

/** An entry before it has a number and a hash. */
type Loose = Omit<Entry, 'seq' | 'hash'>;
type Dated = { kind: KindName; subject: string; data: unknown; corrects?: string | null } & {
	id: string;
	personId: string;
	takenAt: string;
};

/** The book of a job from before, in the order of its chain and of the clock; hashes are added where it is stored. */
export function bookOfFirst(job: FirstRecord, how: CarryOver): Loose[] {
	const arranged = (kind: KindName, subject: string, data: unknown, id = how.key()): Dated => ({
		id,
		kind,
		subject,
		data,
		personId: job.createdBy,
		takenAt: job.openedAt
	});
	const { number, vehicle, complaint, odometerKm, odometerEntered } = job;
	const { corners, technicianId, school, resetAboveMm } = job;
	const head = {
		number,
		vehicle,
		complaint,
		odometerKm,
		odometerEntered,
		corners,
		technicianId,
		school,
		resetAboveMm,
		limits: how.limits
	};
	const list: Dated[] = [
		arranged('opened', 'car', head, job.id),
		...job.joints.map(({ id, ...joint }) =>
			arranged('joint', id, { ...joint, key: keyOf(job, joint), removed: false })
		),
		...Object.entries(job.heightSets).map(([phase, set]) => arranged('conditions', phase, set)),
		...Object.entries(job.offsets).map(([axle, offset]) => arranged('offset', axle, offset)),
		...merged([measured(job), job.work, photos(job)]),
		...job.targets.map(({ corner, ...target }) => arranged('target', corner, target)),
		arranged('carried', 'car', { chain: job.chain, changes: how.changes }),
		...signed(job),
		...job.retorques.map(({ id, personId, takenAt, ...data }): Dated => ({
			id,
			kind: 'retorque',
			subject: 'car',
			data,
			personId,
			takenAt
		}))
	];
	return list.map(({ takenAt, corrects = null, ...entry }, i) => ({
		...entry,
		corrects,
		device: null,
		enteredAt: takenAt,
		storedAt: how.storedAt(takenAt),
		seen: i
	})) as Loose[];
}

/**
 * The layout's key of a joint, which was not kept: by its name, or, where it was renamed, by its place in
 * the layout's list, as long as it is of the kind that stands there and nothing else has that name.
 */
function keyOf(
	{ vehicle, joints }: FirstRecord,
	{ corner, name, position, kind }: Pick<Joint, 'corner' | 'name' | 'position' | 'kind'>
): string | null {
	const list = findLayout(vehicle.axles[axleOf(corner)].layout)!.joints;
	const named = list.find((joint) => joint.name === name);
	if (named) return named.key;
	const there = list[position];
	const taken = joints.some((other) => other.corner === corner && other.name === there?.name);
	return there?.kind === kind && !taken ? there.key : null;
}

/** Readings, torques and loadings, in the order of the chain where there is one. */
function measured(job: FirstRecord): Dated[] {
	const rows: Dated[] = [
		...job.readings.map(({ id, corner, correctsId, personId, takenAt, ...data }): Dated => ({
			id,
			kind: 'reading',
			subject: corner,
			data,
			corrects: correctsId,
			personId,
			takenAt
		})),
		...job.torques.map(torque),
		...job.loadings.map(({ id, corner, personId, takenAt, ...data }): Dated => ({
			id,
			kind: 'loading',
			subject: corner,
			data,
			personId,
			takenAt
		}))
	];
	const place = new Map(job.chain.map(({ id, seq }) => [id, seq]));
	if (place.size === 0) return rows;
	return rows.sort((a, b) => (place.get(a.id) ?? Infinity) - (place.get(b.id) ?? Infinity));
}

function torque(row: Torque): Dated {
	const { id, jointId, correctsId, personId, takenAt, skipReason, ...data } = row;
	const common = { id, subject: jointId, corrects: correctsId, personId, takenAt };
	if (skipReason === null) return { ...common, kind: 'torque', data };
	const { action, carState, method, hubToArchMm, hubToArchEntered, overrideReason } = data;
	return {
		...common,
		kind: 'skip',
		data: {
			action,
			reason: skipReason,
			carState,
			method,
			hubToArchMm,
			hubToArchEntered,
			overrideReason
		}
	};
}

const photos = (job: FirstRecord): Dated[] =>
	job.photos.map(({ id, subject: about, personId, takenAt, ...data }) => ({
		id,
		kind: 'photo',
		subject: id,
		data: { about, digest: null, ...data },
		personId,
		takenAt
	}));

function signed({ signOff }: FirstRecord): Dated[] {
	if (!signOff) return [];
	const { id, personId, overrideReason, owed, signedAt } = signOff;
	const data = { overrideReason, owed };
	return [{ id, kind: 'signed', subject: 'car', data, personId, takenAt: signedAt }];
}

/** One list of several, each in its own order, by the clock between them. */
function merged(lists: readonly Dated[][]): Dated[] {
	const rest = lists.map((list) => [...list]);
	const all: Dated[] = [];
	for (;;) {
		const next = rest
			.filter((list) => list.length)
			.reduce<Dated[] | undefined>(
				(first, list) => (first && first[0]!.takenAt <= list[0]!.takenAt ? first : list),
				undefined
			);
		if (!next) return all;
		all.push(next.shift()!);
	}
}
