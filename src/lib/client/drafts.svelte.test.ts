import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Drafts } from './drafts';

const form = (of = '', value = '') => `
	<form ${of && `data-draft="${of}"`}>
		<label for="h">Height</label><input id="h" value="${value}" />
		<label for="n">Note</label><textarea id="n"></textarea>
		<label for="s">Wrench</label>
		<select id="s"><option value="a">A</option><option value="b">B</option></select>
		<label><input id="c" type="checkbox" /> Level floor</label>
		<fieldset><legend>Who</legend>
			<label><input type="radio" name="w" value="one" checked /> One</label>
			<label><input type="radio" name="w" value="two" /> Two</label>
		</fieldset>
		<label for="p">PIN</label><input id="p" type="password" />
		<button type="button" id="seven">7</button>
		<button type="submit">Keep</button>
	</form>`;

let end: (() => void) | undefined;
/** A page that was just loaded. */
function load(html: string, person = 'tomas') {
	end?.();
	document.body.innerHTML = html;
	const drafts = new Drafts(document);
	end = drafts.begin(person);
	return drafts;
}
const field = <T extends HTMLElement = HTMLInputElement>(id: string) =>
	document.querySelector<T>(`#${id}`)!;
function type(id: string, value: string): void {
	field(id).value = value;
	field(id).dispatchEvent(new Event('input', { bubbles: true }));
}
const send = () =>
	document.querySelector('form')!.dispatchEvent(new Event('submit', { bubbles: true }));
const kept = () => Object.keys(localStorage).filter((key) => key.startsWith('vane-draft:'));

beforeEach(() => {
	localStorage.clear();
	vi.useFakeTimers();
});
afterEach(() => {
	end?.();
	end = undefined;
	vi.useRealTimers();
});

describe('what is half typed', () => {
	it('is there after a reload, whatever kind of field it was typed in', () => {
		load(form());
		type('h', '36');
		type('n', 'rusty at the');
		field<HTMLSelectElement>('s').value = 'b';
		field('s').dispatchEvent(new Event('change', { bubbles: true }));
		field('c').click();
		document.querySelector<HTMLInputElement>('[value=two]')!.click();
		load(form());
		expect(field('h').value).toBe('36');
		expect(field('n').value).toBe('rusty at the');
		expect(field('s').value).toBe('b');
		expect(field('c').checked).toBe(true);
		expect(document.querySelector<HTMLInputElement>('[value=two]')!.checked).toBe(true);
	});

	it('is heard by what listens to the field, as if it was typed', () => {
		load(form());
		type('h', '36');
		end!();
		document.body.innerHTML = form();
		const heard = vi.fn();
		field('h').addEventListener('input', heard);
		end = new Drafts(document).begin('tomas');
		expect(heard).toHaveBeenCalledTimes(1);
	});

	it('shows in a form that is opened after the reload', async () => {
		load(form());
		type('h', '36');
		load('<main></main>');
		document.querySelector('main')!.innerHTML = form();
		await vi.waitFor(() => expect(field('h').value).toBe('36'));
	});

	it('is not kept once more for the page that its field is left for', () => {
		load(form());
		type('h', '36');
		const [key] = kept();
		const { pathname } = location;
		history.pushState({}, '', '/another/page');
		field('h').dispatchEvent(new Event('change', { bubbles: true }));
		expect(kept()).toEqual([key]);
		history.pushState({}, '', pathname);
	});

	it('is nobody else’s, and stands for nothing else', () => {
		load(form('bolt FL'));
		type('h', '36');
		load(form('bolt FR'));
		expect(field('h').value).toBe('');
		load(form('bolt FL'), 'jo');
		expect(field('h').value).toBe('');
		load(form('bolt FL'));
		expect(field('h').value).toBe('36');
	});

	it('of a secret is never kept', () => {
		load(form());
		type('p', '4711');
		expect(kept()).toEqual([]);
	});

	it('by a keypad is kept as well', () => {
		load(form());
		field('seven').addEventListener('click', () => (field('h').value += '7'));
		field('seven').click();
		vi.advanceTimersByTime(1);
		load(form());
		expect(field('h').value).toBe('7');
	});
});

describe('a draft goes', () => {
	it('when what was there before is typed again', () => {
		load(form('', '360'));
		type('h', '36');
		type('h', '360');
		expect(kept()).toEqual([]);
	});

	it('when it was sent and taken: the form is empty again', () => {
		const drafts = load(form());
		type('h', '365');
		send();
		field('h').value = '';
		drafts.sweep();
		expect(kept()).toEqual([]);
		load(form());
		expect(field('h').value).toBe('');
	});

	it('when it was sent and its form is closed', () => {
		const drafts = load(form());
		type('h', '365');
		send();
		document.querySelector('form')!.remove();
		drafts.sweep();
		expect(kept()).toEqual([]);
	});

	it('by itself, without anybody asking, once it was taken', () => {
		load(form());
		type('h', '365');
		send();
		field('h').value = '';
		vi.advanceTimersByTime(1000);
		expect(kept()).toEqual([]);
	});

	it('not when it was refused: the field shows it still', () => {
		const drafts = load(form());
		type('h', '9999');
		send();
		drafts.sweep();
		load(form());
		expect(field('h').value).toBe('9999');
	});

	it('when its form is given up by a button of its own', () => {
		load(form());
		type('h', '36');
		field('seven').addEventListener('click', () => document.querySelector('form')!.remove());
		field('seven').click();
		vi.advanceTimersByTime(1);
		expect(kept()).toEqual([]);
	});

	it('when what is on record was changed since', () => {
		load(form('', '360'));
		type('h', '36');
		load(form('', '371'));
		expect(field('h').value).toBe('371');
		expect(kept()).toEqual([]);
	});

	it('after two weeks', () => {
		load(form());
		type('h', '36');
		vi.setSystemTime(Date.now() + 15 * 24 * 3_600_000);
		load(form());
		expect(field('h').value).toBe('');
		expect(kept()).toEqual([]);
	});
});
