/** The things a shop works with, as they travel between database, pages and files. */
import type { PredictHeightInput } from '../car/predict-height.ts';
import type { BushSetBand } from '../bush/band.ts';
import type { Axle, Corner } from '../height/corners.ts';
import type { SchoolKey } from '../height/schools.ts';
import type { CornerGeometry } from '../mechanism/geometry.ts';
import type { JointProgramme } from '../fastener/joint-programme.ts';
import type { ThreadCondition, ThreadSpec } from '../fastener/lubrication.ts';
import type { JointKind, JointPlace, JointTool, TightenRule } from '../layout/types.ts';
import type { CarState, Sight, LoadMethod } from '../procedure/facts.ts';
import type { TwistLimits } from '../bush/verdict.ts';

export type Role = 'technician' | 'lead';

export interface PersonName {
	id: string;
	name: string;
	role: Role;
}

export interface VehicleAxle {
	layout: string;
	trackMm: number;
	tyreSize: string;
	/** Taped geometry; null where the layout's assumption stands in. */
	armLengthMm: number | null;
	outerBelowInnerMm: number | null;
	referenceHubToArchMm: number | null;
	wheelRateNPerMm: number | null;
	/** The maker's specified height, with the school it is measured in. */
	makerHeightMm: number | null;
	makerHeightSchool: SchoolKey | null;
	/** Further measures by the core's names of them, mm and degrees; null where nothing more was taped. */
	tape: Record<string, number> | null;
	/** Hardpoints of the left side at the reference hub to arch; they go before the tape. */
	hardpoints: CornerGeometry | null;
}

export interface Vehicle {
	id: string;
	plate: string;
	vin: string | null;
	make: string;
	model: string;
	modelYear: number | null;
	owner: string;
	/** Of the customer; absent: not noted. */
	phone?: string;
	wheelbaseMm: number;
	modifications: string;
	axles: Record<Axle, VehicleAxle>;
	/** Dimensions as they were typed, by path such as `front.trackMm`. */
	entered: Record<string, string>;
	version: number;
}

/** How the car stood while heights were read. */
export interface Conditions {
	levelFloor: boolean;
	rolledAndBounced: boolean;
	steeringAhead: boolean;
	brakesOff: boolean;
	/** As said: cold pressures, fuel, load. */
	tyrePressures: string;
	fuel: string;
	load: string;
}

export interface HeightSet {
	conditions: Conditions;
	resolutionMm: number;
}

export type Phase = 'before' | 'after';

export interface Reading {
	id: string;
	phase: Phase;
	corner: Corner;
	school: SchoolKey;
	/** Null in a row that withdraws another. */
	heightMm: number | null;
	entered: string;
	/** Absent: the first. */
	standing?: number;
	correctsId: string | null;
	withdrawn: boolean;
	personId: string;
	takenAt: string;
}

export interface Target {
	corner: Corner;
	heightMm: number;
	entered: string;
	source: 'maker' | 'predicted' | 'chosen';
	/** What a predicted height rests on; null for the others. */
	prediction: Prediction | null;
}

/** A predicted height: what went in, as SI and as typed, and how far it may be off. */
interface Prediction {
	input: PredictHeightInput;
	typed: Record<string, string>;
	expandedMm: number;
}

export interface Joint {
	id: string;
	/** The layout's key of it; null for a joint the layout does not list. A name may be changed, this not. */
	key: string | null;
	corner: Corner;
	position: number;
	name: string;
	kind: JointKind;
	rule: TightenRule;
	torqueNm: number | null;
	torqueEntered: string | null;
	torqueSource: 'maker' | 'shop' | 'estimated' | null;
	oneTime: boolean;
	tool: JointTool;
	holdStud: boolean;
	/** The same on both sides of an axle: done together before the car is loaded. */
	pairKey: string | null;
	/** What is done besides pulling to the torque; null: nothing. */
	programme: JointProgramme | null;
	thread: JointThread | null;
	/** Where on the corner it sits; null for a joint the layout does not list. */
	place: JointPlace | null;
	/** False: not undone in this job. */
	loosened: boolean;
	note: string;
}

