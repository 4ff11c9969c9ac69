/** One pull as it is entered: wrench and unit, an adapter, what cannot be told, and what waits for its hardware. */
import { beforeEach, describe, expect, it } from 'vitest';
import { metric } from '$core/units/format';
import { unitsOf } from '$core/units/personal';
import type { Joint } from '$core/job/model';
import { away, call } from '../../../../tests/client/around';
import { jobOnScreen } from '../../../../tests/client/job-on-screen.svelte';
import type { ShopWrench } from '$lib/rack/model';
import { Pull } from './pull.svelte';

beforeEach(() => {
	call.mockResolvedValue(away);
});

const wrench = (change: Partial<ShopWrench> = {}) =>
	({
		id: 'main',
		name: 'Main click',
		kind: 'click',
		lowestNm: 20,
		highestNm: 200,
		lengthMm: 400,
		retired: false,
		calibratedOn: '2026-09-02',
		passed: true,
		cycles: 10,
		entered: { lowestNm: '20 N·m', highestNm: '200 N·m', lengthMm: '400 mm' },
		version: 1,
		...change
	}) as ShopWrench;

function pullOf(change: Partial<Joint>, rack: ShopWrench[] = [wrench()]) {
	const { state, entered } = jobOnScreen('2026-0257');
	const first = state.record.joints.find(
		({ kind, id }) => kind === 'rigid' && !state.record.hardware[id]
	)!;
	const joint: Joint = {
		...first,
		torqueNm: 110,
		programme: null,
		oneTime: false,
		loosened: true,
		...change
	};
	const pull = new Pull(
		state,
		unitsOf(() => metric),
		() => ({
			joint,
			car: { carState: 'hanging', method: undefined, hubToArch: '' },
			loosenedFirst: undefined,
			aheadReason: undefined,
			rack,
			today: '2026-11-27'
		})
	);
	return { pull, entered };
}

describe('what stands ready', () => {
	it('is the number asked, with the wrench of the rack that fits it', () => {
		const { pull } = pullOf({});
		expect([pull.text, pull.unit, pull.wrenchId]).toEqual(['110', 'N·m', 'main']);
		expect(pull.typed()).toEqual({ torque: '110 N·m' });
	});

	it('is what shows on a wrench marked in another unit', () => {
		const marked = { lowestNm: '15 ft-lb', highestNm: '150 ft-lb', lengthMm: '16 in' };
		const { pull } = pullOf({}, [wrench({ entered: marked })]);
		expect([pull.text, pull.unit]).toEqual(['81', 'lbf·ft']);
		expect(pull.typed()).toEqual({ torque: '81 lbf·ft' });
	});

	it('is less on the wrench with an adapter in line, and kept as it is at the joint', () => {
		const { pull } = pullOf({
			programme: { adapter: { lengthMm: 100, angleDeg: 0 } }
		});
		// 110 N·m at the joint, wrench 400 mm and 100 mm more: 110 × 400 / 500.
		expect(pull.text).toBe('88');
		expect(JSON.stringify(pull.typed())).toMatch(/"110\.0\sN·m"/);
	});

	it('changes with another wrench, unless a record is being corrected', () => {
		const other = wrench({ id: 'old', entered: { ...wrench().entered, highestNm: '20 kgf·m' } });
		const { pull } = pullOf({}, [wrench(), other]);
		pull.text = '95';
		pull.choose('old');
		expect(pull.text).toBe('11.2');
		pull.correct({ entered: '95 N·m' } as never);
		pull.choose('main');
		expect(pull.text).toBe('95 N·m');
	});
});

describe('what cannot be told', () => {
	it('says why, and leaves what was typed', () => {
		const { pull } = pullOf({});
		pull.text = 'much';
		expect(pull.typed()).toBeUndefined();
		expect(pull.refusal?.title).toMatch(/much|number/);
		pull.text = '';
		expect(pull.typed()).toBeUndefined();
		expect(pull.refusal?.title).toBe('Type the torque it reached.');
		expect(pull.text).toBe('');
	});
});

describe('one-time hardware', () => {
	it('is asked before the last step counts; what was pulled waits for it', () => {
		const { pull } = pullOf({ oneTime: true });
		const said = pull.typed()!;
		expect(pull.ready(said)).toBeUndefined();
		expect(pull.asksHardware).toBe(true);
		expect(pull.hardwareSaid('fastener')).toMatchObject({ said });
		expect(pull.asksHardware).toBe(false);
	});

	it('holds nothing up that is passed over or corrected', () => {
		const { pull } = pullOf({ oneTime: true });
		expect(pull.ready({ skipReason: 'nut seized' })).toBeDefined();
		pull.correcting = { entered: '90 N·m' } as never;
		expect(pull.ready({ torque: '95 N·m' })).toBeDefined();
	});
});
