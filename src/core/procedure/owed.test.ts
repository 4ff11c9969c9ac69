import { describe, expect, it } from 'vitest';
import { perCorner } from '../height/corners';
import { effective } from './corrections';
import type { JobFacts, JointFact, TorqueFact } from './facts';
import { jointStatus } from './joint-status';
import { jobStanding } from './owed';
import { chooseTarget } from './target';

const bolt: JointFact = {
	id: 'bolt',
	corner: 'FL',
	name: 'Top mount nuts',
	kind: 'rigid',
	rule: 'any-time',
	torqueNm: 25
};
const bush: JointFact = {
	id: 'bush',
	corner: 'FL',
	name: 'Lower arm, front bush bolt',
	kind: 'bonded-bush',
	rule: 'ride-height',
	torqueNm: 120
};
const wheel: JointFact = {
	id: 'wheel',
	corner: 'FL',
	name: 'Wheel fasteners',
	kind: 'wheel',
	rule: 'wheels-on-ground',
	torqueNm: 120
};
const hanging = (joint: JointFact, torqueNm = joint.torqueNm): TorqueFact => ({
	jointId: joint.id,
	torqueNm,
	carState: 'hanging'
});
const loaded = (joint: JointFact, more: Partial<TorqueFact> = {}): TorqueFact => ({
	jointId: joint.id,
	torqueNm: joint.torqueNm,
	carState: 'loaded',
	method: 'on-wheels',
	verdict: 'set',
	twistDeg: 0.4,
	...more
});

describe('a joint', () => {
	it('rigid: torqued hanging is done', () => {
		expect(jointStatus(bolt, [hanging(bolt)])).toMatchObject({ state: 'torqued', owed: false });
	});

	it('bonded bush: torqued hanging is only nipped and stays owed, whatever the torque', () => {
		expect(jointStatus(bush, [hanging(bush)])).toMatchObject({ state: 'nipped', owed: true });
		expect(jointStatus(bush, [hanging(bush, 20)])).toMatchObject({ state: 'nipped', owed: true });
	});

	it('bonded bush: set at ride height is done, wound up is not', () => {
		expect(jointStatus(bush, [loaded(bush)])).toMatchObject({ state: 'set', owed: false });
		expect(
			jointStatus(bush, [loaded(bush, { verdict: 're-set-advised', twistDeg: 3 })])
		).toMatchObject({ state: 'again', owed: true, reason: expect.stringContaining('+3.0°') });
		expect(jointStatus(bush, [loaded(bush, { verdict: 'wound-up', twistDeg: 8.9 })])).toMatchObject(
			{
				state: 'again',
				owed: true,
				reason: expect.stringContaining('+8.9°')
			}
		);
		expect(jointStatus(bush, [loaded(bush, { verdict: undefined })])).toMatchObject({
			state: 'again',
			owed: true
		});
	});

	it('wheel: counts with the car on its wheels only', () => {
		expect(jointStatus(wheel, [loaded(wheel)])).toMatchObject({ owed: false });
		expect(jointStatus(wheel, [loaded(wheel, { method: 'on-stands' })])).toMatchObject({
			owed: true
		});
		expect(jointStatus(wheel, [hanging(wheel)])).toMatchObject({ owed: true });
	});

	it.each([
		[23.8, 'torqued'],
		[23.7, 'again'],
		[26.3, 'again']
	])('%d N·m of 25 is %s', (torqueNm, state) => {
		expect(jointStatus(bolt, [hanging(bolt, torqueNm)]).state).toBe(state);
	});

	it('without a specified torque any number counts', () => {
		expect(jointStatus({ ...bolt, torqueNm: undefined }, [hanging(bolt, 7)]).state).toBe('torqued');
	});
});

function facts(change: Partial<JobFacts> = {}): JobFacts {
	const three = perCorner(() => [365, 365, 366]);
	return {
		corners: ['FL'],
		beforeMm: three,
		afterMm: three,
		targetMm: perCorner(() => 365),
		joints: [bolt, bush, wheel],
		torques: [hanging(bolt), loaded(bush), loaded(wheel)],
		standHubToArchMm: perCorner(() => undefined),
		changeMm: perCorner(() => undefined),
		resetAboveMm: 10,
		work: [],
		stepsLeft: 0,
		signed: false,
		...change
	};
}

