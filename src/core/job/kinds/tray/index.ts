import { defineKind } from '../../book/kind.ts';

export const tray = defineKind<'tray'>({
	kind: 'tray',
	name: 'Tray',
	counts: 'last',
	saidAsKept: true,
	words: ({ place, name, count, back, reason, removed }) =>
		removed
			? `tray ${place}: ${name} taken off the map`
			: `tray ${place}: ${name}, ${back} of ${count} back${reason ? ` (${reason})` : ''}`
});
