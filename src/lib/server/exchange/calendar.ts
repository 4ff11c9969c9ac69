/** iCalendar files (RFC 5545) of what is to come. */
import { createEvent, createEvents, type DateArray } from 'ics';
import { retorqueAfterKm, retorqueDue } from '../../../core/procedure/retorque.ts';
import type { JobRecord } from '../../../core/job/record.ts';
import type { BayJob } from '../../bays/model.ts';

const dateAfter = (moment: number, days: number): DateArray => {
	const day = new Date(moment + days * 86_400_000);
	return [day.getUTCFullYear(), day.getUTCMonth() + 1, day.getUTCDate()];
};

/** A day for the car to come back and have its wheel fasteners checked. */
export function retorqueCalendar(job: JobRecord, shopName: string): string {
	const { days, fromKm, toKm } = retorqueDue(job.odometerKm ?? undefined);
	const signed = Date.parse(job.signedAt ?? job.openedAt);
	const { from, to } = retorqueAfterKm;
	const where = fromKm === undefined ? '' : ` (odometer ${fromKm} to ${toKm} km)`;
	const { error, value } = createEvent({
		uid: `retorque-${job.id}@vane-set`,
		productId: 'vane-set',
		start: dateAfter(signed, days),
		end: dateAfter(signed, days + 1),
		startInputType: 'utc',
		endInputType: 'utc',
		title: `Wheel fasteners checked: ${job.vehicle.plate}`,
		description: `${shopName}, job ${job.number}. After ${from} to ${to} km${where}.`
	});
	if (error) throw error;
	return value!;
}

/** Every car that has a bay, as an event each. */
export function bayCalendar(jobs: readonly BayJob[], shopName: string): string {
	const { error, value } = createEvents(
		jobs.flatMap(({ id, number, plate, complaint, slot }) => {
			if (!slot) return [];
			const at = new Date(slot.startsAt);
			const start: DateArray = [
				at.getUTCFullYear(),
				at.getUTCMonth() + 1,
				at.getUTCDate(),
				at.getUTCHours(),
				at.getUTCMinutes()
			];
			return [
				{
					uid: `bay-${id}@vane-set`,
					productId: 'vane-set',
					start,
					startInputType: 'utc' as const,
					startOutputType: 'utc' as const,
					duration: { minutes: slot.minutes },
					title: `Bay ${slot.bay + 1}: ${plate}`,
					description: `${shopName}, job ${number}. ${complaint}`
				}
			];
		})
	);
	if (error) throw error;
	return value!;
}
