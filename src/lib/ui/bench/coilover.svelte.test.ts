/** How a coilover is set, and the side a spring is marked for, as they are told at the bench. */
import { fireEvent, render, screen } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import { benchWants } from '../../../core/job/bench-wants';
import { around } from '../../../../tests/client/around';
import { jobOnScreen, stored } from '../../../../tests/client/job-on-screen.svelte';
import CoiloverSetting from './CoiloverSetting.svelte';
import StackStation from './StackStation.svelte';

const onScreen = (...said: [kind: string, subject: string, data: object][]) => {
	const { state } = jobOnScreen('2026-0268', ({ entries }) => {
		for (const [kind, subject, data] of said)
			stored(entries, kind as 'note', subject, data as never);
	});
	around.job = state;
	return state;
};
const type = async (label: string, value: string) => {
	const field = screen.getByLabelText(label);
	await fireEvent.input(field, { target: { value } });
	await fireEvent.focusOut(field);
};

describe('how a coilover is set', () => {
	it('is kept as a field is left, and says what would be right where it is not', async () => {
		const state = onScreen();
		render(CoiloverSetting, { corner: 'FL' });
		await type('Rebound', '12.5');
		expect(screen.getByText('‘12.5’: whole clicks from full stiff, 0 to 60')).toBeTruthy();
		expect(state.work.book.get('setting', 'FL')).toBeUndefined();
		await type('Rebound', '12');
		await type('Preload', '0.6 cm');
		expect(await screen.findByText(/preload 6.0 mm from zero, rebound 12 clicks/)).toBeTruthy();
		expect(state.work.book.get('setting', 'FL')).toEqual({
			preloadMm: 6,
			rebound: 12,
			typed: { preloadMm: '0.6 cm', rebound: '12' }
		});
	});

	it('asks where many clicks changed at once, and where the other side is another', async () => {
		const at = (rebound: number) => ({ preloadMm: 6, rebound, typed: {} });
		onScreen(['setting', 'FR', at(10)], ['setting', 'FL', at(10)], ['setting', 'FL', at(15)]);
		render(CoiloverSetting, { corner: 'FL' });
		expect(screen.getByText(/rebound changed by more than 2 clicks at once/)).toBeTruthy();
		expect(screen.getByText(/Other side differs: rebound by 5 clicks/)).toBeTruthy();
	});
});

describe('a kit that is put together', () => {
	it('may be without a jam nut or a thrust ring, and brings its own stop', async () => {
		const also = ['coilover'];
		const state = onScreen(
			['scope', 'front', { damper: false, spring: false, bushes: false, also }],
			['stack', 'FL', { order: ['damper'], checks: {}, typed: {} }]
		);
		render(StackStation, { corner: 'FL' });
		expect(screen.queryByLabelText('From the old one')).toBeNull();
		await fireEvent.click(screen.getByLabelText('This car has none'));
		expect(await screen.findByText('Jam nut: this car has none')).toBeTruthy();
		expect(state.work.book.get('stack', 'FL')!.changed!['jam-nut']!.fate).toBe('none');
		const step = state.work.order.steps.find(({ id }) => id === 'FL/restack')!;
		expect(benchWants(state.record, state.work.book, step).join()).not.toContain('jam nut');
		for (const name of ['Perch', 'Thrust bearing or washers', 'Spring']) {
			expect(screen.getByText(name, { selector: 'p' })).toBeTruthy();
			await fireEvent.click(screen.getByRole('button', { name: 'It is on, that way' }));
		}
		expect(screen.getByText('Bump stop', { selector: 'p' })).toBeTruthy();
		expect(screen.getByLabelText<HTMLInputElement>('New').checked).toBe(true);
		expect(screen.queryByText(/The spring is marked for/)).toBeNull();
	});
});

describe('a spring that goes onto its strut', () => {
	it('is asked for its side, and refused on the other one', async () => {
		const state = onScreen([
			'stack',
			'FL',
			{ order: ['damper', 'lower-pad'], checks: {}, typed: {} }
		]);
		render(StackStation, { corner: 'FL' });
		await fireEvent.click(screen.getByLabelText('Right'));
		expect(
			await screen.findByText(/the spring marked right goes to the right: this is the front left/)
		).toBeTruthy();
		await fireEvent.click(screen.getByLabelText('Left'));
		expect(state.work.book.get('stack', 'FL')!.changed!.spring!.marked).toBe('left');
		expect(screen.queryByText(/goes to the right/)).toBeNull();
	});
});
