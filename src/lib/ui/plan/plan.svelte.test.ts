/** The pages of the plan, with a job of the demo shop on them. */
import { fireEvent, render, screen, within, waitFor } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import { usualCosts } from '$core/job/costs';
import type { Entry } from '$core/job/book/entry';
import { around } from '../../../../tests/client/around';
import { jobOnScreen, stored } from '../../../../tests/client/job-on-screen.svelte';
import AdviceList from './AdviceList.svelte';
import ArmPanel from './ArmPanel.svelte';
import AssemblyPanel from './AssemblyPanel.svelte';
import OrderList from './OrderList.svelte';
import PartsTable from './PartsTable.svelte';
import ScopeForm from './ScopeForm.svelte';

function open(...args: Parameters<typeof jobOnScreen>) {
	const screenJob = jobOnScreen(...args);
	around.job = screenJob.state;
	return screenJob;
}

const sign = ({ entries }: { entries: Entry[] }) =>
	stored(entries, 'signed', 'car', { overrideReason: null, owed: [] });

describe('what is renewed', () => {
	it('is touched on, and the order of work follows', async () => {
		const { state, entered } = open('2026-0260');
		render(ScopeForm);
		expect(state.work.order.steps).toEqual([]);
		const front = screen.getByRole('group', { name: /Renewed, (front|rear)/ });
		await fireEvent.click(within(front).getAllByRole('button')[0]!);
		expect(entered()[0]).toMatchObject({ kind: 'scope', data: { damper: true } });
		expect(state.work.order.steps.length).toBeGreaterThan(20);
	});

	it('asks for a way only where there is one', async () => {
		const { state } = open('2026-0269');
		render(ScopeForm);
		// Springs on the arm: lowered or drawn together; no unit to be bought complete.
		const springs = screen.getByRole('group', { name: 'Springs out, rear' });
		await fireEvent.click(within(springs).getByLabelText(/^Internal compressor/));
		expect(state.work.scope.strategy.ways).toEqual({ rear: { spring: 'internal-compressor' } });
		expect(state.work.order.steps.some(({ kind }) => kind === 'squeeze')).toBe(true);
		expect(screen.queryByLabelText('Complete unit')).toBeNull();
		await fireEvent.click(screen.getByLabelText('Two'));
		expect(state.work.scope.strategy.people).toBe(2);
	});

	it('is done as the shop likes it: oil, upper nuts, stands, alignment', async () => {
		const { state } = open('2026-0268');
		render(ScopeForm);
		for (const name of ['With the wheel off', 'With the weight on', 'A quarter-turn'])
			await fireEvent.click(screen.getByLabelText(name));
		await fireEvent.click(screen.getByLabelText('Once it has settled'));
		expect(state.work.scope.strategy).toMatchObject({
			soak: 'wheel-off',
			topNuts: 'weight-on',
			easeTop: true,
			align: 'after-settling'
		});
		const kinds = state.work.order.steps.map(({ kind }) => kind);
		expect(kinds).toEqual(expect.arrayContaining(['soak-off', 'top-tight', 'ease-top']));
		expect(kinds).not.toContain('soak');
	});

	it('is closed once the sheet is signed', () => {
		open('2026-0268', sign);
		render(ScopeForm);
		for (const button of screen.getAllByRole<HTMLButtonElement>('button')) {
			expect(button.disabled).toBe(true);
		}
	});
});

