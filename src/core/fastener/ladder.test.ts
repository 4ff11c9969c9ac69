import { describe, expect, it } from 'vitest';
import { findLayout, layouts } from '../layout/catalogue';
import { jointOf } from '../layout/shape';
import { minutesTried, ruinedPart } from './stuck-fastener';
import { ladderFor, nextRung } from './ladder';
import { chanceOfRuin, type Undone } from './survival';

const strut = findLayout('macpherson-front')!;
const rungs = (key: string, renewed: string[] = [], layout = strut) =>
	ladderFor(layout, jointOf(layout, key), renewed);
const keys = (list: { key: string }[]) => list.map(({ key }) => key);

describe('the ladder of a fastener that fights', () => {
	it('goes from gentle to destructive, and cuts last', () => {
		for (const layout of layouts) {
			for (const joint of layout.joints) {
				const ladder = keys(ladderFor(layout, joint, []));
				expect(ladder[0], joint.key).toBe('clean');
				expect(ladder.at(-1), joint.key).toBe('cut');
			}
		}
	});

	it('holds studs where there are any, and loads tapers alone', () => {
		expect(keys(rungs('drop-link-upper'))).toEqual(
			expect.arrayContaining(['hold-stud', 'pass-through', 'load-taper'])
		);
		expect(keys(rungs('ball-joint'))).toContain('load-taper');
		expect(keys(rungs('ball-joint'))).not.toContain('pass-through');
		expect(keys(rungs('strut-knuckle-upper'))).not.toContain('hold-stud');
	});

	it('never heats near rubber, dampers or lines, on any layout', () => {
		for (const layout of layouts) {
			for (const joint of layout.joints) {
				const heat = ladderFor(layout, joint, []).find(({ key }) => key === 'heat')!;
				const near =
					joint.rubber !== undefined ||
					joint.kind === 'cushion' ||
					joint.kind === 'ball-joint' ||
					joint.between.some((part) =>
						['damper', 'line'].includes(
							layout.assembly.parts.find(({ key }) => key === part)?.kind ?? ''
						)
					);
				if (near) expect(heat.barred, `${layout.key} ${joint.key}`).toBeDefined();
			}
		}
		const subframe = findLayout('multi-link-subframe')!;
		expect(rungs('subframe-front', [], subframe).find(({ key }) => key === 'heat')!.barred).toBe(
			undefined
		);
	});

	it('bites with grips only into what is thrown away', () => {
		const grips = (renewed: string[]) =>
			rungs('drop-link-upper', renewed).find(({ key }) => key === 'grips')!.barred;
		expect(grips([])).toMatch(/Nothing of it is thrown away/);
		expect(grips(['drop-link'])).toBeUndefined();
	});

	it('says what is next, past what is barred, until nothing is left', () => {
		const ladder = rungs('drop-link-upper');
		expect(nextRung(ladder, [])?.key).toBe('clean');
		expect(
			nextRung(ladder, ['clean', 'oil', 'tighten-first', 'hold-stud', 'pass-through', 'load-taper'])
				?.key
		).toBe('cut');
		expect(
			nextRung(
				ladder,
				ladder.map(({ key }) => key)
			)
		).toBeUndefined();
		expect(minutesTried(['clean', 'oil'])).toBe(12);
	});

	it('asks for the whole link where one of its studs is ruined', () => {
		expect(ruinedPart(strut, jointOf(strut, 'drop-link-lower'))).toBe('drop-link');
		expect(ruinedPart(strut, jointOf(strut, 'strut-knuckle-upper'))).toBe('hardware');
	});
});

describe('how often one does not survive', () => {
	const seen = (undone: number, ruined: number, modelYear = 2012): Undone[] => [
		{ rust: 'light', modelYear, undone, ruined }
	];
	const chance = (list: Undone[], modelYear: number | null = 2012) =>
		chanceOfRuin(0.25, list, { rust: 'light', modelYear }).chance;
	it('is what is usual until the shop has seen some, and then what it sees', () => {
		expect(chance([])).toBe(0.25);
		expect(chance(seen(10, 0))).toBeCloseTo(0.125, 9);
		expect(chance(seen(10_000, 6000))).toBeCloseTo(0.6, 2);
	});
	it('weighs cars of other years less, and other rust not at all', () => {
		const far = chance(seen(40, 40, 1990));
		expect(far).toBeGreaterThan(0.25);
		expect(far).toBeLessThan(chance(seen(40, 40)));
		// Ten years: a third of its weight.
		expect(chance(seen(30, 30, 2002))).toBeCloseTo((2.5 + 10) / 20, 9);
		expect(chanceOfRuin(0.25, seen(40, 40), { rust: 'heavy', modelYear: 2012 }).chance).toBe(0.25);
	});
});
