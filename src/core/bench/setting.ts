/** How a coilover is set: its spring's preload, its damper's clicks. Common practice, no source. */
import { formatNumber } from '../units/format.ts';

export interface Setting {
	/** How far the perch was wound up from where the spring is just not loose, mm: 0 to 100. */
	preloadMm?: number;
	/** Clicks from full stiff, 0 to 60; absent: it has no such adjuster, or nobody counted. */
	rebound?: number;
	compression?: number;
}

export const clickKeys = ['rebound', 'compression'] as const;
export const mostClicks = 60;
export const mostPreloadMm = 100;

/** So many clicks at a time, so that what changed can be felt. */
const clicksAtOnce = 2;

/** Perches of two sides that were wound further apart make the car stand crooked, mm. Own choice. */
const perchStepMm = 1;

/** What a change of clicks is said to; nothing where it may be felt. */
export function clicksAsked(before: Setting | undefined, now: Setting): string | undefined {
	const far = clickKeys.filter((key) => {
		const [a, b] = [before?.[key], now[key]];
		return a !== undefined && b !== undefined && Math.abs(a - b) > clicksAtOnce;
	});
	return far.length
		? `${far.join(' and ')} changed by more than ${clicksAtOnce} clicks at once: what it did is hard to feel`
		: undefined;
}

/** What is not alike on the two sides of an axle, in words. */
export function settingsDiffer(one: Setting, other: Setting): string[] {
	const found: string[] = [];
	const [a, b] = [one.preloadMm, other.preloadMm];
	if (a !== undefined && b !== undefined && Math.abs(a - b) > perchStepMm)
		found.push(`preload by ${formatNumber(Math.abs(a - b), 1)} mm`);
	for (const key of clickKeys) {
		const [x, y] = [one[key], other[key]];
		if (x !== undefined && y !== undefined && x !== y)
			found.push(`${key} by ${clickWords(Math.abs(x - y))}`);
	}
	return found;
}

/** For sheet and history. */
export function settingWords(setting: Setting): string {
	const { preloadMm } = setting;
	const clicks = clickKeys.flatMap((key) =>
		setting[key] === undefined ? [] : [`${key} ${clickWords(setting[key])}`]
	);
	return [
		...(preloadMm === undefined ? [] : [`preload ${formatNumber(preloadMm, 1)} mm from zero`]),
		...(clicks.length ? [`${clicks.join(', ')} from full stiff`] : [])
	].join(', ');
}

const clickWords = (count: number): string => `${count} ${count === 1 ? 'click' : 'clicks'}`;
