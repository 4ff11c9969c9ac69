import type { OwedItem } from '$core/procedure/owed';

export interface OpenGroup {
	kind: OwedItem['kind'];
	name: string;
	items: OwedItem[];
}

/** What can hurt first; then in the order of the work. */
const names: Readonly<Record<OwedItem['kind'], string>> = {
	hazard: 'Under load or in the air',
	'height-before': 'Heights before',
	target: 'Target heights',
	step: 'Steps of the work',
	part: 'Parts',
	tray: 'Trays',
	work: 'Differences',
	joint: 'Joints',
	hardware: 'One-time hardware',
	'height-after': 'Heights after',
	doubt: 'Readings in doubt',
	check: 'Seen at the end'
};

/** What is open, by what it is. */
export const openGroups = (items: readonly OwedItem[]): OpenGroup[] =>
	(Object.keys(names) as OwedItem['kind'][]).flatMap((kind) => {
		const own = items.filter((item) => item.kind === kind);
		return own.length ? [{ kind, name: names[kind], items: own }] : [];
	});
