/**
 * The torque sequence on a busy evening: this person pulls, takes back and picks, somebody else pulls too, answers
 * and events come late, twice and out of order, loads are overtaken, the network goes. In whatever order all of it
 * comes, the screen ends with the server's book and with the joint in hand that this book and this person's pick say.
 */
import fc from 'fast-check';
import { v7 as uuidv7 } from 'uuid';
import { expect, it } from 'vitest';
import { away, call } from '../../../../tests/client/around';
import { jobOnScreen, person } from '../../../../tests/client/job-on-screen.svelte';
import { StandIn } from '../../../../tests/client/stand-in';
import type { Entry } from '$core/job/book/entry';
import { seedOfTheDay } from '../../../../tests/seed';
import { metric } from '$core/units/format';
import { JobState } from '$lib/client/job-state.svelte';
import { outbox } from '$lib/client/outbox.svelte';
import { holdBook } from '$lib/client/refresh';
import { Round } from './round.svelte';

const other = { id: 'person-2', name: 'Person Two', role: 'technician' } as const;
const number = '2026-0258';

const roundOf = (state: JobState) =>
	new Round(
		state,
		() => 'all',
		() => []
	);

/** What a person says at what is in hand; undefined where nothing is. */
function sayingOf(round: Round, state: JobState): Parameters<JobState['tell']> | undefined {
	const { stop } = round;
	if (!stop) return undefined;
	if (stop.phase === 'load') {
		const target = Math.round(state.view.corners[stop.corner].target?.heightMm ?? 350);
		return ['loading', stop.corner, { method: 'jack-to-height', hubToArch: `${target} mm` }];
	}
	if (round.question?.kind === 'down') return ['down', 'car', { onWheels: true }];
	const loosened = round.question?.kind === 'loosened' && { loosenedFirst: true };
	const said = { torque: '60 N·m', action: stop.action, ...round.sent, ...loosened };
	return ['torque', stop.jointId, said];
}

/** What is kept on this device is kept, what follows from it is drawn. */
const turn = () => new Promise((done) => setTimeout(done));

/** come: the next of what is under way; calm: all of it. */
const acts = 'pull pull pull pull other undo undo pick load away come come calm calm'.split(' ');

it('ends with the same joint in hand and the same book, whatever comes in whatever order', async () => {
	const seed = seedOfTheDay('torque sequence');
	const order = fc.array(fc.constantFrom(...acts), { minLength: 8, maxLength: 18 });
	await fc.assert(
		fc.asyncProperty(fc.scheduler(), order, async (comes, order) => {
			const { state, loaded, told } = jobOnScreen(number);
			const server = new StandIn(loaded, [other]);
			const { id } = loaded;
			const round = roundOf(state);
			let gone = 0;
			/** An event of the stream: late, perhaps twice. */
			const tell = (entries: Entry[]) => {
				for (let i = 0; i < 1 + (entries[0]!.seq % 2); i++)
					void comes.schedule(Promise.resolve(), 'event').then(() => state.take(entries));
			};
			call.mockImplementation((async (method: string, path: string, body: unknown) => {
				if (gone > 0 && method === 'POST') {
					gone--;
					return comes.schedule(Promise.resolve(away), 'away');
				}
				await comes.schedule(Promise.resolve(), 'request');
				if (method === 'GET') {
					const after = Number(/after=(\d+)/.exec(path)![1]);
					const entries = server.book.entries.filter(({ seq }) => seq > after);
					return comes.schedule(Promise.resolve({ ok: true, value: { entries } }), 'answer');
				}
				const answer = server.write(body, person);
				if (answer.ok) tell(answer.value.entries);
				return comes.schedule(Promise.resolve(answer), 'answer');
			}) as never);
			const end = holdBook({ jobId: id, take: (entries) => state.take(entries) });

			const all = async () => {
				for (await turn(); comes.count() > 0; await turn()) await comes.waitOne();
			};
			/** What was picked last, with its pulls as they stood then. */
			let pick: { jointId: string; rows: number } | undefined;
			const rowsOf = (jointId: string, { record }: JobState) =>
				record.torques.filter((row) => row.jointId === jointId && !row.withdrawn).length;
			const picked = (jointId: string) => (pick = { jointId, rows: rowsOf(jointId, state) });
			for (const act of order) {
				if (act === 'pull') {
					const said = sayingOf(round, state);
					if (said) void state.tell(...said).then(() => undefined);
				} else if (act === 'other') {
					const there = new JobState(
						() => server.book,
						() => ({ person: other, rack: [], timed: [], units: metric })
					);
					const said = sayingOf(roundOf(there), there);
					const [kind, subject, data] = said ?? ['down', 'car', { onWheels: true }];
					const at = new Date().toISOString();
					const answer = server.write(
						{ id: uuidv7(), kind, subject, data, enteredAt: at, seen: server.book.entries.length },
						other
					);
					if (answer.ok) tell(answer.value.entries);
				} else if (act === 'undo') {
					const mine = round.newestOf(person.id);
					if (mine) picked(mine.jointId);
					void round.undo(person.id);
				} else if (act === 'pick') {
					const stop = round.stops.findLast(({ phase }) => phase === 'rubber');
					if (stop && stop.phase !== 'load') picked(stop.jointId);
					round.pick(stop);
				} else if (act === 'load') {
					// What the server had then; it comes when it comes.
					const snapshot = { ...server.book };
					void comes.schedule(Promise.resolve(), 'load').then(() => told(snapshot));
				} else if (act === 'away') gone++;
				else if (act === 'calm') await all();
				else if (comes.count()) await comes.waitOne();
				await turn();
			}
			for (await all(); outbox.waiting.length > 0; await all()) void outbox.send();
			void state.reload();
			await all();
			end();

			expect(state.record.entries.map(({ id, seq }) => [seq, id])).toEqual(
				server.book.entries.map(({ id, seq }) => [seq, id])
			);
			const fresh = new JobState(
				() => server.book,
				() => ({ person, rack: [], timed: [], units: metric })
			);
			const expected = roundOf(fresh);
			const still =
				pick &&
				(rowsOf(pick.jointId, fresh) <= pick.rows ||
					fresh.view.standing.joints.get(pick.jointId)!.state === 'begun');
			if (still) expected.pickJoint(pick!.jointId);
			expect(round.key).toBe(expected.key);
		}),
		{ seed, numRuns: 30 }
	);
});
