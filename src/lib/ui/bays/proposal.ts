/** The times that a day's schedule gives its cars, as places for the plan of the bays. */
import { slotStepMin } from '$core/schedule/bays';
import type { Timeline } from '$core/schedule/timeline';
import type { DayJob } from '$lib/bays/model';
import { addMinutes } from 'date-fns';

type Place = Pick<DayJob['slot'], 'jobId' | 'bay' | 'startsAt' | 'minutes' | 'version'>;

/** A car of the schedule with its job: the schedule may still be of the cars before a change. */
export type DayLine = Timeline['cars'][number] & { job: DayJob };

/** In the order in which they begin. */
export const linesOf = (cars: Timeline['cars'], jobs: readonly DayJob[]): DayLine[] =>
	cars
		.flatMap((car) => {
			const job = jobs.find(({ id }) => id === car.id);
			return job ? [{ ...car, job }] : [];
		})
		.sort((a, b) => a.startMin - b.startMin);

/**
 * Where the schedule puts each car, on the quarters of an hour that the plan stands on; one after the other
 * in a bay.
 *
 * @param start when the schedule's minutes begin
 */
export function proposedPlaces(lines: readonly DayLine[], start: Date): Place[] {
	const freeAt: number[] = [];
	return lines.map(({ job, bay, startMin, endMin }) => {
		const from = Math.max(freeAt[bay] ?? 0, Math.floor(startMin / slotStepMin) * slotStepMin);
		const until = Math.ceil(endMin / slotStepMin) * slotStepMin;
		const minutes = Math.max(slotStepMin, until - from);
		freeAt[bay] = from + minutes;
		return {
			jobId: job.id,
			bay,
			startsAt: new Date(addMinutes(start, from).getTime()).toISOString(),
			minutes,
			version: job.slot.version
		};
	});
}

/** Of these places those at which a car does not stand yet. */
export const changedPlaces = (places: readonly Place[], jobs: readonly DayJob[]): Place[] =>
	places.filter(({ jobId, bay, startsAt, minutes }) => {
		const { slot } = jobs.find(({ id }) => id === jobId)!;
		return slot.bay !== bay || slot.startsAt !== startsAt || slot.minutes !== minutes;
	});
