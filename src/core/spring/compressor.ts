import { standardGravity } from '../units/dimensions.ts';
import { faulty, ok, type Fault, type Result } from '../result.ts';

export interface CompressorInput {
	rateNPerMm: number;
	activeCoils: number;
	/** Coils between the hooks. */
	hookedCoils: number;
	freeLengthMm: number;
	/** Length of the spring in the assembled strut. */
	installedLengthMm: number;
	/** Coils that lie dead on the seats, both ends together; 1.5 if absent. */
	deadCoils?: number;
	/** Gap wanted at the seat before the shaft nut is touched. */
	clearanceMm: number;
	/** Screws that share the force. */
	screws: number;
	/** Hooks at each end of one screw: they share what their screw bears. */
	hooksPerScrew: number;
	screwLeadMm: number;
	wireDiameterMm: number;
	/** What the tool's maker allows per hook. */
	ratedLoadPerHookN?: number;
	/** What the tool's maker allows per screw, where that is said. */
	ratedLoadPerScrewN?: number;
}

export interface CompressorResult {
	/** Force on the seat before anything is done. */
	seatForceN: number;
	hookForceTotalN: number;
	/** What each screw bears: the whole force over their number. */
	forcePerScrewN: number;
	/** What each hook bears: its screw's force over the hooks at that end. */
	forcePerHookN: number;
	screwTravelMm: number;
	turnsPerHook: number;
	/** Energy in the hooked coils when the seat is free. */
	energyJ: number;
	/** The hooked coils close before the seat is free. */
	coilBind: boolean;
	coilGapMm: number;
	/** How high a mass of 10 kg falls with that energy. */
	dropOf10KgMm: number;
	/** Turns for each screw in its turn, never more than two at a time. */
	steps: number[];
	/** With a rated load: a hook or a screw would bear more than it may, and the tool must not be used. */
	overloaded?: boolean;
}

/** Coils that lie dead on the seats of a car's spring, both ends together: common practice, no source. */
const usualDeadCoils = 1.5;

/** Turns given to one screw before the other follows: common practice, no source. */
const mostTurnsAtATime = 2;

/**
 * What a hook compressor must bear to free the seat: the hooked coils alone take the whole deflection,
 * since the coils outside the hooks go slack when the seat comes free.
 */
export function springCompressor(input: CompressorInput): Result<CompressorResult> {
	const { rateNPerMm: k, activeCoils: n, hookedCoils: hooked, freeLengthMm: free } = input;
	const { installedLengthMm: installed, clearanceMm: clearance, ratedLoadPerHookN: rated } = input;
	const faults: Fault[] = [];
	if (hooked > n) {
		faults.push({
			field: 'hookedCoils',
			value: hooked,
			message: `cannot be more than activeCoils (${n})`
		});
	}
	if (installed >= free) {
		faults.push({
			field: 'installedLengthMm',
			value: installed,
			message: `must be less than freeLengthMm (${free}): otherwise the spring is loose in the strut and needs no compressor`
		});
	}
	if (installed <= n * input.wireDiameterMm) {
		faults.push({
			field: 'installedLengthMm',
			value: installed,
			message: `is shorter than the closed coils (${n} × ${input.wireDiameterMm} mm)`
		});
	}
	if (faults.length) return faulty(...faults);
	const squeeze = free - installed;
	const deflection = squeeze + clearance;
	const hookForceTotalN = k * (n / hooked) * deflection;
	const screwTravelMm = deflection - (squeeze * hooked) / n;
	const turnsPerHook = screwTravelMm / input.screwLeadMm;
	const energyJ = (0.5 * hookForceTotalN * deflection) / 1000;
	// What lies dead on the seats is no length that the active coils share.
	const dead = (input.deadCoils ?? usualDeadCoils) * input.wireDiameterMm;
	const coilGapMm = (hooked * (free - dead)) / n - deflection - hooked * input.wireDiameterMm;
	const forcePerScrewN = hookForceTotalN / input.screws;
	const forcePerHookN = forcePerScrewN / input.hooksPerScrew;
	const { ratedLoadPerScrewN: ratedScrew } = input;
	const overloaded =
		forcePerHookN > (rated ?? Infinity) || forcePerScrewN > (ratedScrew ?? Infinity);
	return ok({
		seatForceN: k * squeeze,
		hookForceTotalN,
		forcePerScrewN,
		forcePerHookN,
		screwTravelMm,
		turnsPerHook,
		energyJ,
		coilBind: coilGapMm < 0,
		coilGapMm,
		dropOf10KgMm: (energyJ / (10 * standardGravity)) * 1000,
		steps: stepsOf(turnsPerHook),
		...((rated ?? ratedScrew) !== undefined && { overloaded })
	});
}

function stepsOf(turns: number): number[] {
	const whole = Math.min(500, Math.floor(turns / mostTurnsAtATime));
	const rest = turns - whole * mostTurnsAtATime;
	const steps = new Array<number>(whole).fill(mostTurnsAtATime);
	return rest > 1e-9 && whole < 500 ? [...steps, rest] : steps;
}
