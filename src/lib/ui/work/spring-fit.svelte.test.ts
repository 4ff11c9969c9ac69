/** The spring of a side, as it is told at its step. */
import { fireEvent, render, screen, within } from '@testing-library/svelte';
import { describe, expect, it, vi } from 'vitest';
import { around } from '../../../../tests/client/around';
import { jobOnScreen, stored } from '../../../../tests/client/job-on-screen.svelte';
import SpringFit from './SpringFit.svelte';

const stepAt = (at: 'RL' | 'RR', change?: Parameters<typeof jobOnScreen>[1]) => {
	const { state } = jobOnScreen('2026-0269', change);
	around.job = state;
	const step = state.work.order.steps.find(({ id }) => id === `${at}/spring-in`)!;
	return { step, state };
};

describe('how a spring went in', () => {
	it('is told piece by piece, and only then known', async () => {
		const { step } = stepAt('RL');
		const onset = vi.fn();
		render(SpringFit, { step, onset });
		for (const name of ['Either side', 'Flat end up'])
			await fireEvent.click(screen.getByLabelText(name));
		expect(onset).toHaveBeenLastCalledWith(undefined);
		for (const pad of ['Upper pad', 'Lower pad'])
			await fireEvent.click(
				within(screen.getByRole('group', { name: pad })).getByLabelText('Renewed')
			);
		const [upper] = screen.getAllByLabelText('Thickness, mm');
		await fireEvent.input(upper!, { target: { value: '80' } });
		expect(screen.getByText('‘80’: 0.5 to 60 mm, or nothing')).toBeTruthy();
		expect(onset).toHaveBeenLastCalledWith(undefined);
		await fireEvent.input(upper!, { target: { value: '8,5' } });
		expect(onset).toHaveBeenLastCalledWith({
			hand: 'either',
			wayUp: 'flat-up',
			upper: { state: 'renewed', mm: 8.5 },
			lower: { state: 'renewed' }
		});
	});

	it('starts from the other side, mirrored, and says where the two do not agree', async () => {
		const left = {
			hand: 'left',
			wayUp: 'label',
			upper: { state: 'renewed', mm: 8 },
			lower: { state: 'kept' }
		} as const;
		const { step, state } = stepAt('RR', ({ entries }) =>
			stored(entries, 'step', 'RL/spring-in', { state: 'done', note: '', spring: left })
		);
		expect(state.work.book.get('step', 'RL/spring-in')?.spring).toEqual(left);
		const onset = vi.fn();
		render(SpringFit, { step, onset });
		expect(onset).toHaveBeenLastCalledWith({ ...left, hand: 'right' });
		await fireEvent.click(
			within(screen.getByRole('group', { name: 'Lower pad' })).getByLabelText('None here')
		);
		expect(screen.getByText(/lower pad on one side only/)).toBeTruthy();
		await fireEvent.click(screen.getByLabelText('Left'));
		expect(screen.getByText(/marked left goes to the left/)).toBeTruthy();
	});
});
