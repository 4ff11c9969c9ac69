import { bolt, type BoltInput } from './bolt.ts';
import { usualHeadShare, type PropertyClass, type Thread } from './thread.ts';

/** A torque between these shares of the torque at 90 % of yield is believed: own choice. */
export const believable = { from: 0.3, to: 1.3 } as const;

/** Units people mix up, as what the number would be in N·m if it was meant in them. */
const slips = [
	{ unit: 'lbf·ft', factor: 1.3558179483314004 },
	{ unit: 'lbf·in', factor: 0.1129848290276167 },
	{ unit: 'kgf·m', factor: 9.80665 }
] as const;

export interface Plausibility {
	plausible: boolean;
	/** Torque at 90 % of yield with μ = 0.12. */
	referenceNm: number;
	share: number;
	/** What the person may have meant, most likely first. */
	likely: string[];
}

const coarse: Thread[] = [
	[6, 1],
	[8, 1.25],
	[10, 1.5],
	[12, 1.75],
	[14, 2],
	[16, 2],
	[18, 2.5],
	[20, 2.5],
	[8, 1],
	[10, 1.25],
	[12, 1.5],
	[12, 1.25],
	[14, 1.5],
	[16, 1.5]
].map(([diameterMm, pitchMm]) => ({ diameterMm: diameterMm!, pitchMm: pitchMm! }));

const referenceTorque = (thread: Thread, propertyClass: PropertyClass): number | undefined => {
	const input: BoltInput = {
		...thread,
		propertyClass,
		frictionThread: 0.12,
		frictionHead: 0.12,
		meanHeadDiameterMm: usualHeadShare * thread.diameterMm
	};
	const result = bolt(input);
	return result.ok ? result.value.torque90Nm : undefined;
};

const fits = (share: number) => share >= believable.from && share <= believable.to;

/** Do thread, class and torque belong together? If not, which slip would explain it. */
export function plausibleTorque(
	thread: Thread,
	propertyClass: PropertyClass,
	torque: number
): Plausibility | undefined {
	const referenceNm = referenceTorque(thread, propertyClass);
	if (referenceNm === undefined) return undefined;
	const share = torque / referenceNm;
	if (fits(share)) return { plausible: true, referenceNm, share, likely: [] };
	const likely = [
		...slips
			.filter(({ factor }) => fits((torque * factor) / referenceNm))
			.map(({ unit }) => `the number was in ${unit}`),
		...slips
			.filter(({ factor }) => fits(torque / factor / referenceNm))
			.map(({ unit }) => `N·m was meant and ${unit} was chosen`),
		...coarse
			.filter((other) => {
				const reference = referenceTorque(other, propertyClass)!;
				return other.diameterMm !== thread.diameterMm && fits(torque / reference);
			})
			.slice(0, 2)
			.map((other) => `the thread is M${other.diameterMm}×${other.pitchMm}`)
	];
	return { plausible: false, referenceNm, share, likely };
}
