/** What the round knows: its order, how a corner stands, and what waits. */
import { beforeEach, describe, expect, it } from 'vitest';
import { away, call } from '../../../../tests/client/around';
import { jobOnScreen, person } from '../../../../tests/client/job-on-screen.svelte';
import type { RoundPart } from '$core/procedure/round';
import { Round } from './round.svelte';

beforeEach(() => {
	sessionStorage.clear();
	// What is said stays on this screen.
	call.mockResolvedValue(away);
});

function roundOf(number: string, part: RoundPart = 'all') {
	const { state } = jobOnScreen(number);
	return {
		job: state,
		round: new Round(
			state,
			() => part,
			() => []
		)
	};
}

describe('the round of a part of the car', () => {
	it('takes what is left in its order, and counts what the stage counts', () => {
		const { job, round } = roundOf('2026-0256');
		const owed = job.view.standing.owed.filter(({ stage }) => stage === 'set');
		expect(round.toSet).toBe(owed.length);
		expect(round.stop?.corner).toBe('FL');
		expect(round.done(round.stop!)).toBe(false);
		const [before] = round.stops;
		expect(round.stops.indexOf(round.stops.find((stop) => !round.done(stop))!)).toBeGreaterThan(-1);
		expect(before).toBeDefined();
	});

	it('of one corner has that corner alone', () => {
		const { round } = roundOf('2026-0256', 'FR');
		expect(new Set(round.stops.map(({ corner }) => corner))).toEqual(new Set(['FR']));
		expect(round.toSet).toBeLessThan(roundOf('2026-0256').round.toSet);
	});

	it('leaves what was picked in hand until it is done, whatever is done meanwhile', async () => {
		const { job, round } = roundOf('2026-0256');
		await job.tell('loading', 'FL', { method: 'jack-to-height', hubToArch: '323 mm' });
		const [one, other] = job.record.joints.filter(
			({ corner, kind }) => corner === 'FL' && kind === 'bonded-bush'
		);
		const pull = (id: string) => job.tell('torque', id, { torque: '80', action: 0, ...round.sent });
		round.pickJoint(other!.id);
		expect(round.joint?.id).toBe(other!.id);
		await pull(one!.id);
		expect(round.joint?.id).toBe(other!.id);
		await pull(other!.id);
		expect(round.picked).toBeUndefined();
		expect([one!.id, other!.id]).not.toContain(round.joint?.id);
	});
});

describe('how a corner stands in the round', () => {
	const look = (hubToArch: string) => ({ method: 'jack-to-height', hubToArch });

	it('hangs until it is read, stands as it was read, and hangs again when somebody says so', async () => {
		const { job, round } = roundOf('2026-0257');
		const rubber = round.stops.find((stop) => stop.phase === 'rubber' && stop.corner === 'FL')!;
		round.pick(rubber);
		const read = job.record.loadings.some(({ corner }) => corner === 'FL');
		expect(round.standing.carState).toBe(read ? 'loaded' : 'hanging');
		await job.tell('loading', 'FL', look('342 mm'));
		expect(round.standing).toEqual({
			carState: 'loaded',
			method: 'jack-to-height',
			hubToArch: '342 mm'
		});
		expect(round.sent).toMatchObject({ carState: 'loaded', hubToArch: '342 mm' });
		await round.letHang('FL');
		expect(round.standing.carState).toBe('hanging');
		// Known on every screen, for this look only.
		expect(
			new Round(
				job,
				() => 'all',
				() => []
			).look('FL')
		).toBeUndefined();
		await job.tell('loading', 'FL', look('343 mm'));
		expect(round.standing.hubToArch).toBe('343 mm');
	});

	it('at the wheels is on its wheels', () => {
		const { round } = roundOf('2026-0257');
		round.pick(round.stops.find((stop) => stop.phase === 'ground'));
		expect(round.standing).toMatchObject({ carState: 'loaded', method: 'on-wheels' });
		expect(round.question?.kind).toBe('down');
	});
});

describe('what the round waits for', () => {
	it('is the step that brings a part back, and nothing is in hand until then', () => {
		const { round } = roundOf('2026-0268');
		expect(round.stop).toBeUndefined();
		expect(round.held).toBeDefined();
	});

	it('is said of a joint that is picked before its turn', () => {
		const { round } = roundOf('2026-0268');
		round.pick(round.stops.find((stop) => stop.phase === 'rigid'));
		expect(round.question?.kind).toBe('waits');
		round.ahead = 'the bolt is needed to hold the knuckle';
		expect(round.question).toBeUndefined();
	});
});

describe('an entry of one’s own', () => {
	it('is the newest that nobody has taken back', async () => {
		const { job, round } = roundOf('2026-0256');
		expect(round.newestOf(person.id)).toBeUndefined();
		const joint = round.joint ?? job.record.joints.find(({ kind }) => kind === 'rigid')!;
		await job.tell('torque', joint.id, { torque: '60', carState: 'hanging', action: 0 });
		const mine = round.newestOf(person.id)!;
		expect(mine.jointId).toBe(joint.id);
		await job.tell(
			'torque',
			joint.id,
			{ withdraw: true, carState: 'hanging' },
			{ corrects: mine.id }
		);
		expect(round.newestOf(person.id)).toBeUndefined();
	});
});
