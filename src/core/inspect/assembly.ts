/** A unit that comes complete, or the old spring and mount onto a new damper: what each costs. */

export interface AssemblyInput {
	/** For one corner, in the shop's currency. */
	unitPrice: number;
	damperPrice: number;
	/** Mount, bearing, boot, bump stop: what is renewed with a rebuilt unit. */
	wearPartsPrice: number;
	/** Bench minutes of one corner: compare aside, what the unit saves. */
	benchMinutes: number;
	labourPerHour: number;
	corners: number;
}

export interface AssemblyAnswer {
	completeCost: number;
	rebuildCost: number;
	/** Bench time a complete unit saves. */
	savedMinutes: number;
	cheaper: 'complete' | 'rebuild' | 'even';
	/** Labour rate at which both cost the same; undefined where the complete unit is never dearer. */
	breakEvenPerHour?: number;
}

/** Elementary cost comparison; taxes and margins are the shop's own matter. */
export function assemblyOrRebuild(input: AssemblyInput): AssemblyAnswer {
	const { unitPrice, damperPrice, wearPartsPrice, benchMinutes, labourPerHour, corners } = input;
	const hours = benchMinutes / 60;
	const parts = damperPrice + wearPartsPrice;
	const completeCost = corners * unitPrice;
	const rebuildCost = corners * (parts + hours * labourPerHour);
	const difference = completeCost - rebuildCost;
	return {
		completeCost,
		rebuildCost,
		savedMinutes: corners * benchMinutes,
		cheaper: Math.abs(difference) < 0.005 ? 'even' : difference < 0 ? 'complete' : 'rebuild',
		...(hours > 0 && unitPrice > parts && { breakEvenPerHour: (unitPrice - parts) / hours })
	};
}