describe('a whole arm or its bushes', () => {
	it('is reckoned as prices are typed, and what was typed wrong is named', async () => {
		const { entered } = open('2026-0268', ({ entries }) =>
			stored(entries, 'scope', 'front', {
				damper: true,
				spring: false,
				bushes: false,
				also: ['bush:lower-arm']
			})
		);
		render(ArmPanel, { axle: 'front', part: 'lower-arm', costs: usualCosts });
		const type = async (label: RegExp, value: string) => {
			const field = screen.getByLabelText(label);
			await fireEvent.input(field, { target: { value } });
			await fireEvent.focusOut(field);
		};
		await type(/^Whole arm/, 'dear');
		expect(screen.getByText(/‘dear’ is not an amount/)).toBeTruthy();
		expect(screen.queryByRole('table')).toBeNull();
		await type(/^Whole arm/, '900');
		await type(/^Its bushes/, '34,50');
		expect(screen.getByText('Pressing bushes')).toBeTruthy();
		expect(entered().at(-1)).toMatchObject({
			kind: 'arm-prices',
			subject: 'front/lower-arm',
			data: { arm: 900, bushes: 34.5, joint: 0 }
		});
		await type(/^Whole arm/, '40');
		expect(screen.getByText('The whole arm')).toBeTruthy();
	});
});

describe('the advice', () => {
	it('stands with its reasons, and the customer’s word on each line', async () => {
		const { entered } = open('2026-0268');
		render(AdviceList, { costs: usualCosts });
		const links = screen.getByRole('group', { name: 'Drop link, FL' });
		expect(screen.getByText('FL drop link: loose.')).toBeTruthy();
		await fireEvent.click(within(links).getByRole('button', { name: 'Declined' }));
		expect(entered().at(-1)).toMatchObject({
			kind: 'decision',
			subject: 'renew:drop-link:FL',
			data: { state: 'declined', title: 'Drop link, FL' }
		});
		const declined = within(links).getByRole('button', { name: '✕ Declined' });
		expect(declined.getAttribute('aria-pressed')).toBe('true');
		// The same touch takes it back.
		await fireEvent.click(declined);
		expect(entered().at(-1)!.data).toMatchObject({ state: 'open' });
	});

	it('moves the scope with a pair that is declined', async () => {
		const { state } = open('2026-0268');
		render(AdviceList, { costs: usualCosts });
		const pair = screen.getByRole('group', { name: 'Dampers, front pair' });
		await fireEvent.click(within(pair).getByRole('button', { name: 'Declined' }));
		await waitFor(() => expect(state.work.scope.axles.front?.damper).toBe(false));
		const links = screen.getByRole('group', { name: 'Drop link, FL' });
		await fireEvent.click(within(links).getByRole('button', { name: 'Declined' }));
		await waitFor(() => expect(state.work.scope.axles.front?.also).toEqual([]));
		expect(state.work.order.steps).toEqual([]);
	});

	it('sends a newcomer to the inspection where there is none', () => {
		open('2026-0260', (job) => {
			job.entries = job.entries.filter(({ kind }) => kind === 'opened' || kind === 'joint');
			const { vehicle } = (job.entries[0] as Entry<'opened'>).data;
			for (const axle of ['front', 'rear'] as const) vehicle.axles[axle].makerHeightMm = null;
		});
		render(AdviceList, { costs: usualCosts });
		expect(screen.getByRole('link', { name: 'Look' }).getAttribute('href')).toMatch(/look$/);
	});
});

