/** The shop's torque wrenches: which may be used now, and which to take for each joint. */
import { addMonths, differenceInCalendarDays, formatISO, toDate } from 'date-fns';
import { faulty, ok, type Result } from '../result.ts';
import { formatNumber } from '../units/format.ts';
import { workingRange, wrenchSetting, type Wrench } from './wrench.ts';

/** The beginning of a day, `2026-03-05`, where the program runs. */
const midnight = (day: string): Date => toDate(`${day}T00:00`);

export const wrenchKinds = ['click', 'dial', 'beam', 'electronic'] as const;
export type WrenchKind = (typeof wrenchKinds)[number];

export const wrenchKindNames: Readonly<Record<WrenchKind, string>> = {
	click: 'Click',
	dial: 'Dial',
	beam: 'Beam',
	electronic: 'Electronic'
};

export interface RackWrench extends Wrench {
	id: string;
	name: string;
	kind: WrenchKind;
	/** Middle of the grip to the drive; needed for an adapter. */
	lengthMm: number | null;
	/** Day of the last calibration, YYYY-MM-DD; null: never. */
	calibratedOn: string | null;
	/** Whether that calibration passed. */
	passed: boolean;
	/** Pulls since then. */
	cycles: number;
}

/** Calibration lapses after 12 months or 5000 pulls, whichever comes first: ISO 6789-1 (from memory). */
export const calibrationLife = { months: 12, cycles: 5000 } as const;
/** Own choice: warned this long before. */
const warnDays = 30;
const warnCycles = 250;

export interface CalibrationState {
	state: 'valid' | 'soon' | 'lapsed';
	/** Last day on which it counts, YYYY-MM-DD. */
	until?: string;
	cyclesLeft?: number;
	words: string;
}

/** @param today YYYY-MM-DD */
export function calibrationState(
	{ calibratedOn, passed, cycles }: RackWrench,
	today: string
): CalibrationState {
	if (calibratedOn === null) return { state: 'lapsed', words: 'never calibrated' };
	if (!passed) return { state: 'lapsed', words: `failed its calibration of ${calibratedOn}` };
	const until = formatISO(addMonths(midnight(calibratedOn), calibrationLife.months), {
		representation: 'date'
	});
	const cyclesLeft = Math.max(0, calibrationLife.cycles - cycles);
	if (today > until) {
		return { state: 'lapsed', until, cyclesLeft, words: `calibration lapsed on ${until}` };
	}
	if (cyclesLeft === 0) {
		const words = `calibration lapsed: ${calibrationLife.cycles} pulls are done`;
		return { state: 'lapsed', until, cyclesLeft, words };
	}
	const daysLeft = differenceInCalendarDays(midnight(until), midnight(today));
	const soon = daysLeft <= warnDays || cyclesLeft <= warnCycles;
	const words = soon
		? `lapses ${daysLeft <= warnDays ? `in ${daysLeft} days` : `in ${cyclesLeft} pulls`}`
		: `calibrated until ${until}`;
	return { state: soon ? 'soon' : 'valid', until, cyclesLeft, words };
}

/** What a joint asks of a wrench. */
export interface Demand {
	torqueNm: number;
	adapter?: { lengthMm: number; angleDeg: number };
}

/**
 * The number to set or to read on this wrench, corrected for the adapter. Refused outside its working
 * range, or when its calibration does not count; the fault's field is `wrench`.
 */
export function wrenchFor(
	wrench: RackWrench,
	demand: Demand,
	today: string
): Result<{ settingNm: number }> {
	const setting = settingOf(wrench, demand);
	if (!setting.ok) return setting;
	const { settingNm } = setting.value;
	const { fromNm, toNm } = workingRange(wrench);
	const refuse = (message: string) => faulty({ field: 'wrench', value: wrench.name, message });
	if (settingNm < fromNm * (1 - 1e-9) || settingNm > toNm * (1 + 1e-9)) {
		const range = `${formatNumber(fromNm, 0)} to ${formatNumber(toNm, 0)} N·m`;
		return refuse(`works from ${range}; ${formatNumber(settingNm, 1)} N·m is outside`);
	}
	const calibration = calibrationState(wrench, today);
	return calibration.state === 'lapsed' ? refuse(calibration.words) : setting;
}

function settingOf(
	wrench: RackWrench,
	{ torqueNm, adapter }: Demand
): Result<{ settingNm: number }> {
	if (!adapter) return ok({ settingNm: torqueNm });
	if (wrench.lengthMm === null) {
		return faulty({
			field: 'wrench',
			value: wrench.name,
			message: 'has no length on record: it is needed to correct for the adapter'
		});
	}
	return wrenchSetting({
		targetNm: torqueNm,
		wrenchLengthMm: wrench.lengthMm,
		adapterLengthMm: adapter.lengthMm,
		adapterAngleDeg: adapter.angleDeg
	});
}

/**
 * A wrench for each demand in turn with as few changes of wrench as possible; among those, the smaller
 * wrench, which reads finer. Undefined where no wrench will do; that costs no change.
 */
export function pickWrenches(
	demands: readonly Demand[],
	wrenches: readonly RackWrench[],
	today: string
): { picks: (string | undefined)[]; changes: number } {
	const bySize = [...wrenches].sort((a, b) => a.highestNm - b.highestNm);
	const fits = demands.map((demand) => bySize.map((w) => wrenchFor(w, demand, today).ok));
	const doable = demands.flatMap((_, i) => (fits[i]!.some(Boolean) ? [i] : []));
	const picks: (string | undefined)[] = demands.map(() => undefined);
	let changes = 0;
	// The wrench that goes on longest from here needs the fewest changes.
	for (let at = 0; at < doable.length;) {
		const reach = bySize.map((_, w) => {
			let end = at;
			while (end < doable.length && fits[doable[end]!]![w]) end++;
			return end;
		});
		const end = Math.max(...reach);
		const wrench = reach.indexOf(end);
		for (const i of doable.slice(at, end)) picks[i] = bySize[wrench]!.id;
		if (at > 0) changes++;
		at = end;
	}
	return { picks, changes };
}
