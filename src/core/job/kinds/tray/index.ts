import { inItsHole } from '../../../bench/trays.ts';
import { defineKind } from '../../book/kind.ts';

const at = (place: string) => (place === inItsHole ? 'in its hole' : `tray ${place}`);

export const tray = defineKind<'tray'>({
	kind: 'tray',
	name: 'Tray',
	counts: 'last',
	saidAsKept: true,
	words: ({ place, name, count, back, reason, removed }) =>
		removed
			? `${at(place)}: ${name} taken off the map`
			: `${at(place)}: ${name}, ${place === inItsHole ? count : back} of ${count} back${reason ? ` (${reason})` : ''}`
});
