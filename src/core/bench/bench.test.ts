import { describe, expect, it } from 'vitest';
import { findLayout, layouts } from '../layout/catalogue';
import { springSeat } from '../layout/shape';
import { usualStrategy, type WorkScope } from '../work/scope';
import { compareParts } from './compare';
import { fittingSteps, partLines } from './parts';
import { consumables, socketLines, toolLines } from './tools';
import { workSteps } from '../work/assembly-steps';
import { clicksAsked, settingsDiffer, settingWords } from './setting';
import { mirroredHand } from './spring-fit';
import { absentOf, checkStack, checkUnit, oneSided, stackOf, type StackPart } from './stack';
import { mixedPlaces, nextPlace, trayFaults, type TrayItem } from './trays';

const strut = findLayout('macpherson-front')!;

describe('old against new', () => {
	const old = { values: { freeLengthMm: 330, wireMm: 12.5, coils: 5.5 } };
	it('lets a tape’s error pass, and no more', () => {
		expect(
			compareParts('spring', old, { values: { freeLengthMm: 335, wireMm: 12.5 } }).verdict
		).toBe('same');
		const off = compareParts('spring', old, { values: { freeLengthMm: 338, wireMm: 12.5 } });
		expect(off).toMatchObject({ verdict: 'differs', words: 'Differs: free length +8.0 mm' });
	});
	it('does not call a part the same on one dimension', () => {
		expect(compareParts('spring', old, { values: { wireMm: 12.5 } }).verdict).toBe('unfinished');
	});
	it('sees a left part in the place of a right one', () => {
		const answer = compareParts(
			'damper',
			{ values: { extendedMm: 500, compressedMm: 340 }, hand: 'left' },
			{ values: { extendedMm: 501, compressedMm: 340 }, hand: 'right' }
		);
		expect(answer).toMatchObject({ verdict: 'differs', handDiffers: true });
		expect(answer.words).toMatch(/right for left/);
	});
});

describe('the stack', () => {
	const right = stackOf(strut).map(({ key }) => key);
	const kinds = (order: StackPart[]) =>
		checkStack(strut, order).map(({ kind, part }) => `${kind} ${part}`);

	it('is right in its own order, finished or on the way', () => {
		expect(kinds(right)).toEqual([]);
		expect(kinds(right.slice(0, 4))).toEqual([]);
	});
	it.each(right.slice(0, -1).map((part) => [part]))('misses the %s', (part) => {
		expect(kinds(right.filter((one) => one !== part))).toEqual([`missing ${part}`]);
	});
	it('sees two neighbours swapped, wherever they are', () => {
		for (let i = 0; i + 1 < right.length; i++) {
			const order = [...right];
			[order[i], order[i + 1]] = [order[i + 1]!, order[i]!];
			expect(kinds(order)).toEqual([`swapped ${right[i + 1]}`]);
		}
	});
	it('sees a part twice, and one that is not of this unit', () => {
		expect(kinds([...right, 'washer'])).toContain('twice washer');
		const beam = findLayout('twist-beam-strut')!;
		expect(checkStack(beam, ['damper', 'bearing'])[0]).toMatchObject({ kind: 'not-of-it' });
	});
	it('has a way for each part of each layout, bearing only where it steers', () => {
		for (const layout of layouts) {
			const keys = stackOf(layout).map(({ key }) => key);
			expect(keys.includes('spring')).toBe(springSeat(layout) === 'on-damper');
			expect(stackOf(layout).every(({ ways }) => ways.every((way) => way.length > 3))).toBe(true);
		}
	});
});

describe('what changes over to a new damper', () => {
	const keysOf = (layout: string, absent: StackPart[] = []) =>
		stackOf(findLayout(layout)!, absent).map(({ key }) => key);
	it('is stop, boot, sleeve and the cushion below the body where a stem goes through a hole', () => {
		expect(keysOf('trailing-arm-rear')).toEqual([
			'damper',
			'bump-stop',
			'boot',
			'spacer',
			'lower-cup',
			'lower-cushion'
		]);
	});
	it('is the mount too where it leaves the car with the damper', () => {
		expect(keysOf('multi-link-rear')).toEqual(
			expect.arrayContaining(['spacer', 'mount', 'washer', 'shaft-nut'])
		);
		expect(keysOf('multi-link-rear')).not.toContain('lower-cushion');
	});
	it('leaves out what the car has not, but nothing that every one has', () => {
		expect(keysOf('trailing-arm-rear', ['boot', 'lower-cup'])).toEqual([
			'damper',
			'bump-stop',
			'spacer',
			'lower-cup',
			'lower-cushion'
		]);
		const beam = findLayout('trailing-arm-rear')!;
		const order: StackPart[] = ['damper', 'bump-stop', 'lower-cup'];
		expect(checkStack(beam, order).map(({ kind, part }) => `${kind} ${part}`)).toEqual([
			'missing boot',
			'missing spacer'
		]);
		expect(checkStack(beam, order, ['boot', 'spacer'])).toEqual([]);
	});
	it('names the parts that a car has none of', () => {
		expect(absentOf({ boot: { fate: 'none' }, 'bump-stop': { fate: 'kept' } })).toEqual(['boot']);
		expect(absentOf()).toEqual([]);
	});
	it('is made as its twin, and says which part is on one side only', () => {
		const none = { 'lower-pad': { fate: 'none' } } as const;
		expect(oneSided(strut, none, {})).toEqual(['Lower spring pad']);
		expect(oneSided(strut, {}, none)).toEqual(['Lower spring pad']);
		expect(oneSided(strut, none, { ...none, boot: { fate: 'kept' } })).toEqual([]);
		expect([mirroredHand('left'), mirroredHand('right'), mirroredHand('either')]).toEqual([
			'right',
			'left',
			'either'
		]);
	});
});

