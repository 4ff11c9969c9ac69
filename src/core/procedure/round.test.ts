import { describe, expect, it } from 'vitest';
import { corners, perCorner, type Corner } from '../height/corners';
import { layouts } from '../layout/catalogue';
import type { JointFact, TorqueFact } from './facts';
import { jobStanding } from './owed';
import { roundPhases, roundStops, stopDone } from './round';

const jointsOf = (key: string, where: readonly Corner[]): JointFact[] =>
	where.flatMap((corner) =>
		layouts
			.find((layout) => layout.key === key)!
			.joints.map((joint) => ({
				id: `${corner} ${joint.key}`,
				corner,
				name: joint.name,
				kind: joint.kind,
				rule: joint.rule,
				torqueNm: 60,
				pairKey: joint.pair ? joint.key : null,
				programme: joint.programme
			}))
	);
const standingOf = (joints: JointFact[], torques: TorqueFact[] = []) =>
	jobStanding({
		corners,
		beforeMm: perCorner(() => []),
		afterMm: perCorner(() => []),
		targetMm: perCorner(() => 365),
		standHubToArchMm: perCorner(() => 365),
		changeMm: perCorner(() => 0),
		resetAboveMm: 10,
		joints,
		torques,
		work: [],
		stepsLeft: 0,
		signed: false
	});

describe.each(layouts.map(({ key, axles }) => [key, axles[0]!] as const))(
	'the round of %s',
	(key, axle) => {
		const pair: Corner[] = axle === 'front' ? ['FL', 'FR'] : ['RL', 'RR'];
		const joints = jointsOf(key, pair);
		const stops = roundStops(joints);

		it('holds every step of every joint once', () => {
			const steps = stops.flatMap((stop) =>
				stop.phase === 'load' ? [] : [`${stop.jointId} ${stop.action}`]
			);
			expect(new Set(steps).size).toBe(steps.length);
			expect(
				new Set(stops.flatMap((stop) => (stop.phase === 'load' ? [] : [stop.jointId])))
			).toEqual(new Set(joints.map(({ id }) => id)));
		});

		it('goes rigid, load, rubber, ground, and loads each corner before its rubber', () => {
			const rank = stops.map(({ phase }) => (phase === 'load' ? 2 : roundPhases.indexOf(phase)));
			expect(rank).toEqual([...rank].sort((a, b) => a - b));
			for (const corner of pair) {
				const here = stops.filter((stop) => stop.corner === corner);
				const load = here.findIndex(({ phase }) => phase === 'load');
				const rubber = here.findIndex(({ phase }) => phase === 'rubber');
				expect(load).toBeGreaterThanOrEqual(0);
				expect(rubber).toBe(load + 1);
			}
		});

		it('does both drop links of the axle one after the other', () => {
			const order = roundStops(joints).flatMap((stop) =>
				stop.phase === 'rigid' ? [stop.jointId] : []
			);
			for (const joint of joints.filter((one) => one.pairKey && one.rule === 'any-time')) {
				const other = joints.find((one) => one.pairKey === joint.pairKey && one.id !== joint.id)!;
				expect(Math.abs(order.indexOf(joint.id) - order.indexOf(other.id))).toBe(1);
			}
		});

		it('for two people, each side has its own stops and nothing is in both', () => {
			const [left, right] = [roundStops(joints, 'left'), roundStops(joints, 'right')];
			expect(left.length + right.length).toBe(stops.length);
			expect(left.every(({ corner }) => corner.endsWith('L'))).toBe(true);
			expect(right.every(({ corner }) => corner.endsWith('R'))).toBe(true);
		});

		it('of one corner has that corner alone', () => {
			const alone = corners.flatMap((corner) => {
				const here = roundStops(joints, corner);
				expect(here.every((stop) => stop.corner === corner)).toBe(true);
				return here;
			});
			expect(alone).toHaveLength(stops.length);
		});
	}
);

describe('a stop', () => {
	const joints = jointsOf('macpherson-clamp', ['FL']);
	const wheel = joints.find(({ kind }) => kind === 'wheel')!;
	const onGround = (action: number, torqueNm: number): TorqueFact => ({
		jointId: wheel.id,
		action,
		torqueNm,
		carState: 'loaded',
		method: 'on-wheels'
	});

	it('of a star is behind us when its own fastener is done', () => {
		const standing = standingOf(joints, [onGround(0, 30), onGround(1, 30)]);
		const stops = roundStops([wheel]);
		expect(stops.map((stop) => stopDone(stop, standing, joints)).slice(0, 3)).toEqual([
			true,
			true,
			false
		]);
		expect(standing.joints.get(wheel.id)).toMatchObject({ state: 'begun', done: 2, next: 2 });
	});

	it('to load a corner is behind us once its rubber is set', () => {
		const rubber = joints.filter(({ rule }) => rule === 'ride-height');
		const load = roundStops(joints).find(({ phase }) => phase === 'load')!;
		const set = (joint: JointFact): TorqueFact => ({
			jointId: joint.id,
			torqueNm: 60,
			carState: 'loaded',
			method: 'on-stands',
			verdict: 'set'
		});
		expect(stopDone(load, standingOf(joints, rubber.slice(1).map(set)), joints)).toBe(false);
		expect(stopDone(load, standingOf(joints, rubber.map(set)), joints)).toBe(true);
	});
});
