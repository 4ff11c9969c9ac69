import { describe, expect, it } from 'vitest';
import type { JointStatus } from '$core/procedure/joint-status';
import type { OwedItem } from '$core/procedure/owed';
import { cornerLines } from './corner-lines';

const item = (kind: OwedItem['kind'], text = 'of no matter', jointId?: string): OwedItem => ({
	kind,
	stage: 'set',
	corner: 'FL',
	text,
	jointId
});
const joints = [
	{ id: 'bolt', rule: 'any-time' },
	{ id: 'front', rule: 'ride-height' },
	{ id: 'rear', rule: 'ride-height' },
	{ id: 'wheel', rule: 'wheels-on-ground' }
] as const;
const standing = (states: Record<string, JointStatus['state']>) =>
	new Map(Object.entries(states).map(([id, state]) => [id, { state } as JointStatus]));
const open = standing({ bolt: 'open', front: 'open', rear: 'open', wheel: 'open' });
const texts = (owed: OwedItem[], states = open) =>
	cornerLines(owed, joints, states).map(({ text }) => text);

describe('what a corner owes, in few lines', () => {
	it('joints, steps, parts, trays and hardware are counted', () => {
		const owed = [
			item('height-after', '3 readings after'),
			item('tray', 'Cowl clips (tray A2): 6 of 6 not back'),
			item('step'),
			item('step'),
			item('part'),
			item('hardware'),
			...['bolt', 'front', 'rear', 'wheel'].map((id) => item('joint', 'x', id))
		];
		expect(texts(owed)).toEqual([
			'2 steps of the work',
			'1 part not fitted',
			'1 tray not empty',
			'1 joint to torque',
			'2 bushes to set at ride height',
			'wheel to torque on the ground',
			'1 one-time fastener: new or the old one?',
			'3 readings after'
		]);
	});

	it('what can hurt is one line: one is told by what it is, more are counted', () => {
		const owed = [
			item('step'),
			item('hazard', 'A wheel is off: “Wheel on” is not done'),
			item('hazard', 'A spring is compressed in its tool: “Release it” is not done')
		];
		expect(texts(owed)).toEqual(['A wheel is off, and 1 more to make safe', '1 step of the work']);
		expect(texts(owed.slice(0, 2))[0]).toBe('A wheel is off');
	});

	it('a joint to be done again and a reading in doubt come first, as errors', () => {
		const owed = [
			item('doubt', 'readings before are 9 mm apart'),
			item('joint', 'Front bush: wound up', 'front'),
			item('joint', 'Rear bush: wound up', 'rear')
		];
		expect(cornerLines(owed, joints, standing({ front: 'again', rear: 'again' }))).toEqual([
			{ mark: 'again', text: 'Front bush: wound up' },
			{ mark: 'again', text: 'readings before are 9 mm apart' },
			{ mark: 'owed', text: '2 bushes to set at ride height' }
		]);
	});

	it('nothing owed is no line', () => expect(texts([])).toEqual([]));
});