describe('a coilover', () => {
	it('stands on its jam nut and perch, without pads, and no other damper does', () => {
		const keys = stackOf(strut, [], true).map(({ key }) => key);
		expect(keys.slice(0, 5)).toEqual(['damper', 'jam-nut', 'perch', 'thrust-ring', 'spring']);
		expect(keys).not.toContain('lower-pad');
		expect(stackOf(strut, [], true).find(({ key }) => key === 'spring')!.fresh).toBe(true);
		expect(stackOf(strut).map(({ key }) => key)).not.toContain('perch');
		expect(stackOf(findLayout('twist-beam-spring')!, [], true).map(({ key }) => key)).not.toContain(
			'perch'
		);
		const swapped = checkStack(strut, ['damper', 'perch', 'jam-nut'], [], true);
		expect(swapped.map(({ kind, part }) => `${kind} ${part}`)).toEqual(['swapped perch']);
	});

	it('is set in millimetres from zero and clicks from full stiff, two at a time, both sides alike', () => {
		const now = { preloadMm: 6, rebound: 12, compression: 1 };
		expect(settingWords(now)).toBe(
			'preload 6.0 mm from zero, rebound 12 clicks, compression 1 click from full stiff'
		);
		expect(settingWords({ rebound: 0 })).toBe('rebound 0 clicks from full stiff');
		expect(clicksAsked(undefined, now)).toBeUndefined();
		expect(clicksAsked({ rebound: 14 }, now)).toBeUndefined();
		expect(clicksAsked({ rebound: 15, compression: 5 }, now)).toMatch(/^rebound and compression/);
		expect(settingsDiffer(now, { preloadMm: 7, rebound: 12 })).toEqual([]);
		expect(settingsDiffer(now, { preloadMm: 9, rebound: 11 })).toEqual([
			'preload by 3.0 mm',
			'rebound by 1 click'
		]);
	});
});

describe('a finished unit', () => {
	const verdict = (checks: Parameters<typeof checkUnit>[0]) => checkUnit(checks)[0]!;
	it('is clocked to its mark, across the full turn', () => {
		expect(verdict({ clockOldDeg: 359, clockNewDeg: 1 })).toMatchObject({ key: 'clock', ok: true });
		expect(verdict({ clockOldDeg: 10, clockNewDeg: 25 }).words).toMatch(/15.0° clockwise/);
		expect(verdict({ clockOldDeg: 0, clockNewDeg: 355 }).words).toMatch(/5.0° anticlockwise/);
	});
	it('shows as much thread as the other side, and was primed', () => {
		expect(verdict({ threadMm: 9, threadOtherMm: 12 })).toMatchObject({ ok: false });
		expect(verdict({ strokes: 3 }).ok).toBe(false);
		expect(verdict({ strokes: 4 }).ok).toBe(true);
		expect(checkUnit({})).toEqual([]);
	});
	it('comes out about as fast as the old one or faster', () => {
		expect(verdict({ reboundOldS: 2, reboundNewS: 3 }).ok).toBe(true);
		expect(verdict({ reboundOldS: 2, reboundNewS: 9 }).ok).toBe(false);
	});
});

describe('the trays', () => {
	const item = (over: Partial<TrayItem>): TrayItem => ({
		id: 'x',
		place: 'A1',
		name: 'Bracket bolt',
		count: 2,
		back: 2,
		...over
	});
	it('say what is not back, and what came from somewhere else', () => {
		expect(trayFaults([item({ back: 1 })])[0]!.words).toMatch(/1 of 2 not back/);
		expect(trayFaults([item({ back: 3 })])[0]!.words).toMatch(/3 back, 2 came out/);
		expect(trayFaults([item({})])).toEqual([]);
		expect(trayFaults([item({ back: 0, reason: 'broke, new one fitted' })])).toEqual([]);
	});
	it('keep lengths apart', () => {
		expect(
			mixedPlaces([
				item({ lengthMm: 30 }),
				item({ lengthMm: 45 }),
				item({ place: 'A2', lengthMm: 30 })
			])
		).toEqual(['A1']);
	});
	it('have a next place', () => {
		expect(nextPlace([])).toBe('A1');
		expect(nextPlace(['A1', 'A2', 'A3', 'A4', 'A5', 'A6'])).toBe('B1');
	});
});

