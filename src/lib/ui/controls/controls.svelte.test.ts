import { fireEvent, render, screen } from '@testing-library/svelte';
import { createRawSnippet } from 'svelte';
import { describe, expect, it, vi } from 'vitest';
import { unitChoice } from '$core/units/format';
import type { Refusal } from '$lib/client/api';
import { around } from '../../../../tests/client/around';
import ActionButton from './ActionButton.svelte';
import Choice from './Choice.svelte';
import Field from './Field.svelte';
import Keypad from './Keypad.svelte';
import QuantityField from './QuantityField.svelte';
import RefusalNotice from './RefusalNotice.svelte';
import RunProgress from './RunProgress.svelte';

const words = (text: string) => createRawSnippet(() => ({ render: () => `<span>${text}</span>` }));

describe('a field', () => {
	it('is found by its label, and tied to its hint', () => {
		render(Field, { label: 'Name', value: 'Tern Street', hint: 'Prints on every sheet' });
		const input = screen.getByLabelText<HTMLInputElement>('Name');
		expect(input.value).toBe('Tern Street');
		const hint = document.getElementById(input.getAttribute('aria-describedby')!);
		expect(hint!.textContent).toContain('Prints on every sheet');
		expect(input.hasAttribute('aria-invalid')).toBe(false);
	});

	it('says what is wrong in the place of the hint, and not by colour alone', () => {
		render(Field, { label: 'Bays', value: '9', hint: 'cars at once', fault: 'must be at most 8' });
		const input = screen.getByLabelText('Bays');
		expect(input.getAttribute('aria-invalid')).toBe('true');
		const hint = document.getElementById(input.getAttribute('aria-describedby')!)!;
		expect(hint.textContent).toMatch(/✕\s*must be at most 8/);
		expect(hint.textContent).not.toContain('cars at once');
	});
});

describe('a quantity', () => {
	const type = async (text: string) => {
		await fireEvent.input(screen.getByLabelText('Height'), { target: { value: text } });
	};

	it('shows what it understood in the person’s own unit while it is typed', async () => {
		render(QuantityField, { label: 'Height', dimension: 'length', hint: 'hub to arch' });
		expect(screen.getByText('hub to arch')).toBeTruthy();
		await type('14 3/8 in');
		expect(screen.getByText(/^= 365\.1 mm$/)).toBeTruthy();
		await type('36,5 cm');
		expect(screen.getByText(/^= 365(\.0)? mm$/)).toBeTruthy();
	});

	it('reads a bare number in the unit of the person', async () => {
		around.units = unitChoice({ system: 'imperial', torque: 'lbf·ft' });
		render(QuantityField, { label: 'Height', dimension: 'length' });
		expect(screen.getByLabelText<HTMLInputElement>('Height').placeholder).toBe(around.units.length);
		await type('14.375');
		expect(screen.getByText(/^= 14\.38 in$/)).toBeTruthy();
	});

	it('says what it did not understand, and keeps what was typed', async () => {
		render(QuantityField, { label: 'Height', dimension: 'length' });
		await type('tall');
		const input = screen.getByLabelText<HTMLInputElement>('Height');
		expect(input.getAttribute('aria-invalid')).toBe('true');
		expect(input.value).toBe('tall');
		await type('30 N·m');
		expect(input.getAttribute('aria-invalid')).toBe('true');
	});

	it('puts what the server said before what it understood itself', () => {
		render(QuantityField, {
			label: 'Height',
			dimension: 'length',
			value: '365',
			fault: 'must be below 330'
		});
		expect(screen.getByText('must be below 330', { exact: false })).toBeTruthy();
	});
});

describe('the keypad', () => {
	it('has digits as on a telephone turned over, and the signs of the unit', () => {
		render(Keypad, { value: '36', extra: ['.', '/', ' '] });
		const names = screen.getAllByRole('button').map((key) => key.getAttribute('aria-label'));
		expect(names).toEqual([
			...['7', '8', '9', '4', '5', '6', '1', '2', '3', '0'],
			...['.', 'Fraction bar', 'Space', 'Erase']
		]);
	});

	it('writes into the value it is bound to', async () => {
		let value = $state('36');
		render(Keypad, {
			get value() {
				return value;
			},
			set value(next) {
				value = next;
			},
			extra: ['.']
		});
		await fireEvent.click(screen.getByRole('button', { name: '5' }));
		await fireEvent.click(screen.getByRole('button', { name: '.' }));
		expect(value).toBe('365.');
		await fireEvent.click(screen.getByRole('button', { name: 'Erase' }));
		expect(value).toBe('365');
	});
});

describe('a choice', () => {
	const options = [
		{ value: 'rebuild', name: 'Rebuilt on the bench' },
		{ value: 'complete', name: 'Complete unit', hint: 'no compressor' }
	];

	it('is a group of radio buttons with the one taken', async () => {
		const onpick = vi.fn();
		render(Choice, { label: 'Struts', value: 'rebuild', options, onpick });
		expect(screen.getByRole('group', { name: 'Struts' })).toBeTruthy();
		expect(screen.getByLabelText<HTMLInputElement>(/Rebuilt/).checked).toBe(true);
		await fireEvent.click(screen.getByLabelText(/Complete unit/));
		expect(onpick).toHaveBeenCalledExactlyOnceWith('complete');
		expect(screen.getByLabelText<HTMLInputElement>(/Rebuilt/).checked).toBe(false);
	});

	it('can be closed', () => {
		render(Choice, { label: 'Struts', value: 'rebuild', options, disabled: true });
		expect(screen.getByRole<HTMLFieldSetElement>('group').disabled).toBe(true);
	});
});

describe('a button', () => {
	it('is a link where it leads somewhere, and no submit unless it says so', () => {
		render(ActionButton, { children: words('Week'), href: '/bays' });
		expect(screen.getByRole('link', { name: 'Week' }).getAttribute('href')).toBe('/bays');
		render(ActionButton, { children: words('Stop') });
		expect(screen.getByRole('button', { name: 'Stop' }).getAttribute('type')).toBe('button');
	});
});

describe('a refusal', () => {
	const refusal: Refusal = {
		status: 422,
		title: 'Two entries need another look.',
		faults: [
			{ field: 'name', value: '', message: 'is required' },
			{ field: 'version', value: 1, message: 'is too old' }
		]
	};

	it('is nothing while nothing was refused', () => {
		render(RefusalNotice, {});
		expect(screen.queryByRole('alert')).toBeNull();
	});

	it('lists the faults that no field shows itself', () => {
		render(RefusalNotice, { refusal, fields: ['name'] });
		const alert = screen.getByRole('alert');
		expect(alert.textContent).toContain('Two entries need another look.');
		expect(alert.textContent).toMatch(/version: is too old/);
		expect(alert.textContent).not.toContain('is required');
	});
});

describe('progress', () => {
	it('says how far it is in numbers too, and stops', async () => {
		const onstop = vi.fn();
		render(RunProgress, { label: 'Draws done', share: 0.42, onstop });
		const bar = screen.getByRole('progressbar', { name: 'Draws done' });
		expect(bar.getAttribute('aria-valuenow')).toBe('42');
		expect(screen.getByText('42 %')).toBeTruthy();
		await fireEvent.click(screen.getByRole('button', { name: 'Stop' }));
		expect(onstop).toHaveBeenCalledTimes(1);
	});
});
