/**
 * What is half typed, kept on this device by field: a reload, a dead battery or another page loses nothing of a
 * form. It works on every form by itself. A field stands for one thing only: where a form is of a joint or a
 * corner, it says so by `data-draft`, and what was typed for one is never shown at another.
 */

interface Draft {
	/** What is typed, and what stood there before. */
	value: string;
	was: string;
	/** When it was typed last, ms. */
	at: number;
}

type Field = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;

const prefix = 'vane-draft:';
const fields = 'input, textarea, select';
const texts = 'textarea, input:not([type=radio], [type=checkbox])';
/** Fields that are no text of a form: secrets, files, and what acts by itself. */
const never = new Set(['password', 'file', 'range', 'search', 'hidden', 'submit', 'button']);
/** What nobody has come back to in this time is let go. */
const keptMs = 14 * 24 * 3_600_000;
const sweepMs = 300;

export class Drafts {
	readonly #root: Document;
	#person: string | undefined;
	/** What each field showed before anybody typed in it. */
	readonly #was = new WeakMap<Field, string>();
	/** Fields with a draft that are on the page, or were when their form was sent. */
	readonly #open = new Map<Field, { key: string; form: Element }>();
	readonly #sent = new Set<Element>();
	#sweeping: ReturnType<typeof setInterval> | undefined;

	constructor(root: Document) {
		this.#root = root;
	}

	/** Drafts are of whoever typed them. @returns ends it */
	begin(person: string): () => void {
		this.#person = person;
		prune();
		const root = this.#root;
		const seen = new MutationObserver((changes) => {
			for (const { addedNodes } of changes) {
				for (const node of addedNodes) if (node instanceof Element) this.#showIn(node);
			}
		});
		seen.observe(root.body, { childList: true, subtree: true });
		const typed = (event: Event) => this.#typed(event.target);
		// A text field says so at each key. It changes once more when its page is left, and its place is gone by then.
		const chosen = ({ target }: Event) => {
			if (target instanceof Element && !target.matches(texts)) this.#typed(target);
		};
		const sent = (event: Event) => this.#submitted(event.target as Element);
		const clicked = (event: Event) => this.#closed(event.target as Element);
		const leaving = () => this.sweep();
		root.addEventListener('input', typed);
		root.addEventListener('change', chosen);
		root.addEventListener('submit', sent, true);
		root.addEventListener('click', clicked, true);
		addEventListener('pagehide', leaving);
		this.#showIn(root.body);
		return () => {
			seen.disconnect();
			root.removeEventListener('input', typed);
			root.removeEventListener('change', chosen);
			root.removeEventListener('submit', sent, true);
			root.removeEventListener('click', clicked, true);
			removeEventListener('pagehide', leaving);
			clearInterval(this.#sweeping);
			this.#person = undefined;
		};
	}

	/** The draft's place in the browser: person, page, what the form is of, the field. */
	#keyOf(field: Field, form: Element): string {
		const of = field.closest('[data-draft]')?.getAttribute('data-draft') ?? '';
		const name = nameOf(field);
		const same = [...form.querySelectorAll<Field>(fields)].filter((one) => nameOf(one) === name);
		const radio = field instanceof HTMLInputElement && field.type === 'radio';
		const place = radio ? 0 : same.indexOf(field);
		return `${prefix}${this.#person}:${location.pathname}:${of}:${name}:${place}`;
	}

	#typed(target: EventTarget | null): void {
		const field = fieldOf(target);
		const form = field && formOf(field);
		if (!field || !form || this.#person === undefined) return;
		const key = this.#keyOf(field, form);
		const value = valueOf(field);
		const was = read(key)?.was ?? this.#was.get(field) ?? '';
		// Typed on after it was refused: it is a draft again.
		this.#sent.delete(form);
		if (value === was) return this.#forget(field, key);
		write(key, { value, was, at: Date.now() });
		this.#open.set(field, { key, form });
	}

	/** A button of the form may type too: a keypad. */
	#typedIn(form: Element): void {
		for (const field of form.querySelectorAll<Field>(fields)) {
			if (fieldOf(field) && valueOf(field) !== this.#was.get(field)) this.#typed(field);
		}
	}