describe('a job', () => {
	it('with everything done owes nothing and is ready to sign', () => {
		expect(jobStanding(facts())).toMatchObject({ stage: 'hand-over', owed: [] });
	});

	it('goes through its stages in order', () => {
		const empty = perCorner(() => []);
		expect(jobStanding(facts({ beforeMm: empty })).stage).toBe('measure');
		expect(jobStanding(facts({ torques: [], stepsLeft: 12 })).stage).toBe('work');
		expect(jobStanding(facts({ torques: [] })).stage).toBe('set');
		// Whoever ticked nothing off and torqued everything is past it.
		expect(jobStanding(facts({ stepsLeft: 12 })).stage).toBe('hand-over');
		expect(jobStanding(facts({ torques: [hanging(bolt), hanging(bush)] })).stage).toBe('set');
		expect(jobStanding(facts({ afterMm: empty })).stage).toBe('check');
		expect(jobStanding(facts({ signed: true })).stage).toBe('signed');
	});

	it('owes three readings at each corner, worked on or not', () => {
		const { owed } = jobStanding(
			facts({ afterMm: { ...perCorner(() => [365, 365, 365]), RR: [365] } })
		);
		expect(owed).toEqual([
			{ kind: 'height-after', stage: 'check', corner: 'RR', text: '2 readings after' }
		]);
	});

	it('owes a second look at readings that do not agree', () => {
		const { owed } = jobStanding(
			facts({ beforeMm: { ...perCorner(() => [365, 365, 365]), FR: [338, 353, 337] } })
		);
		expect(owed).toEqual([
			{
				kind: 'doubt',
				stage: 'measure',
				corner: 'FR',
				text: 'readings before are 16 mm apart: correct one or read again'
			}
		]);
	});

	it('owes a target only where it works', () => {
		const { owed, stage } = jobStanding(facts({ targetMm: perCorner(() => undefined) }));
		expect(owed.map((item) => [item.kind, item.corner])).toEqual([['target', 'FL']]);
		expect(stage).toBe('set');
	});

	it('counts the last torque of a joint', () => {
		const { owed } = jobStanding(
			facts({
				torques: [
					hanging(bolt),
					loaded(bush),
					loaded(wheel),
					loaded(bush, { verdict: 'wound-up', twistDeg: 9 })
				]
			})
		);
		expect(owed.map((item) => item.jointId)).toEqual(['bush']);
	});
});

describe('corrections', () => {
	const row = (id: string, correctsId?: string, withdrawn = false) => ({
		id,
		correctsId,
		withdrawn
	});

	it('a later row takes the place of the one it names', () => {
		expect(effective([row('a'), row('b'), row('c', 'a')]).map((r) => r.id)).toEqual(['c', 'b']);
	});

	it('a correction can be corrected, and withdrawn', () => {
		expect(effective([row('a'), row('b', 'a'), row('c', 'b')]).map((r) => r.id)).toEqual(['c']);
		expect(effective([row('a'), row('b', 'a'), row('c', 'b', true)])).toEqual([]);
	});

	it('of two corrections of one row the later counts', () => {
		expect(effective([row('a'), row('b', 'a'), row('c', 'a')]).map((r) => r.id)).toEqual(['c']);
	});
});

describe('the target', () => {
	it('is what was typed, else the height before', () => {
		expect(chooseTarget({ typedMm: 350, typedSource: 'maker', beforeMm: 340 })).toMatchObject({
			heightMm: 350,
			source: 'maker'
		});
		expect(chooseTarget({ beforeMm: 340 })).toMatchObject({ heightMm: 340, source: 'before' });
		expect(chooseTarget({})).toBeUndefined();
	});
});

describe('joints done in pairs', () => {
	const link = (corner: 'FL' | 'FR' | 'RL'): JointFact => ({
		id: `link-${corner}`,
		corner,
		name: 'Drop link, upper nut',
		kind: 'ball-joint',
		rule: 'any-time',
		torqueNm: 50,
		pairKey: 'drop-link-upper'
	});
	const standing = (joints: JointFact[], torques: TorqueFact[]) =>
		jobStanding({
			corners: ['FL', 'FR', 'RL'],
			beforeMm: perCorner(() => []),
			afterMm: perCorner(() => []),
			targetMm: perCorner(() => undefined),
			joints,
			torques,
			standHubToArchMm: perCorner(() => undefined),
			changeMm: perCorner(() => undefined),
			resetAboveMm: 10,
			work: [],
			stepsLeft: 0,
			signed: false
		}).joints;

	it('the open side says that the other is done, until both are', () => {
		const [left, right] = [link('FL'), link('FR')];
		expect(standing([left, right], []).get('link-FR')!.reason).toBe('to be torqued');
		const half = standing([left, right], [hanging(left)]);
		expect(half.get('link-FR')!.reason).toContain('its pair front left is done');
		expect(half.get('link-FL')).toMatchObject({ state: 'torqued', owed: false });
		const both = standing([left, right], [hanging(left), hanging(right)]);
		expect(both.get('link-FR')).toMatchObject({ state: 'torqued', owed: false });
	});

	it('are pairs of one axle', () => {
		const found = standing([link('FL'), link('RL')], [hanging(link('FL'))]);
		expect(found.get('link-RL')!.reason).toBe('to be torqued');
	});
});