describe('parts, tools and consumables', () => {
	const scope = (over: Partial<WorkScope> = {}): WorkScope => ({
		axles: { front: { damper: true, spring: false, bushes: false } },
		corners: ['FL', 'FR'],
		layouts: { front: strut, rear: strut },
		strategy: usualStrategy,
		rust: 'heavy',
		...over
	});
	it('list a kit once for each corner, and no damper or spring beside it', () => {
		const also = ['coilover'];
		const kit = scope({ axles: { front: { damper: true, spring: true, bushes: false, also } } });
		const accepted = (['damper', 'spring', 'top-mount'] as const).map((part) => ({
			part,
			corners: ['FL', 'FR'] as const
		}));
		const parts = partLines(kit, accepted).filter(({ part }) => part !== 'hardware');
		expect(parts.map(({ id }) => id)).toEqual([
			'coilover:FL',
			'top-mount:FL',
			'coilover:FR',
			'top-mount:FR'
		]);
		expect(fittingSteps(parts[0]!, workSteps(kit)).map(({ id }) => id)).toEqual(['FL/damper-in']);
	});
	it('list a strut for each hand and each one-time fastener', () => {
		const lines = partLines(scope(), []);
		expect(
			lines.filter(({ part }) => part === 'damper').map(({ name, hand }) => `${name} ${hand}`)
		).toEqual(['Strut left', 'Strut right']);
		expect(lines.filter(({ part }) => part === 'hardware')).toHaveLength(10);
	});
	it('need no spring beside a unit that comes with one', () => {
		const complete = scope({
			axles: { front: { damper: true, spring: true, bushes: false } },
			strategy: { ...usualStrategy, assembly: 'complete' }
		});
		expect(partLines(complete, []).some(({ part }) => part === 'spring')).toBe(false);
	});
	it('want a spring compressor only where a spring is taken off its damper', () => {
		const names = (one: WorkScope) => toolLines(one).map(({ name }) => name);
		expect(names(scope())).toContain('Spring compressor');
		expect(names(scope({ strategy: { ...usualStrategy, assembly: 'complete' } }))).not.toContain(
			'Spring compressor'
		);
		expect(toolLines(scope())[0]!.special).toBe(true);
		expect(consumables(scope())).toContain('Penetrating oil');
		expect(consumables(scope({ axles: {} }))).toEqual([]);
	});

	// ISO 272, widths across flats of the larger series, from memory.
	it.each([
		[8, '13'],
		[10, '16 (17)'],
		[12, '18 (19)'],
		[14, '21 (22)']
	])('want for M%d the socket %s', (diameterMm, widthMm) => {
		const joints = [
			{ name: 'Top mount nuts', diameterMm },
			{ name: 'Top mount nuts', diameterMm },
			{ name: 'Wheel', diameterMm: 5 }
		];
		expect(socketLines(joints)).toEqual([{ widthMm, diameterMm, for: ['Top mount nuts'] }]);
	});
});

describe('the steps that put a part in', () => {
	const scopeFor = (key: string, change: Partial<WorkScope['strategy']> = {}): WorkScope => {
		const layout = findLayout(key)!;
		const axle = layout.axles[0]!;
		return {
			axles: { [axle]: { damper: true, spring: true, bushes: false } },
			corners: axle === 'front' ? ['FL', 'FR'] : ['RL', 'RR'],
			layouts: { front: layout, rear: layout },
			strategy: { ...usualStrategy, ...change },
			rust: 'none'
		};
	};
	const kindsFor = (scope: WorkScope, id: string) => {
		const line = partLines(scope, []).find((one) => one.id === id)!;
		return fittingSteps(line, workSteps(scope)).map((step) => step.id);
	};

	it('are the unit’s own for a strut and what is in it', () => {
		const scope = scopeFor('macpherson-front');
		expect(kindsFor(scope, 'damper:FL')).toEqual(['FL/damper-in']);
		expect(kindsFor(scope, 'spring:FR')).toEqual(['FR/damper-in']);
		expect(kindsFor(scope, 'hardware:FL:shaft-nut')).toEqual(['FL/shaft-on']);
	});

	it('are the spring’s own where it sits on an arm', () => {
		const scope = scopeFor('multi-link-rear');
		expect(kindsFor(scope, 'damper:RL')).toEqual(['RL/damper-in']);
		expect(kindsFor(scope, 'spring:RL')).toContain('RL/spring-in');
	});

	it.each(layouts.map(({ key }) => [key]))(
		'are there for every damper, spring and one-time fastener of %s',
		(key) => {
			const scope = scopeFor(key);
			const steps = workSteps(scope);
			for (const line of partLines(scope, [])) {
				const found = fittingSteps(line, steps);
				expect(found.length, line.id).toBeGreaterThan(0);
				expect(
					found.every(({ corners }) => corners.includes(line.corner!)),
					line.id
				).toBe(true);
			}
		}
	);
});
