/** What a step of a programme is called, and where in the programme it is. */
import type { Action } from '$core/fastener/programme';
import { starOrder } from '$core/fastener/programme';
import { findUnit } from '$core/units/dimensions';
import { parseQuantity } from '$core/units/parse';
import type { Joint } from '$core/job/model';
import type { ShopWrench } from '$lib/rack/model';

/** The step in words; empty for a joint that is simply pulled to its torque. */
export function stepWords(
	joint: Joint,
	list: readonly Action[],
	index: number,
	show: (nm: number) => string
): string {
	const action = list[index];
	if (!action || list.length < 2) return action?.kind === 'castle' ? 'Castle nut' : '';
	const { pattern } = joint.programme ?? {};
	const count = `Step ${index + 1} of ${list.length}`;
	if (pattern) {
		const place = starOrder(pattern.fasteners).indexOf(action.fastener) + 1;
		const last = list.findLast(({ step }) => step === action.step);
		const of =
			action.torqueNm !== undefined && last?.torqueNm !== undefined && last.pass !== action.pass
				? `, ${show(action.torqueNm)} of ${show(last.torqueNm)}`
				: '';
		const passes =
			pattern.passes === 2 && action.step === 0
				? `${action.pass === 0 ? 'first' : 'second'} pass${of}, `
				: '';
		return `${count}: ${passes}number ${place} of ${pattern.fasteners}`;
	}
	const what = {
		torque: action.step === 0 ? 'pull to torque' : 'pull again',
		angle: 'turn further',
		slacken: 'slacken',
		castle: 'castle nut',
		cushion: 'as seen'
	}[action.kind];
	return `${count}: ${what}`;
}

/** The unit a wrench is marked in, from its range as it was typed. */
export function wrenchUnit({ entered }: Pick<ShopWrench, 'entered'>): string | undefined {
	const text = entered.highestNm;
	const parsed = text ? parseQuantity(text, 'torque', { field: 'range' }) : undefined;
	return parsed?.ok ? findUnit(parsed.value.unit, 'torque')?.symbol : undefined;
}

/** A wrench's own scale as it is marked: 5 to 50 N·m. */
export function scaleWords({ entered }: Pick<ShopWrench, 'entered'>): string {
	const [low = '', high = ''] = [entered.lowestNm, entered.highestNm];
	const unit = high.replace(/^[\d.,\s]+/, '');
	const short = unit && low.endsWith(unit) ? low.slice(0, -unit.length).trim() : low;
	return `${short} to ${high}`;
}