	/** Fields that have just come onto the page show what was typed in them. */
	#showIn(node: Element): void {
		const found = [...node.querySelectorAll<Field>(fields)];
		if (node.matches(fields)) found.unshift(node as Field);
		for (const field of found) this.#show(field);
	}

	#show(given: Field): void {
		const field = fieldOf(given);
		const form = field && formOf(field);
		if (!field || !form || this.#person === undefined) return;
		const now = valueOf(field);
		if (!this.#was.has(field)) this.#was.set(field, now);
		const key = this.#keyOf(field, form);
		const draft = read(key);
		if (!draft) return;
		this.#open.set(field, { key, form });
		// What is on record was changed since, or came to the same: the draft is of no use any more.
		if (now !== draft.was) return this.#forget(field, key);
		put(field, draft.value);
	}

	#submitted(form: Element): void {
		this.#sent.add(form);
		this.#sweeping ??= setInterval(() => this.sweep(), sweepMs);
	}

	/** A form that a button of its own closes, and which is not sent, was given up. */
	#closed(target: Element): void {
		const button = target.closest('button');
		const form = button?.closest('form, [data-draft]');
		// What is no form of its own is sent by any of its buttons.
		if (form && !(form instanceof HTMLFormElement)) return this.#submitted(form);
		if (!form || button!.type !== 'button') return;
		setTimeout(() => {
			if (this.#sent.has(form)) return;
			if (form.isConnected) return this.#typedIn(form);
			for (const [field, open] of this.#open) if (open.form === form) this.#forget(field, open.key);
		});
	}

	/** Lets go of what was sent and taken: its field is gone, or shows something else. */
	sweep(): void {
		for (const [field, { key, form }] of this.#open) {
			if (!this.#sent.has(form)) continue;
			const draft = read(key);
			if (!field.isConnected || valueOf(field) !== draft?.value) this.#forget(field, key);
		}
		for (const form of this.#sent) {
			const left = [...this.#open.values()].some((open) => open.form === form);
			if (!left) this.#sent.delete(form);
		}
		if (this.#sent.size) return;
		clearInterval(this.#sweeping);
		this.#sweeping = undefined;
	}

	#forget(field: Field, key: string): void {
		this.#open.delete(field);
		try {
			localStorage.removeItem(key);
		} catch {
			// No storage: there was nothing kept.
		}
	}
}

function fieldOf(target: EventTarget | null): Field | undefined {
	const field = target as Field | null;
	if (!field || !(field instanceof Element) || !field.matches(fields)) return undefined;
	if (field instanceof HTMLInputElement && never.has(field.type)) return undefined;
	return field.disabled ? undefined : field;
}

/** Its form, or what says of itself that it is one. */
function formOf(field: Field): Element | undefined {
	const form = field.closest('form, [data-draft]');
	return form && !field.closest('[data-draft=off]') ? form : undefined;
}

/** A field by its words, as a person finds it. */
function nameOf(field: Field): string {
	if (field instanceof HTMLInputElement && field.type === 'radio') {
		return field.closest('fieldset')?.querySelector('legend')?.textContent?.trim() ?? field.name;
	}
	const words = field.getAttribute('aria-label') ?? field.labels?.[0]?.textContent ?? field.name;
	return words.trim().replace(/\s+/g, ' ').slice(0, 80);
}

function valueOf(field: Field): string {
	if (!(field instanceof HTMLInputElement)) return field.value;
	if (field.type === 'checkbox') return String(field.checked);
	return field.type === 'radio' ? radioOf(field) : field.value;
}

const radios = (field: HTMLInputElement) => [
	...(field
		.closest('fieldset')
		?.querySelectorAll<HTMLInputElement>(`input[type=radio][name="${field.name}"]`) ?? [field])
];
const radioOf = (field: HTMLInputElement): string =>
	radios(field).find(({ checked }) => checked)?.value ?? '';

/** As a person would: what listens to the field hears of it. */
function put(field: Field, value: string): void {
	const said = (one: Field, event: string) =>
		one.dispatchEvent(new Event(event, { bubbles: true }));
	if (field instanceof HTMLInputElement && field.type === 'radio') {
		const radio = radios(field).find((one) => one.value === value);
		if (!radio || radio.checked) return;
		radio.checked = true;
		said(radio, 'change');
	} else if (field instanceof HTMLInputElement && field.type === 'checkbox') {
		field.checked = value === 'true';
		said(field, 'change');
	} else {
		field.value = value;
		said(field, field instanceof HTMLSelectElement ? 'change' : 'input');
	}
}

function read(key: string): Draft | undefined {
	try {
		return JSON.parse(localStorage.getItem(key) ?? 'null') ?? undefined;
	} catch {
		return undefined;
	}
}

function write(key: string, draft: Draft): void {
	try {
		localStorage.setItem(key, JSON.stringify(draft));
	} catch {
		// No room: what is typed is on the page still.
	}
}

function prune(): void {
	try {
		for (const key of Object.keys(localStorage)) {
			if (!key.startsWith(prefix)) continue;
			const { at = 0 } = read(key) ?? {};
			if (Date.now() - at > keptMs) localStorage.removeItem(key);
		}
	} catch {
		// No storage.
	}
}
