import { siUnit, units } from '../units/dimensions.ts';
import { bolt } from './bolt.ts';
import { ok, type Result } from '../result.ts';
import {
	threadName,
	usualHeadShare,
	usualThreads,
	type PropertyClass,
	type Thread
} from './thread.ts';

/** A torque between these shares of the torque at 90 % of yield is believed: own choice. */
const believable = { from: 0.3, to: 1.3 } as const;

/** Units people mix up with N·m. */
const otherUnits = units.torque.filter(({ symbol }) => symbol !== siUnit('torque').symbol);

export interface Plausibility {
	plausible: boolean;
	/** Torque at 90 % of yield with μ = 0.12. */
	referenceNm: number;
	/** The torque over that reference. */
	share: number;
	/** What the person may have meant, most likely first. */
	likely: string[];
}

function referenceTorque(thread: Thread, propertyClass: PropertyClass): Result<number> {
	const result = bolt({
		...thread,
		propertyClass,
		frictionThread: 0.12,
		frictionHead: 0.12,
		meanHeadDiameterMm: usualHeadShare * thread.diameterMm
	});
	return result.ok ? ok(result.value.torque90Nm) : result;
}

const fits = (share: number) => share >= believable.from && share <= believable.to;

/** Do thread, class and torque belong together? If not, which slip would explain it. */
export function plausibleTorque({
	propertyClass,
	torqueNm,
	...thread
}: Thread & { propertyClass: PropertyClass; torqueNm: number }): Result<Plausibility> {
	const reference = referenceTorque(thread, propertyClass);
	if (!reference.ok) return reference;
	const referenceNm = reference.value;
	const share = torqueNm / referenceNm;
	if (fits(share)) return ok({ plausible: true, referenceNm, share, likely: [] });
	/** The two of a kind that come nearest to the reference. */
	const nearest = (slips: readonly { words: string; share: number }[]) =>
		slips
			.filter((slip) => fits(slip.share))
			.sort((a, b) => Math.abs(Math.log(a.share)) - Math.abs(Math.log(b.share)))
			.slice(0, 2)
			.map(({ words }) => words);
	const unitSlips = otherUnits.flatMap(({ symbol, toSi }) => [
		{ words: `the number was in ${symbol}`, share: share * toSi },
		{ words: `N·m was meant and ${symbol} was chosen`, share: share / toSi }
	]);
	const threadSlips = usualThreads.flatMap((other) => {
		const there = referenceTorque(other, propertyClass);
		return there.ok && other.diameterMm !== thread.diameterMm
			? [{ words: `the thread is ${threadName(other)}`, share: torqueNm / there.value }]
			: [];
	});
	const likely = [...nearest(unitSlips), ...nearest(threadSlips)];
	return ok({ plausible: false, referenceNm, share, likely });
}
