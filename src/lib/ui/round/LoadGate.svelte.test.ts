/** The gate before the rubber: a reading, and what its answer may still change. */
import { fireEvent, render, screen, waitFor } from '@testing-library/svelte';
import { tick } from 'svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Answer } from '$lib/client/api';
import { around, call } from '../../../../tests/client/around';
import { jobOnScreen } from '../../../../tests/client/job-on-screen.svelte';
import { outbox } from '$lib/client/outbox.svelte';
import LoadGate from './LoadGate.svelte';

/** The server answers when told to. */
let answer: (value: Answer<unknown>) => void;
beforeEach(() => {
	call.mockImplementation(() => new Promise((done) => (answer = done)));
	around.job = jobOnScreen('2026-0257').state;
});

async function read(height: string) {
	const [onrecorded, onrefused] = [vi.fn(), vi.fn()];
	const page = render(LoadGate, { corner: 'FL', onlook: vi.fn(), onrecorded, onrefused });
	const input = screen.getByLabelText<HTMLInputElement>('Hub to arch now');
	await fireEvent.input(input, { target: { value: height } });
	await fireEvent.submit(input.closest('form')!);
	return { page, input, onrecorded, onrefused };
}
const refusal = { status: 409, title: 'This job is signed' };
/** The answer has been heard, and what follows from it is drawn. */
const settled = async () => {
	await waitFor(() => expect(outbox.waiting).toEqual([]));
	await tick();
};

describe('a look at a loaded corner', () => {
	it('is told to the round once the server has it', async () => {
		const { input, onrecorded } = await read('342');
		expect(input.value).toBe('');
		expect(around.job!.record.loadings.at(-1)).toMatchObject({ corner: 'FL', hubToArchMm: 342 });
		expect(onrecorded).not.toHaveBeenCalled();
		answer({ ok: true, value: {} });
		await waitFor(() => expect(onrecorded).toHaveBeenCalledExactlyOnceWith('FL'));
	});

	it('that is answered late leaves the round alone: the height may be in hand once more', async () => {
		const { page, onrecorded } = await read('342');
		page.unmount();
		answer({ ok: true, value: {} });
		await settled();
		expect(onrecorded).not.toHaveBeenCalled();
	});

	it('that the server refuses says why, and what was typed is there again', async () => {
		const { input, onrecorded, onrefused } = await read('342');
		answer({ ok: false, refusal });
		await settled();
		expect((await screen.findByRole('alert')).textContent).toContain('This job is signed');
		expect(input.value).toBe('342');
		expect(onrecorded).not.toHaveBeenCalled();
		expect(onrefused).not.toHaveBeenCalled();
	});

	it('that the server refuses late is told to the round, which shows something else by then', async () => {
		const { page, onrefused } = await read('342');
		page.unmount();
		answer({ ok: false, refusal });
		await waitFor(() => expect(onrefused).toHaveBeenCalledExactlyOnceWith('FL', refusal));
	});

	it('says what is no height, and sends nothing', async () => {
		const { onrecorded } = await read('high');
		expect(screen.getByRole('alert')).toBeTruthy();
		expect(call).not.toHaveBeenCalled();
		expect(onrecorded).not.toHaveBeenCalled();
	});
});
