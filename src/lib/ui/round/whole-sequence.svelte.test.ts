/** The torque sequence from its first joint to its last, on every kind of car, by what a foot switch sends. */
import { flushSync } from 'svelte';
import { beforeEach, describe, expect, it } from 'vitest';
import { call } from '../../../../tests/client/around';
import { jobOnScreen, person } from '../../../../tests/client/job-on-screen.svelte';
import { StandIn } from '../../../../tests/client/stand-in';
import { hardwareOpen } from '$core/fastener/hardware';
import { actionsOf } from '$core/fastener/joint-programme';
import { atWork } from '$core/job/joints';
import { viewJob } from '$core/job/view';
import { metric } from '$core/units/format';
import { unitsOf } from '$core/units/personal';
import type { JobState } from '$lib/client/job-state.svelte';
import { holdBook } from '$lib/client/refresh';
import { Pull } from '../joints/pull.svelte';
import { Round } from './round.svelte';

let end = () => {};
beforeEach(() => end());

/** Drawn all the while, as on a page: what is not asked for by anything drawn is reckoned anew at each look. */
function drawn(round: Round, job: JobState): () => void {
	return $effect.root(() => {
		$effect(() => void [round.stop, round.question, round.wrench, round.standing, job.work]);
	});
}

/** A job, and a server that has what is said before the next touch. */
function onTheLine(number: string): { job: JobState; round: Round } {
	const { state: job, loaded } = jobOnScreen(number);
	const server = new StandIn(loaded);
	call.mockImplementation(((_: string, __: string, body: unknown) =>
		Promise.resolve(server.write(body, person))) as never);
	const left = holdBook({ jobId: loaded.id, take: (entries) => job.take(entries) });
	const round = new Round(
		job,
		() => 'all',
		() => []
	);
	const gone = drawn(round, job);
	end = () => {
		gone();
		left();
	};
	return { job, round };
}

/** One Enter: what is in hand is done as it is asked. */
async function enter({ job, round }: { job: JobState; round: Round }): Promise<void> {
	const stop = round.stop!;
	if (stop.phase === 'load') {
		const hubToArch = `${Math.round(job.view.corners[stop.corner].target!.heightMm)} mm`;
		expect(
			await job.tell('loading', stop.corner, { method: 'jack-to-height', hubToArch })
		).toBeUndefined();
		return;
	}
	if (round.question?.kind === 'down') {
		expect(await job.tell('down', 'car', { onWheels: true })).toBeUndefined();
		return;
	}
	expect(round.question).toBeUndefined();
	const joint = round.joint!;
	const pull = new Pull(
		job,
		unitsOf(() => metric),
		() => ({
			joint,
			action: stop.action,
			car: round.standing,
			plannedWrench: round.wrench,
			loosenedFirst: undefined,
			aheadReason: undefined,
			rack: [],
			today: '2026-12-02'
		})
	);
	// Of several looks the first has the focus.
	let told = pull.ready(pull.numbered ? pull.typed()! : { seen: pull.sights[0]! });
	while (!told) {
		expect(pull.asksHardware).toBe(true);
		const [piece] = hardwareOpen(joint, job.record.hardware[joint.id]);
		expect(await job.tell('hardware', joint.id, { [piece!]: { done: 'renewed' } })).toBeUndefined();
		told = pull.hardwareSaid(piece!);
	}
	expect(await pull.tell(told.said, { seen: told.seen })).toBeUndefined();
}

describe('the whole torque sequence', () => {
	it.each([
		['2026-0262', 'strut in a clamp, twist beam with spring'],
		['2026-0263', 'strut in a clamp, twist beam with strut'],
		['2026-0265', 'wishbones with the spring on the arm, live axle behind'],
		['2026-0266', 'live axles in front and behind'],
		['2026-0267', 'wishbones with coilover, semi-trailing arm'],
		['2026-0255', 'trailing arm with separate spring']
	])(
		'of %s, %s: each step of each joint is on record once, and nothing is left',
		async (number) => {
			const { job, round } = onTheLine(number);
			const before = job.record;
			const { standing } = viewJob(before);
			for (let enters = 0; round.stop && enters < 300; enters++) {
				await enter({ job, round });
				flushSync();
			}
			expect(job.unsent).toEqual([]);
			expect(round.held).toBeUndefined();
			expect(
				job.view.standing.owed.filter(({ kind }) => kind === 'joint' || kind === 'hardware')
			).toEqual([]);
			const steps = job.record.torques
				.slice(before.torques.length)
				.map(({ jointId, action }) => `${jointId} ${action}`);
			const wanted = before.joints
				.filter(({ id }) => standing.joints.get(id)!.owed)
				.flatMap((joint) => [...actionsOf(atWork(joint)).keys()].map((i) => `${joint.id} ${i}`));
			expect([...steps].sort()).toEqual([...wanted].sort());
		}
	);
});
