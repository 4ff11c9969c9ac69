/** A layout as its file says it, with what it has in common with others named instead of said again. */
import type { Layout, LayoutContact, LayoutCover, LayoutJoint, LayoutPart } from './types.ts';

/** What layouts have in common, by name: a part's, joint's or cover's name is its key in a layout. */
export interface Fragment {
	parts?: Readonly<Record<string, Omit<LayoutPart, 'key'>>>;
	joints?: Readonly<Record<string, Omit<LayoutJoint, 'key'>>>;
	contacts?: Readonly<Record<string, LayoutContact>>;
	covers?: Readonly<Record<string, Omit<LayoutCover, 'key'>>>;
}

/**
 * One line of a list: `brake/caliper` is that of the fragment `brake`; `like` is the same but for what is
 * said beside it, null where this layout has none; all else is the layout's own.
 */
type Line<T> = string | ({ like: string } & { [K in keyof T]?: T[K] | null }) | T;

type Assembly = Layout['assembly'];
export type LayoutFile = Omit<Layout, 'joints' | 'assembly'> & {
	joints: readonly Line<LayoutJoint>[];
	assembly: Omit<Assembly, 'parts' | 'contacts' | 'covers'> & {
		parts: readonly Line<LayoutPart>[];
		contacts: readonly Line<LayoutContact>[];
		covers: readonly Line<LayoutCover>[];
	};
};

/**
 * The whole layout of a file.
 *
 * @param fragments by name
 * @throws RangeError where a line names what no fragment has
 */
export function composeLayout(
	file: LayoutFile,
	fragments: Readonly<Record<string, Fragment>>
): Layout {
	const whole = <T extends object>(list: keyof Fragment, line: Line<T>): T => {
		const { like, ...own } = typeof line === 'string' ? { like: line } : { like: '', ...line };
		if (like === '') return own as T;
		const [fragment = '', name = ''] = like.split('/');
		const shared = fragments[fragment]?.[list]?.[name];
		if (!shared)
			throw new RangeError(`layout '${file.key}': no fragment has '${like}' among its ${list}`);
		const said = Object.entries({ ...shared, ...own }).filter(([, value]) => value !== null);
		return { ...(list === 'contacts' ? {} : { key: name }), ...Object.fromEntries(said) } as T;
	};
	const { parts, contacts, covers, ...assembly } = file.assembly;
	return {
		...file,
		assembly: {
			...assembly,
			parts: parts.map((line) => whole('parts', line)),
			contacts: contacts.map((line) => whole('contacts', line)),
			covers: covers.map((line) => whole('covers', line))
		},
		joints: file.joints.map((line) => whole('joints', line))
	};
}
