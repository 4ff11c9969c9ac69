import { describe, expect, it } from 'vitest';
import type { JointFact, TorqueFact } from './facts';
import { jointStatus } from './joint-status';

const bush: JointFact = {
	id: 'bush',
	corner: 'FL',
	name: 'Lower arm, rear bush bolt',
	kind: 'bonded-bush',
	rule: 'ride-height',
	torqueNm: 70,
	programme: { then: [{ kind: 'angle', angleDeg: 90 }] }
};
const row = (action: number, more: Partial<TorqueFact> = {}): TorqueFact => ({
	jointId: 'bush',
	action,
	...(action === 0 ? { torqueNm: 70 } : { angleDeg: 90 }),
	carState: 'loaded',
	method: 'on-wheels',
	verdict: 'set',
	twistDeg: 0.3,
	targetHubToArchMm: 365,
	...more
});

describe('a programme of several steps', () => {
	it('is begun, and then done, step by step', () => {
		expect(jointStatus(bush, [row(0)])).toMatchObject({
			state: 'begun',
			owed: true,
			next: 1,
			done: 1
		});
		expect(jointStatus(bush, [row(0), row(1)])).toMatchObject({
			state: 'set',
			owed: false,
			next: 0
		});
	});

	it('set by a number whose band reaches wound up is done, but not sure', () => {
		const wide = { worstVerdict: 'wound-up' } as const;
		expect(jointStatus(bush, [row(0), row(1, wide)])).toMatchObject({
			state: 'set',
			owed: false,
			unsure: true,
			reason: expect.stringContaining('both wheels') as string
		});
		const near = jointStatus(bush, [row(0), row(1, { worstVerdict: 're-set-advised' })]);
		expect(near).toMatchObject({ state: 'set', unsure: false });
		expect(near.reason).toBeUndefined();
	});

	it('starts over with its first step: what came before counts no more', () => {
		const rows = [row(0), row(1), row(0)];
		expect(jointStatus(bush, rows)).toMatchObject({ state: 'begun', next: 1 });
	});

	it('names the step that missed', () => {
		expect(jointStatus(bush, [row(0), row(1, { angleDeg: 60 })]).reason).toBe(
			'step 2 recorded 33 % under its angle: finish it'
		);
	});

	it('any step done hanging leaves the rubber nipped', () => {
		const hanging = row(1, { carState: 'hanging', method: undefined });
		expect(jointStatus(bush, [row(0), hanging])).toMatchObject({ state: 'nipped', owed: true });
	});

	it('recorded twice, the later row of a step counts', () => {
		const again = [row(0), row(1, { angleDeg: 60 }), row(1)];
		expect(jointStatus(bush, again).state).toBe('set');
	});
});

describe('passed over', () => {
	const skip = (): TorqueFact => ({
		jointId: 'bush',
		skipReason: 'socket does not fit',
		carState: 'hanging'
	});
	it('stays owed, with the reason, until it is done', () => {
		expect(jointStatus(bush, [skip()])).toMatchObject({
			state: 'open',
			owed: true,
			reason: 'to be set at ride height; passed over: socket does not fit'
		});
		expect(jointStatus(bush, [skip(), row(0), row(1)]).state).toBe('set');
	});

	it('in the middle keeps what is done', () => {
		expect(jointStatus(bush, [row(0), skip()])).toMatchObject({ state: 'begun', done: 1, next: 1 });
	});
});

describe('when the height changes', () => {
	const untouched = { ...bush, loosened: false };
	const change = (changeMm: number | undefined) => ({ changeMm, resetAboveMm: 10 });
	it('a bush nobody undid is owed a re-set above the limit, and nothing below it', () => {
		expect(jointStatus(untouched, [], change(-25))).toMatchObject({
			state: 'open',
			owed: true,
			reason:
				'not undone, but the car stands 25 mm lower than before: loosen, settle, tighten at ride height'
		});
		for (const small of [-10, 0, 10, undefined])
			expect(jointStatus(untouched, [], change(small))).toMatchObject({
				state: 'untouched',
				owed: false
			});
	});

	it('a rigid joint nobody undid is never owed', () => {
		const bolt = { ...untouched, kind: 'rigid' as const, rule: 'any-time' as const };
		expect(jointStatus(bolt, [], change(-40))).toMatchObject({ state: 'untouched', owed: false });
	});

	it('a bush set for another height than the car took is owed again', () => {
		const rows = [row(0), row(1)];
		const stands = (standHubToArchMm: number) =>
			jointStatus(bush, rows, { standHubToArchMm, resetAboveMm: 10 });
		expect(stands(374).state).toBe('set');
		expect(stands(349)).toMatchObject({
			state: 'again',
			reason: 'the car stands 16 mm lower than it was set for: loosen, settle, tighten again'
		});
	});
});
