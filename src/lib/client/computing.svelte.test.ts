/** Computations as pages use them: one that follows its input, and a long one that can be stopped. */
import { flushSync, tick } from 'svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { Live } from './live.svelte';
import { Run } from './run.svelte';

interface Asked {
	input: { n: number };
	options: { onprogress?: (share: number) => void; signal?: AbortSignal };
	answer: (result: object | undefined) => void;
}
const asked: Asked[] = [];
vi.mock('./compute', () => ({
	compute: (_: string, input: { n: number }, options: Asked['options'] = {}) =>
		new Promise((answer) => asked.push({ input, options, answer }))
}));
/** What the page came with, by the computation's name. */
const brought = new Map<string, object>();
vi.mock('./first-answers', () => ({ firstAnswer: (name: string) => brought.get(name) }));
const good = (n: number) => ({ ok: true, value: { n } });
const bad = { ok: false, faults: [{ field: 'n', message: 'must be above 0' }] };
/** Lets promises that have settled be heard. */
const heard = async () => {
	for (let i = 0; i < 5; i++) await Promise.resolve();
};

beforeEach(() => {
	asked.length = 0;
	brought.clear();
});

describe('a computation that follows its input', () => {
	/** A `Live` over a number that can be turned. */
	function follow(start: number | undefined) {
		let n = $state(start);
		let live!: Live<{ n: number }>;
		const end = $effect.root(() => {
			live = new Live(() => (n === undefined ? undefined : { name: 'double', input: { n } }));
		});
		flushSync();
		const turn = (to: number | undefined) => {
			n = to;
			flushSync();
		};
		return { live, turn, end };
	}

	it('has the answer the page came with, and asks only for another', () => {
		brought.set('double', { n: 2 });
		const { live, turn, end } = follow(1);
		expect(live.value).toEqual({ n: 2 });
		expect(asked).toEqual([]);
		turn(3);
		expect(asked.map(({ input }) => input.n)).toEqual([3]);
		end();
	});

	it('asks for the whole where the page came with a first answer only', () => {
		brought.set('double', { n: 2 });
		let live!: Live<{ n: number }>;
		const end = $effect.root(() => {
			live = new Live(() => ({ name: 'double', input: { n: 1 }, first: { n: 0 } }));
		});
		flushSync();
		expect(live.value).toEqual({ n: 2 });
		expect(asked.map(({ input }) => input.n)).toEqual([1]);
		end();
	});

	it('asks when the input changes, and keeps the last good answer in between', async () => {
		const { live, turn, end } = follow(1);
		asked[0]!.answer(good(1));
		await heard();
		expect(live.value).toEqual({ n: 1 });
		turn(2);
		expect(live.value).toEqual({ n: 1 });
		asked[1]!.answer(good(2));
		await heard();
		expect(live.value).toEqual({ n: 2 });
		end();
	});

	it('runs one at a time and skips what has been overtaken', async () => {
		const { live, turn, end } = follow(1);
		turn(2);
		turn(3);
		turn(4);
		expect(asked).toHaveLength(1);
		asked[0]!.answer(good(1));
		await heard();
		expect(asked.map(({ input }) => input.n)).toEqual([1, 4]);
		asked[1]!.answer(good(4));
		await heard();
		expect(live.value).toEqual({ n: 4 });
		end();
	});

	it('says what is wrong, and shows the drawing of before', async () => {
		const { live, turn, end } = follow(1);
		asked[0]!.answer(good(1));
		await heard();
		turn(-1);
		asked[1]!.answer(bad);
		await heard();
		expect(live.faults).toEqual(bad.faults);
		expect(live.value).toEqual({ n: 1 });
		turn(2);
		asked[2]!.answer(good(2));
		await heard();
		expect(live.faults).toEqual([]);
		end();
	});

	it('asks nothing while the input is not complete', async () => {
		const { turn, end } = follow(undefined);
		expect(asked).toEqual([]);
		turn(1);
		await tick();
		expect(asked).toHaveLength(1);
		end();
	});
});

describe('a long computation', () => {
	it('shows how far it is, and then its answer', async () => {
		const run = new Run<{ n: number }>();
		expect(run.share).toBeUndefined();
		const done = run.start('many', { n: 1 });
		expect(run.share).toBe(0);
		asked[0]!.options.onprogress!(0.4);
		expect(run.share).toBe(0.4);
		asked[0]!.answer(good(1));
		expect(await done).toEqual({ n: 1 });
		expect([run.share, run.value, run.stopped]).toEqual([undefined, { n: 1 }, false]);
	});

	it('can be stopped, and keeps the answer of before', async () => {
		const run = new Run<{ n: number }>();
		const first = run.start('many', { n: 1 });
		asked[0]!.answer(good(1));
		await first;
		const second = run.start('many', { n: 2 });
		run.stop();
		expect(asked[1]!.options.signal!.aborted).toBe(true);
		asked[1]!.answer(undefined);
		expect(await second).toBeUndefined();
		expect([run.share, run.value, run.stopped]).toEqual([undefined, { n: 1 }, true]);
	});

	it('gives way to the next one, whichever answers first', async () => {
		const run = new Run<{ n: number }>();
		const first = run.start('many', { n: 1 });
		const second = run.start('many', { n: 2 });
		expect(asked[0]!.options.signal!.aborted).toBe(true);
		asked[1]!.answer(good(2));
		await second;
		asked[0]!.options.onprogress!(0.9);
		asked[0]!.answer(good(1));
		expect(await first).toBeUndefined();
		expect([run.share, run.value]).toEqual([undefined, { n: 2 }]);
	});

	it('says what is wrong with what it was asked', async () => {
		const run = new Run<{ n: number }>();
		const done = run.start('many', { n: -1 });
		asked[0]!.answer(bad);
		expect(await done).toBeUndefined();
		expect([run.faults, run.stopped]).toEqual([bad.faults, false]);
	});
});
