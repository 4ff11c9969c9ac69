import type { HTMLInputAttributes } from 'svelte/elements';

/** What a labelled line of input takes; the rest goes to the input itself. */
export interface FieldProps extends Pick<
	HTMLInputAttributes,
	| 'autocapitalize'
	| 'autocomplete'
	| 'disabled'
	| 'inputmode'
	| 'list'
	| 'maxlength'
	| 'minlength'
	| 'placeholder'
	| 'required'
	| 'spellcheck'
> {
	label: string;
	value?: string;
	type?: 'text' | 'password';
	/** What is wrong with the entry; shown in its place under the field. */
	fault?: string;
	hint?: string;
	class?: string;
	oninput?: (event: Event) => void;
}