/** Thread and class as they are, and whether it goes together otherwise than specified. */
export interface JointThread extends ThreadSpec {
	condition: ThreadCondition;
}

export interface Torque {
	id: string;
	jointId: string;
	/** Step of the joint's programme, from 0. */
	action: number;
	torqueNm: number | null;
	angleDeg: number | null;
	entered: string;
	seen: Sight | null;
	/** Passed over in the round, and why. */
	skipReason: string | null;
	wrench: string;
	wrenchId: string | null;
	/** What the wrench was set to, where an adapter makes that another number. */
	settingNm: number | null;
	/** Why a wrench was used that is out of range or out of date. */
	overrideReason: string | null;
	/** The device's reading this row was made from. */
	deviceReadingId: string | null;
	carState: CarState;
	method: LoadMethod | null;
	hubToArchMm: number | null;
	hubToArchEntered: string | null;
	/** What the bush was judged against when the row was written. */
	targetHubToArchMm: number | null;
	bush: BushSetBand | null;
	/** Rubber that had been clamped elsewhere: loosened first, or only checked; null: not asked. */
	loosenedFirst: boolean | null;
	/** Why it was tightened before its turn. */
	aheadReason: string | null;
	correctsId: string | null;
	withdrawn: boolean;
	personId: string;
	takenAt: string;
}

/** A look at a loaded corner before and while its rubber is tightened. */
export interface Loading {
	id: string;
	corner: Corner;
	method: LoadMethod;
	hubToArchMm: number;
	entered: string;
	/** At the opposite corner, before the jack took weight and now. */
	oppositeBeforeMm: number | null;
	oppositeNowMm: number | null;
	/** The device's reading it was made from. */
	deviceReadingId: string | null;
	personId: string;
	takenAt: string;
}

/** Whether a chain holds, and if not, the first place where it does not. */
export interface Proof {
	entries: number;
	/** Hash of the last link: on the sheet, it stands for the whole record. */
	head: string | null;
	holds: boolean;
	broken?: { seq: number; words: string };
}

export interface SignOff {
	id: string;
	/** Number of its entry. */
	seq: number;
	personId: string;
	/** What was still open when a lead signed all the same, each with the reason. */
	over: readonly { item: string; reason: string }[];
	signedAt: string;
}

/** A signed job was opened again, and why. */
export interface Addendum {
	/** Number of its entry: what comes after it is added. */
	seq: number;
	reason: string;
	personId: string;
	openedAt: string;
}

/** Wheel fasteners checked again after the first kilometres. */
export interface Retorque {
	id: string;
	odometerKm: number | null;
	odometerEntered: string | null;
	torqueNm: number;
	entered: string;
	found: 'held' | 'moved';
	note: string;
	personId: string;
	takenAt: string;
}

/** Parts are renewed; or the car is measured and its rubber set anew at ride height, nothing else undone. */
export const jobPurposes = ['renew', 'set'] as const;
export type JobPurpose = (typeof jobPurposes)[number];

export interface JobHeader {
	id: string;
	number: string;
	complaint: string;
	odometerKm: number | null;
	odometerEntered: string | null;
	corners: Corner[];
	technicianId: string | null;
	school: SchoolKey;
	openedAt: string;
	createdBy: string;
	signedAt: string | null;
	/** A change of height above this owes every bonded bush of the corner a re-set, mm. */
	resetAboveMm: number;
	/** Twist up to which a bush is set or a re-set is advised: the shop's when the job was opened. */
	limits: TwistLimits;
	/** Absent: parts are renewed. */
	purpose?: JobPurpose;
	/** When the customer was told it would be ready. */
	promisedAt?: string | null;
}

/** Longest side of a kept picture, pixels: cut in the browser to save the way, and again by the server. */
export const photoSide = 1600;

export interface Photo {
	id: string;
	corner: Corner | null;
	/** What it shows: a point of the inspection, a step of the work. */
	subject: string;
	note: string;
	width: number;
	height: number;
	/** SHA-256 of the picture; null for one from before there was a digest. */
	digest: string | null;
	withdrawn: boolean;
	personId: string;
	takenAt: string;
}
