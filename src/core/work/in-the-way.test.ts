import { describe, expect, it } from 'vitest';
import { layouts } from '../layout/catalogue';
import { findLayout } from '../layout/registry';
import { coversOf, jointsAt } from '../layout/covers';
import type { LayoutCover } from '../layout/types';
import { clearedParts, mayClear, withCovers } from './in-the-way';
import { workOrder } from './order';
import type { Knowledge } from './shop-knowledge';
import { carFault } from './shop-knowledge-fault';
import { replay } from './replay/replay';
import { usualStrategy, type WorkScope } from './scope';

const beam = findLayout('twist-beam-spring')!;
const has = (cover: LayoutCover): Knowledge => ({
	what: 'cover',
	text: cover.name,
	where: 'rear',
	anchor: `cover:${cover.key}`,
	cover
});
const knownCover = (key: string) => coversOf(beam, 'rear').find((one) => one.key === key)!;
const hasNot = (key: string): Knowledge => ({
	what: 'not-there',
	text: key,
	where: 'rear',
	anchor: `cover:${key}`
});
const part = (key: string): Knowledge => ({
	what: 'part',
	text: key,
	where: 'rear',
	anchor: `part:${key}`
});
function scopeOf(own: Knowledge[]): WorkScope {
	const rear = withCovers(beam, 'rear', own);
	const clear = clearedParts(beam, 'rear', own);
	return {
		axles: { rear: { damper: true, spring: false, bushes: false, clear } },
		corners: ['RL', 'RR'],
		layouts: { front: rear, rear },
		strategy: usualStrategy,
		rust: 'light'
	};
}
const stepsOf = (own: Knowledge[]) => {
	const scope = scopeOf(own);
	const { steps } = workOrder(scope);
	expect(replay(steps, scope)).toEqual([]);
	return steps.map(({ id }) => id);
};
const at = (steps: string[], id: string) => {
	expect(steps).toContain(id);
	return steps.indexOf(id);
};

