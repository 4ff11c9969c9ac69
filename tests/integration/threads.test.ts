import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { findComputation } from '../../src/core/compute.ts';
import { Problem } from '../../src/core/problem.ts';
import { root } from '../../tools/system.js';
import { Threads } from '../../src/lib/server/threads/threads.ts';

const file = join(root, 'build/programs/tasks.js');
const threads = new Threads({ file, count: 2, limitMs: 600_000 });
beforeAll(() => void threads.start());
afterAll(() => threads.close());

const sweep = findComputation('corner-sweep')!.example;
const draws = (samples: number) => ({
	name: 'monte-carlo',
	text: JSON.stringify({
		computation: 'corner-sweep',
		input: { ...sweep, bumpMm: Array.from({ length: 40 }, (_, i) => i) },
		uncertainty: { staticCamberDeg: 0.1 },
		results: ['rows.0.camberDeg'],
		samples
	})
});
/** Some seconds of work, and as good as none. */
const long = draws(10_000);
const short = { name: 'castle-nut', text: JSON.stringify(findComputation('castle-nut')!.example) };
const refusal = (of: Promise<unknown>) =>
	of.then(
		() => expect.unreachable(),
		(error: unknown) => error
	);

describe('work on threads of its own', () => {
	it('answers as the core does', async () => {
		const computation = findComputation('castle-nut')!;
		const answer = await threads.run('compute', short, { who: 'a' });
		expect({ ok: true, value: JSON.parse(answer) as unknown }).toEqual(
			computation.run(computation.example as never)
		);
	});

	it('a refusal comes back as it was thrown', async () => {
		const wrong = await refusal(
			threads.run('compute', { name: 'castle-nut', text: '{"lowNm":-1}' }, { who: 'a' })
		);
		expect(wrong).toBeInstanceOf(Problem);
		expect(wrong).toMatchObject({ status: 422 });
		expect((wrong as Problem).faults.map(({ field }) => field)).toContain('lowNm');
		expect(
			await refusal(threads.run('compute', { ...short, text: '{' }, { who: 'a' }))
		).toMatchObject({ status: 400 });
	});

	it('who comes second does not wait behind all that the first has asked for', async () => {
		// Both threads have begun.
		await Promise.all(['a', 'b'].map((who) => threads.run('compute', draws(500), { who })));
		const order: string[] = [];
		const of = (who: string, work: typeof long) =>
			threads.run('compute', work, { who }).then(() => void order.push(who));
		await Promise.all([
			...Array.from({ length: 4 }, () => of('greedy', draws(500))),
			of('modest', short)
		]);
		expect(order[0]).toBe('modest');
		expect(order).toHaveLength(5);
	});

	it('what nobody waits for any more is stopped, and the turn is free again', async () => {
		const leave = new AbortController();
		const asked = threads.run('compute', long, { who: 'a', signal: leave.signal });
		const waiting = threads.run('compute', short, { who: 'a' });
		// The other thread has answered: this one has long begun.
		await threads.run('compute', short, { who: 'b' });
		leave.abort(new Error('gone'));
		expect(await refusal(asked)).toMatchObject({ message: 'gone' });
		expect(JSON.parse(await waiting)).toBeTruthy();
		const never = AbortSignal.abort(new Error('left before'));
		expect(await refusal(threads.run('compute', short, { who: 'a', signal: never }))).toMatchObject(
			{ message: 'left before' }
		);
	});

	it('what takes too long is stopped and says so', async () => {
		const hasty = new Threads({ file, count: 1, limitMs: 20 });
		expect(await refusal(hasty.run('compute', long, { who: 'a' }))).toMatchObject({
			status: 422,
			message: 'That takes longer than 0.02 s: ask for less at once.'
		});
		await hasty.close();
	});

	it('more than sixteen that wait are refused; another person’s are not', async () => {
		const leave = new AbortController();
		const { signal } = leave;
		const mine = Array.from({ length: 17 }, () =>
			threads.run('compute', long, { who: 'a', signal })
		);
		const ends = Promise.allSettled(mine);
		const next = threads.run('compute', short, { who: 'a' });
		expect(await refusal(next)).toMatchObject({ status: 429, extra: { retryAfterSeconds: 10 } });
		expect(JSON.parse(await threads.run('compute', short, { who: 'b' }))).toBeTruthy();
		leave.abort();
		expect((await ends).every(({ status }) => status === 'rejected')).toBe(true);
	});
});
