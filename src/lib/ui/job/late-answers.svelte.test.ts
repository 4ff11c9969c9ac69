/** A form that adds to a list is free for the next words, however long the server takes to answer. */
import { fireEvent, render, screen, within, waitFor } from '@testing-library/svelte';
import { beforeEach, expect, it } from 'vitest';
import { checks } from '$lib/client/job-state.svelte';
import { outbox } from '$lib/client/outbox.svelte';
import type { Answer } from '$lib/client/api';
import { page } from '../../../../tests/client/app';
import { around, call } from '../../../../tests/client/around';
import { jobOnScreen } from '../../../../tests/client/job-on-screen.svelte';
import ExtraPanel from '../extras/ExtraPanel.svelte';
import CarNotes from './CarNotes.svelte';

let answer: (answer: Answer<unknown>) => void;
beforeEach(() => {
	page.data = { person: { role: 'technician' } };
	around.job = jobOnScreen('2026-0268').state;
	call.mockImplementation(() => new Promise((resolve) => (answer = resolve)));
});
const refused = { ok: false, refusal: { status: 422, title: 'Not like that' } } as const;
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));
const type = (label: RegExp, value: string) =>
	fireEvent.input(screen.getByLabelText(label), { target: { value } });
const what = /^What, and what is to be done/;

it('what is typed while the answer is on its way stays in the form that was opened for it', async () => {
	render(ExtraPanel);
	await press('Something found');
	await type(what, 'Front tires worn');
	await press('Keep it');
	await waitFor(() => expect(screen.queryByLabelText(what)).toBeNull());
	expect(screen.getByText('Front tires worn', { selector: 'b' })).toBeTruthy();
	expect(call).toHaveBeenCalledOnce();

	await press('Something found');
	await type(what, 'Wiper');
	answer(refused);
	// Not lost either: it is with what waits for a look.
	await waitFor(() => expect(outbox.entries).toMatchObject([{ refusal: refused.refusal }]));
	expect(screen.getByLabelText<HTMLInputElement>(what).value).toBe('Wiper');
});

it('also where the checks were not here yet, and what they refuse is in the form still', async () => {
	checks.read = undefined;
	render(CarNotes, { adding: true });
	await press('Keep the note');
	await waitFor(() => expect(screen.getByRole('alert')).toBeTruthy());
	expect(call).not.toHaveBeenCalled();
});

it('a note is not on its list and in its form at once', async () => {
	render(CarNotes, { adding: true });
	await fireEvent.submit(screen.getByRole('button', { name: 'Keep the note' }).closest('form')!);
	expect(screen.getByRole('alert')).toBeTruthy();
	await type(/What should the next one know/, 'Wheels seize on the hub');
	await press('Keep the note');
	const list = await screen.findByRole('list');
	expect(within(list).getByRole('button').textContent).toContain('Wheels seize');
	await waitFor(() => expect(screen.queryByLabelText(/What should the next/)).toBeNull());
	expect(call).toHaveBeenCalledOnce();
	answer(refused);
	await waitFor(() => expect(outbox.entries).toMatchObject([{ refusal: refused.refusal }]));
});
