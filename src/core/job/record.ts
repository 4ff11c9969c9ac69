/** A job with all that its book says. */
import type { Axle } from '../height/corners.ts';
import type { Entry } from './book/entry.ts';
import type { KindData, KindName } from './kinds/data.ts';
import type {
	Addendum,
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

/** What an entry holds, and who said it. */
type Signed<K extends KindName, When> = KindData[K] & When & { personId: string };

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
	/** What became of one-time hardware, by joint. */
	hardware: Record<string, Signed<'hardware', { saidAt: string }>>;
	/** Bushes taken as they are, by joint. */
	accepted: Record<string, Signed<'accepted', { acceptedAt: string }>>;
	/** Null: nobody has said. */
	onWheels: boolean | null;
	loadings: Loading[];
	photos: Photo[];
	/** While it is signed, the signature that counts. */
	signOff: SignOff | null;
	/** Every signature, oldest first; after the first each is over an addendum. */
	signOffs: SignOff[];
	/** While a signed job is open again. */
	addendum: Addendum | null;
	addenda: Addendum[];
	/** Where it came from, if it was brought in from a file. */
	imported: (KindData['imported'] & { seq: number; personId: string; importedAt: string }) | null;
	/** What each signature was sealed with; one from before there were seals has none. */
	seals: (KindData['sealed'] & { seq: number })[];
	retorques: Retorque[];
	/** Everyone the record names. */
	people: PersonName[];
}
