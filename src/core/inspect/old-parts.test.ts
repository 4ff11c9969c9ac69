import { describe, expect, it } from 'vitest';
import { findLayout, layouts } from '../layout/catalogue';
import { stackOf } from '../bench/stack';
import { inspectionPoints } from './points';
import { oldParts, type OldPart } from './old-parts';
import type { Finding, Recommendation } from './recommend';

const strut = findLayout('macpherson-front')!;
const plan = {
	layout: strut,
	corners: ['FL', 'FR'] as const,
	damper: true,
	spring: false
};
const line = (part: Recommendation['part'], declined = false) => ({
	id: `with-it:${part}:front`,
	kind: 'with-it' as const,
	title: '',
	corners: plan.corners,
	part: part!,
	quantity: 2,
	reasons: ['The unit is apart: a tired stop costs the work once more.'],
	declined
});
const at = (corner: Finding['corner'], point: string, state: string): Finding => ({
	corner,
	point,
	state
});
const fateOf = (parts: readonly OldPart[], part: string) => parts.find((one) => one.part === part)!;

describe('the parts of an old unit', () => {
	it('are those of its stack, from the bottom up', () => {
		for (const layout of layouts) {
			const parts = oldParts({ ...plan, layout }, [], []);
			expect(parts.map(({ part }) => part)).toEqual(stackOf(layout).map(({ key }) => key));
		}
	});

	it('are new where the job is for them, and the nut by its kind', () => {
		const parts = oldParts(plan, [], []);
		expect(fateOf(parts, 'damper')).toMatchObject({ fate: 'renewed' });
		expect(fateOf(parts, 'shaft-nut')).toMatchObject({ fate: 'renewed' });
		expect(fateOf(parts, 'spring')).toMatchObject({
			fate: 'unseen',
			why: 'not looked at yet at FL and FR'
		});
		expect(fateOf(oldParts({ ...plan, spring: true }, [], []), 'spring').fate).toBe('renewed');
	});

	it('go in again once they were seen sound at every corner', () => {
		const half = [at('FL', 'spring', 'sound')];
		expect(fateOf(oldParts(plan, half, []), 'spring').why).toBe('not looked at yet at FR');
		const both = [...half, at('FR', 'spring', 'rusted')];
		// What wants another look is said, not what is sound.
		expect(fateOf(oldParts(plan, both, []), 'spring')).toMatchObject({
			fate: 'again',
			why: 'paint gone, pitted at FR'
		});
		// A finding at the other axle says nothing here.
		const rear = [...half, at('RR', 'spring', 'sound')];
		expect(fateOf(oldParts(plan, rear, []), 'spring').fate).toBe('unseen');
	});

	it('are new where advice says so and nobody declined it', () => {
		const parts = oldParts(plan, [], [line('bump-stop'), line('boot', true)]);
		expect(fateOf(parts, 'bump-stop')).toMatchObject({
			fate: 'renewed',
			why: 'the unit is apart: a tired stop costs the work once more'
		});
		expect(fateOf(parts, 'boot')).toMatchObject({
			fate: 'unseen',
			why: 'declined; not looked at yet at FL and FR'
		});
	});

	it('are said to go in worn where the customer declined a worn one', () => {
		const found = [at('FL', 'mount-washer', 'rusted-through'), at('FR', 'mount-washer', 'sound')];
		for (const lines of [[line('top-mount', true)], []]) {
			expect(fateOf(oldParts(plan, found, lines), 'mount')).toMatchObject({
				fate: 'against-advice',
				why: 'washer rusted through at FL'
			});
		}
		expect(fateOf(oldParts(plan, found, [line('top-mount')]), 'mount').fate).toBe('renewed');
	});

	it('know a point that can be looked at for every part that is bought alone, pads apart', () => {
		const looked = new Set(inspectionPoints(strut).map(({ part }) => part));
		const seenApart = oldParts(plan, [], []).filter(({ why }) => why.startsWith('looked at when'));
		expect(seenApart.map(({ part }) => part)).toEqual(['lower-pad', 'upper-pad', 'upper-seat']);
		expect(looked.has('top-bearing')).toBe(true);
	});
});