describe('what stands in the way on a car', () => {
	it('is off from the outermost to the innermost, and on the other way round', () => {
		const steps = stepsOf(['boot-floor', 'parcel-shelf', 'boot-sill'].map(knownCover).map(has));
		for (const outer of ['boot-floor', 'parcel-shelf', 'boot-sill']) {
			expect(at(steps, `rear/cover-off:${outer}`)).toBeLessThan(
				at(steps, 'RL/cover-off:boot-trim')
			);
			expect(at(steps, `rear/cover-on:${outer}`)).toBeGreaterThan(
				at(steps, 'RR/cover-on:boot-trim')
			);
		}
	});

	it('never stops the work, however it is told: on each other, under the car over what is inside', () => {
		const told = (key: string, more: Partial<LayoutCover>) =>
			has({ key, name: key, where: 'boot', over: ['damper-top'], ...more });
		const tangled = [
			told('a', { liesOn: ['b'] }),
			told('b', { liesOn: ['c', 'boot-trim'] }),
			told('c', { liesOn: ['a'], where: 'under' }),
			told('d', { where: 'arch', over: [], liesOn: ['boot-trim'] })
		];
		for (const inside of ['before-lifting', 'on-stands'] as const)
			for (const load of ['jack-to-height', 'on-wheels'] as const) {
				const scope = scopeOf(tangled);
				const strategy = { ...usualStrategy, inside, load, easeTop: true };
				const how = { ...scope, strategy: { ...strategy, topNuts: 'weight-on' as const } };
				const { steps } = workOrder(how);
				expect(replay(steps, how)).toEqual([]);
				expect(steps.filter(({ kind }) => kind === 'cover-off').length).toBe(10);
			}
		const both = { front: beam, rear: beam };
		expect(carFault(told('a', { liesOn: ['a'] }), both)?.words).toMatch(/not lie on itself/);
		expect(carFault(told('a', { over: ['wheel-fasteners'] }), both)?.words).toMatch(
			/on the wheels/
		);
	});

	it('is left alone where it is over nothing that this job undoes', () => {
		const tray = { ...knownCover('undertray'), over: jointsAt(beam, 'pivots') };
		expect(stepsOf([has(tray)]).filter((id) => id.includes('undertray'))).toEqual([]);
	});

	it('may be less than is usual: a damper whose upper end is open needs no trim off', () => {
		const steps = stepsOf([hasNot('boot-trim'), has(knownCover('boot-floor'))]);
		expect(steps.filter((id) => id.includes('cover'))).toEqual([]);
	});

	it('may be told anew, with what was counted', () => {
		const trim = { ...knownCover('boot-trim'), held: [{ what: 'clips', count: 9 }] };
		const { steps } = workOrder(scopeOf([has(trim)]));
		expect(steps.find(({ id }) => id === 'RL/cover-off:boot-trim')!.tool).toMatch(/by 9 clips$/);
		expect(steps.filter(({ id }) => id === 'RL/cover-off:boot-trim')).toHaveLength(1);
	});

	it('takes a disc off with its caliper, hung, its piston back, and the pedal hard before it rolls', () => {
		const steps = stepsOf([part('disc')]);
		const order = [
			'RL/piston-back',
			'RL/caliper-off',
			'RL/disc-off',
			'RL/disc-on',
			'RL/caliper-on',
			'RL/tighten',
			'car/pump-brakes',
			'car/heights-after'
		].map((id) => at(steps, id));
		expect(order).toEqual([...order].sort((a, b) => a - b));
		expect(at(steps, 'RL/hang')).toBeLessThan(at(steps, 'RL/caliper-off'));
		expect(stepsOf([]).filter((id) => /caliper|disc|pump/.test(id))).toEqual([]);
	});

	it('may be caliper and disc on every layout, and the hub nut where a wheel is driven', () => {
		for (const layout of layouts) {
			const keys = mayClear(layout).map(({ key }) => key);
			expect(keys, layout.key).toEqual(expect.arrayContaining(['caliper', 'disc']));
			const nut = layout.joints.some(({ kind }) => kind === 'hub-nut');
			expect(keys.includes('drive-shaft'), layout.key).toBe(nut);
		}
	});

	it('unplugs an electronic damper on any layout, and plugs the new one in or says how the wire ends', () => {
		const steps = stepsOf([part('plug')]);
		expect(at(steps, 'RL/plug-off')).toBeLessThan(at(steps, 'RL/damper-out'));
		expect(at(steps, 'car/ignition-off')).toBeLessThan(at(steps, 'RL/plug-off'));
		expect(at(steps, 'RL/plug-on')).toBeGreaterThan(at(steps, 'RL/damper-in'));
		const scope = scopeOf([part('plug')]);
		const dummy = { ...scope, strategy: { ...usualStrategy, plugs: 'dummy' as const } };
		expect(workOrder(dummy).steps.find(({ id }) => id === 'RL/plug-on')!.title).toBe(
			'On its dummy: plug of an electronic damper'
		);
		expect(mayClear(scope.layouts.rear).map(({ key }) => key)).not.toContain('plug');
	});

	it('is said of an axle, of a cover or a part that is known there', () => {
		const both = { front: findLayout('macpherson-front')!, rear: beam };
		const trim = has(knownCover('boot-trim'));
		expect(carFault(trim, both)).toBeUndefined();
		expect(carFault({ ...trim, where: 'car' }, both)?.field).toBe('where');
		expect(carFault({ ...trim, where: 'front' }, both)?.words).toMatch(/damper-top is no joint/);
		expect(carFault({ ...trim, anchor: 'cover:other' }, both)?.field).toBe('anchor');
		expect(carFault(hasNot('cowl'), both)?.words).toMatch(/no usual cover/);
		expect(carFault(part('beam'), both)?.words).toMatch(/no part that may come off/);
		expect(carFault(part('caliper'), both)).toBeUndefined();
	});
});

describe('covers that are known', () => {
	it('are what usual ones of every layout are', () => {
		for (const layout of layouts) {
			const all = coversOf(layout, layout.axles[0]!);
			for (const cover of layout.assembly.covers)
				expect(cover, layout.key).toEqual(all.find(({ key }) => key === cover.key));
		}
	});

	it('lie on covers that are known, over joints that their axle has', () => {
		for (const layout of layouts) {
			for (const axle of layout.axles) {
				const all = coversOf(layout, axle);
				expect(new Set(all.map(({ key }) => key)).size).toBe(all.length);
				for (const { key, over, liesOn = [] } of all) {
					for (const on of liesOn)
						expect(
							all.map((one) => one.key),
							key
						).toContain(on);
					expect(over.length + liesOn.length, `${layout.key} ${key}`).toBeGreaterThan(0);
				}
			}
		}
	});
});
