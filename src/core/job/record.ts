/** A job with all that its book says. */
import type { Axle } from '../height/corners.ts';
import type { Entry } from './book/entry.ts';
import type { KindName } from './kinds/data.ts';
import type {
	HeightSet,
	JobHeader,
	Joint,
	Loading,
	PersonName,
	Phase,
	Photo,
	Reading,
	Retorque,
	SignOff,
	Target,
	Torque,
	Vehicle
} from './model.ts';

/** Something that was said twice and differently, neither knowing of the other. */
export interface Look {
	kind: KindName;
	subject: string;
	/** Oldest first; the last of them counts until somebody says otherwise. */
	entries: Entry[];
}

/** A job with everything on record about it: what its book comes to. */
export interface JobRecord extends JobHeader {
	/** The book itself, in its order. */
	entries: readonly Entry[];
	/** Number of its last entry; 0 for an empty book. */
	seq: number;
	/** What two people said without knowing of each other, and nobody has settled. */
	looks: Look[];
	/** The car as this job knows it. */
	vehicle: Vehicle;
	heightSets: Partial<Record<Phase, HeightSet>>;
	/** What is added to an axle's reading to give hub to arch. */
	offsets: Partial<Record<Axle, { offsetMm: number; entered: string }>>;
	/** In the order they were written; corrections and withdrawals among them. */
	readings: Reading[];
	targets: Target[];
	joints: Joint[];
	torques: Torque[];
	loadings: Loading[];
	photos: Photo[];
	signOff: SignOff | null;
	retorques: Retorque[];
	/** Everyone the record names. */
	people: PersonName[];
}
