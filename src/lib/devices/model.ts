/** Devices that report readings by themselves, as they travel between database, pages and the wire. */
import type { TraceResult } from '../../core/fastener/trace/read.ts';
import type { Corner } from '../../core/height/corners.ts';
import type { CarState, LoadMethod } from '../../core/procedure/facts.ts';
import type { PerCorner } from '../../core/height/corners.ts';
import type { Phase } from '../../core/job/model.ts';

export const deviceKinds = ['wrench', 'height-gauge', 'wheel-scales'] as const;
export type DeviceKind = (typeof deviceKinds)[number];

export const deviceKindNames: Readonly<Record<DeviceKind, string>> = {
	wrench: 'Torque wrench',
	'height-gauge': 'Height gauge',
	'wheel-scales': 'Wheel scales'
};

/** Where the next reading of a device belongs; set by a person, kept until it is done or changed. */
export type DeviceTask = {
	id: string;
	jobId: string;
	personId: string;
	/** When it was last asked: an open page asks again and again. */
	askedAt: string;
	/** What the device may show: car, corner, joint. */
	label: string;
} & (
	| {
			kind: 'torque';
			jointId: string;
			action: number;
			carState: CarState;
			method: LoadMethod | null;
			hubToArchMm: number | null;
			/** What was said of it before the pull; see `torque` of a book. */
			loosenedFirst?: boolean;
			aheadReason?: string;
			/** What the wrench must show; null where nobody has said. */
			targetNm: number | null;
			/** Of that, what the nut takes to turn; null where none was measured. */
			prevailingNm: number | null;
			/** Turned after snug, where the step ends by angle. */
			angleDeg: number | null;
	  }
	| { kind: 'height'; corner: Corner; phase: Phase }
	| { kind: 'loading'; corner: Corner; method: LoadMethod }
	| { kind: 'loads' }
);

/** A task without what the server adds. */
export type TaskKind = DeviceTask['kind'];

export interface Device {
	id: string;
	name: string;
	kind: DeviceKind;
	wrenchId: string | null;
	active: boolean;
	lastSeq: number;
	task: DeviceTask | null;
	seenAt: string | null;
}

/** What a device measured, as sent. */
type Measured =
	| {
			kind: 'torque';
			torqueNm: number;
			angleDeg?: number;
			trace?: { angleDeg: number[]; torqueNm: number[] };
			/** False: it broke off, by its battery or by being dropped. */
			complete: boolean;
	  }
	| { kind: 'height'; heightMm: number }
	| { kind: 'loads'; loadsN: PerCorner<number> };

/** A reading on the wire. */
export type SentReading = Measured & {
	id: string;
	seq: number;
	takenAt: string;
	/** The task the device had when it measured. */
	task: string | null;
	/** Share of a full battery. */
	battery?: number;
};

export interface DeviceReading {
	id: string;
	deviceId: string;
	device: string;
	seq: number;
	jobId: string | null;
	jointId: string | null;
	state: 'placed' | 'held' | 'set-aside';
	/** Why it is held, or was set aside. */
	reason: string;
	reading: SentReading;
	verdict: TraceResult | null;
	rowId: string | null;
	takenAt: string;
}

/** Answer to a reading: kept and placed, kept for a person to place, or here already. */
export interface Acknowledged {
	result: 'placed' | 'held' | 'duplicate';
	reason: string;
}