describe('complete unit or rebuild', () => {
	it('costs both from what is typed, and keeps it', async () => {
		const { entered } = open('2026-0268', (job) => {
			job.entries = job.entries.filter(({ kind }) => kind !== 'prices');
		});
		render(AssemblyPanel, { axle: 'front', costs: { ...usualCosts, labourPerHour: 100 } });
		expect(screen.queryByRole('img')).toBeNull();
		const type = (label: string, value: string) =>
			fireEvent.input(screen.getByLabelText(label), { target: { value } });
		await type('Complete unit', '180');
		await type('Damper alone', '90,00');
		await type('Other new parts of it', '40');
		expect(screen.getByText('360.00 EUR')).toBeTruthy();
		// It comes when the page is idle.
		expect(await screen.findByRole('img', { name: /Cost of both/ })).toBeTruthy();
		await fireEvent.focusOut(screen.getByLabelText('Damper alone'));
		expect(entered().at(-1)).toMatchObject({
			kind: 'prices',
			subject: 'front',
			data: { unit: 180, damper: 90, wearParts: 40 }
		});
	});

	it('says what is no amount, and keeps what was typed', async () => {
		open('2026-0268');
		render(AssemblyPanel, { axle: 'front', costs: usualCosts });
		const input = screen.getByLabelText<HTMLInputElement>('Complete unit');
		await fireEvent.input(input, { target: { value: 'dear' } });
		expect(screen.getByText(/‘dear’ is not an amount/)).toBeTruthy();
		expect(input.value).toBe('dear');
	});

	it('lists what becomes of each old part', () => {
		open('2026-0268');
		render(AssemblyPanel, { axle: 'front', costs: usualCosts });
		const items = screen.getAllByRole('listitem').map((item) => item.textContent);
		expect(items).toContainEqual(
			expect.stringMatching(/Bump stop\s*new\s*: FL bump stop: shredded/)
		);
		expect(items).toContainEqual(
			expect.stringMatching(/Top bearing\s*used again if sound\s*: declined/)
		);
	});
});

describe('the parts', () => {
	it('stand by side with their hand, and how far each is', async () => {
		const { entered } = open('2026-0268', (job) => {
			job.entries = job.entries.filter(({ kind }) => kind !== 'part' && kind !== 'step');
		});
		render(PartsTable);
		const status = screen.getByRole('status');
		expect(status.textContent).toMatch(/lines, \d+ not here yet/);
		const strut = screen.getByLabelText<HTMLSelectElement>('Status, Strut FL');
		await fireEvent.change(strut, { target: { value: 'here' } });
		expect(entered().at(-1)).toMatchObject({
			kind: 'part',
			subject: 'damper:FL',
			data: { status: 'here' }
		});
		await fireEvent.change(screen.getByLabelText('Maker’s number, Strut FL'), {
			target: { value: 'A-17' }
		});
		expect(entered().at(-1)!.data).toMatchObject({ number: 'A-17', status: 'here' });
		await fireEvent.click(screen.getByRole('button', { name: 'All ordered' }));
		await waitFor(() => expect(screen.queryByRole('button', { name: 'All ordered' })).toBeNull());
		expect(strut.value).toBe('here');
	});
});

describe('the order of work', () => {
	const names = () =>
		screen
			.getAllByRole('button', { expanded: false })
			.map((button) => button.textContent!.replace(/\s+/g, ' ').trim());

	it('opens a step for its reasons, and moves it where the rules let it', async () => {
		const { entered } = open('2026-0268');
		render(OrderList, { picked: undefined });
		const before = names();
		expect(before.length).toBeGreaterThan(40);
		const row = screen.getByRole('button', { name: /FR.*Wheel off, slid under the sill/s });
		await fireEvent.click(row);
		expect(row.getAttribute('aria-expanded')).toBe('true');
		expect(screen.getByText('Waits for')).toBeTruthy();
		await fireEvent.click(screen.getByRole('button', { name: '↑ Earlier' }));
		expect(screen.queryByRole('alert')).toBeNull();
		const kept = entered().at(-1)!;
		expect(kept.kind).toBe('order');
		await fireEvent.click(screen.getByRole('button', { name: 'Usual order' }));
		expect(entered().at(-1)!.data).toEqual({ ids: [] });
	});

	it('says which rule keeps a step where it is', async () => {
		const { entered } = open('2026-0268');
		render(OrderList, { picked: 'car/lift' });
		await fireEvent.click(screen.getByRole('button', { name: '↑ Earlier' }));
		expect(screen.getByRole('alert').textContent).toMatch(/stays after/);
		expect(entered()).toEqual([]);
	});

	it('lets nothing be moved on a signed job', () => {
		open('2026-0268', sign);
		render(OrderList, { picked: 'car/lift' });
		expect(screen.queryByRole('button', { name: '↑ Earlier' })).toBeNull();
	});
});
