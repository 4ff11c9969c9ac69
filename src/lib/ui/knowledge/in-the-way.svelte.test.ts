/** What stands in the way on a car, as it is said on the plan. */
import { fireEvent, render, screen, within } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import { findLayout } from '$core/layout/registry';
import { around } from '../../../../tests/client/around';
import { jobOnScreen } from '../../../../tests/client/job-on-screen.svelte';
import InTheWay from './InTheWay.svelte';
import { another, InTheWayForm, keyOf } from './in-the-way-form.svelte';

const beam = findLayout('twist-beam-spring')!;
const formOf = (layout = beam) => new InTheWayForm(layout, 'rear', [], { model: 'Quarry' });

describe('what is typed of a cover', () => {
	it('starts from how such a cover usually is, and lies on what is on this car', () => {
		const form = formOf();
		form.choose('cover:parcel-shelf');
		expect(form.said).toMatchObject({
			what: 'cover',
			anchor: 'cover:parcel-shelf',
			cover: { where: 'cabin', over: [], liesOn: ['boot-trim'], shared: true }
		});
		const bare = { ...beam, assembly: { ...beam.assembly, covers: [] } };
		const open = formOf(bare);
		open.choose('cover:parcel-shelf');
		expect(open.said.cover).toMatchObject({ over: ['damper-top'] });
		expect(open.said.cover).not.toHaveProperty('liesOn');
	});

	it('offers no cover that is there already', () => {
		expect(formOf().covers.map(({ key }) => key)).not.toContain('boot-trim');
	});

	it('keeps a name and counts of one’s own, and says what is wrong with them', () => {
		const form = formOf();
		form.choose(another);
		expect(form.faults).toEqual({ name: 'say what it is called' });
		form.name = 'Jack’s cover';
		form.held[0]!.count = 'six';
		expect(form.faults.held).toMatch(/‘six’: how many, 1 to 40/);
		form.held[0]!.count = '6';
		form.held[0]!.hidden = 'under the hinge';
		form.more();
		expect(form.faults).toEqual({});
		expect(form.said.cover).toMatchObject({
			key: 'own-jack-s-cover',
			over: ['damper-top'],
			held: [{ what: 'clips', count: 6, hidden: 'under the hinge' }]
		});
	});

	it('makes a key of any name', () => {
		expect(keyOf('Über-Deckel (links)')).toBe('own-u-ber-deckel-links');
		expect(keyOf('x'.repeat(90))).toHaveLength(40);
	});
});

describe('in the way on this car', () => {
	it('adds what is told to the order of work, takes back what is usual, and both go back', async () => {
		const { state } = jobOnScreen('2026-0269');
		around.job = state;
		render(InTheWay, { axle: 'rear' });
		const ids = () => state.work.order.steps.map(({ id }) => id);
		await fireEvent.click(screen.getByRole('button', { name: 'Something else is' }));
		const what = screen.getByLabelText<HTMLSelectElement>('What', { selector: 'select' });
		what.value = 'part:caliper';
		await fireEvent.change(what);
		await fireEvent.click(screen.getByRole('button', { name: 'Keep it' }));
		expect(ids()).toContain('RL/caliper-off');
		const row = (await screen.findByText('Caliper', { selector: 'b' })).closest('li')!;
		await fireEvent.click(within(row).getByRole('button', { name: 'Take it back' }));
		expect(ids()).not.toContain('RL/caliper-off');
	});

	it('asks what it is before it is kept', async () => {
		const { state } = jobOnScreen('2026-0269');
		around.job = state;
		render(InTheWay, { axle: 'rear' });
		await fireEvent.click(screen.getByRole('button', { name: 'Something else is' }));
		await fireEvent.click(screen.getByRole('button', { name: 'Keep it' }));
		expect(screen.getByText('choose what it is')).toBeTruthy();
	});
});
