/** The plan of the bays as pages and server tell it. */
import type { Corner, PerCorner } from '../../core/height/corners.ts';
import type { Vehicle } from '../../core/job/model.ts';
import type { Stage } from '../../core/procedure/stages.ts';
import type { Danger } from '../../core/schedule/promise.ts';
import type { TimedCar } from '../../core/schedule/timeline.ts';

/** A car's place in the plan of the bays. */
export interface Slot {
	jobId: string;
	bay: number;
	startsAt: string;
	minutes: number;
	version: number;
	/** The car is not here before; null: it stands in the yard. */
	comesAt: string | null;
}

/** A job as the plan of the bays shows it. */
export interface BayJob {
	id: string;
	number: string;
	plate: string;
	complaint: string;
	/** Expected minutes of what is left, at the shop's own pace; null where nothing is planned yet. */
	minutes: number | null;
	/** Hours of soak before it. */
	soakHours: number;
	slot: Slot | null;
}

/** A car on the floor or in the yard. */
export interface FloorJob extends BayJob {
	stage: Stage | 'signed';
	/** Things left to do. */
	owed: number;
	promisedAt: string | null;
	/** What stands against its promise, the worst first. */
	dangers: Danger[];
	/** Of a car that stands in a bay now. */
	car?: FloorCar;
}

/** What the board draws of a car. */
interface FloorCar {
	vehicle: Vehicle;
	corners: Corner[];
	owed: PerCorner<number>;
}

/** A car of a day, with what is left to do on it. */
export interface DayJob extends BayJob {
	slot: Slot;
	/** Null where nothing is planned yet. */
	car: TimedCar | null;
	/** Steps left that one person cannot do alone. */
	helpers: { at: string; title: string }[];
}
