import { axleOf, corners as allCorners, type Corner } from '../../../height/corners.ts';
import type { SchoolKey } from '../../../height/schools.ts';
import { findLayout } from '../../../layout/registry.ts';
import { refuse } from '../../../problem.ts';
import { withUnit, type Quantity } from '../../../units/parse.ts';
import type { Context } from '../../book/entry.ts';
import type { Draft, Site } from '../../book/kind.ts';
import { jointFromLayout } from '../../joints.ts';
import type { JobRecord } from '../../record.ts';
import type { Data, subjects } from './data.ts';

export interface Said {
	complaint?: string;
	odometer?: Quantity | null | '';
	corners?: Corner[];
	technicianId?: string | null;
	school?: SchoolKey;
	resetAbove?: Quantity;
	promisedAt?: string | null;
}

/** What changes, field by field; joints follow the corners. */
export function decideHead({ record, said, context }: Site<Said>): Draft[] {
	const drafts: Draft[] = [];
	const put = (subject: (typeof subjects)[number], data: Data, same: boolean) => {
		if (!same) drafts.push({ kind: 'head', subject, data });
	};
	if (said.complaint !== undefined) {
		put('complaint', { complaint: said.complaint }, said.complaint === record.complaint);
	}
	if (said.odometer !== undefined) {
		const odometerKm = said.odometer ? said.odometer.si : null;
		const odometerEntered = said.odometer ? said.odometer.text : null;
		put('odometer', { odometerKm, odometerEntered }, odometerKm === record.odometerKm);
	}
	if (said.technicianId !== undefined) {
		const technicianId = said.technicianId || null;
		checkTechnician(context, technicianId);
		put('technician', { technicianId }, technicianId === record.technicianId);
	}
	if (said.school && said.school !== record.school) {
		if (record.readings.length) {
			throw refuse(
				'school',
				'cannot change once heights are on record: heights of different schools are never compared as they are',
				said.school
			);
		}
		put('school', { school: said.school }, false);
	}
	if (said.resetAbove) {
		const resetAboveMm = said.resetAbove.si;
		const entered = withUnit(said.resetAbove);
		put('reset-above', { resetAboveMm, entered }, resetAboveMm === record.resetAboveMm);
	}
	if (said.promisedAt !== undefined) {
		const { promisedAt } = said;
		put('promised', { promisedAt }, promisedAt === (record.promisedAt ?? null));
	}
	if (said.corners) {
		const corners = inOrder(said.corners);
		put('corners', { corners }, corners.join() === record.corners.join());
		drafts.push(...jointsFollow(record, corners, context));
	}
	return drafts;
}

/** @throws a refusal when it is nobody who works here */
function checkTechnician({ people = [] }: Context, id: string | null): void {
	if (!id || people.some((one) => one.id === id && one.active)) return;
	throw refuse('technicianId', 'is not somebody who works here', id);
}

/** Joints of new corners come from the layout; those of dropped corners go, unless they have a record. */
function jointsFollow(record: JobRecord, corners: Corner[], context: Context): Draft[] {
	const recorded = new Set(record.torques.map(({ jointId }) => jointId));
	const dropped = record.joints.filter(({ corner }) => !corners.includes(corner));
	const kept = dropped.find(({ id }) => recorded.has(id));
	if (kept) {
		throw refuse(
			'corners',
			`${kept.corner} has torques on record and cannot be dropped`,
			kept.corner
		);
	}
	const added = corners.filter((corner) => !record.corners.includes(corner));
	return [
		...dropped.map(({ id, ...joint }): Draft => ({
			kind: 'joint',
			subject: id,
			data: { ...joint, removed: true }
		})),
		...added.flatMap((corner) => layoutJoints(record, corner, context))
	];
}

export const inOrder = (corners: readonly Corner[]): Corner[] =>
	allCorners.filter((corner) => corners.includes(corner));

/** The joints that the layout has at a corner, nothing said of their torque yet. */
export function layoutJoints(
	{ vehicle, purpose }: Pick<JobRecord, 'vehicle' | 'purpose'>,
	corner: Corner,
	{ key }: Pick<Context, 'key'>
): Extract<Draft, { kind: 'joint' }>[] {
	return findLayout(vehicle.axles[axleOf(corner)].layout)!.joints.map((joint, position) => ({
		kind: 'joint',
		subject: key(),
		data: { ...jointFromLayout(joint, purpose), corner, position, removed: false }
	}));
}
