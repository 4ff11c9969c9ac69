/** Of the work what belongs on paper: found, agreed, declined, explained, passed over, by whom. */
import { settingWords } from '../../bench/setting.ts';
import { handWords, springFitWords } from '../../bench/spring-fit.ts';
import { compareParts } from '../../bench/compare.ts';
import { findPoint, findState } from '../../inspect/points.ts';
import { plugEndNames } from '../../work/scope.ts';
import { formatNumber } from '../../units/format.ts';
import { symptomNames } from '../../inspect/symptoms.ts';
import { springFinding } from '../findings.ts';
import { declinedWork } from '../decisions.ts';
import type { ExtraState } from '../extra-states.ts';
import { extrasOf, isExtraDone, type Extra } from '../extras.ts';
import { trayItems } from '../work-owed.ts';
import type { Block, List } from './document.ts';
import type { Drawing } from './drawing.ts';

export function workBlocks(drawing: Drawing): Block[] {
	const { job, name } = drawing;
	const { record, work } = job;
	const { book, order } = work;
	const symptoms = book.get('symptoms')?.symptoms ?? [];
	const found = book.of('finding').flatMap(({ data: { corner, where, note, ...data } }) => {
		const point = findPoint(data.point);
		const state = point && data.state ? findState(point, data.state) : undefined;
		if (!point || !state || state.gravity === 'sound') return [];
		const more = [where, note].filter(Boolean).map((words) => `, ${words}`);
		const mark = state.gravity === 'worn' ? '✕' : '◇';
		return [
			`${mark} ${corner} ${point.name.toLowerCase()}: ${state.name.toLowerCase()}${more.join('')}`
		];
	});
	const decided = (state: 'accepted' | 'done') =>
		book.of('decision').flatMap(({ data }) => (data.state === state ? [`✓ ${data.title}`] : []));
	const extras = extrasOf(book);
	const said = (state: ExtraState) =>
		extras.filter((extra) => extra.state === state).map((extra) => extraLine(drawing, extra));
	const declined = declinedWork(record).map(
		({ title, reason }) => `✕ ${title}${reason ? `: ${reason}` : ''}`
	);
	const lists: List[] = [
		{ title: 'Found', items: found },
		{
			title: 'Agreed',
			items: [...decided('accepted'), ...decided('done'), ...said('agreed')]
		},
		{ title: 'Declined by the customer', items: [...declined, ...said('declined')], framed: true },
		{ title: 'Found, not answered', items: [...said('found'), ...said('told')] },
		{ title: 'Explained', items: explained(drawing) }
	].filter(({ items }) => items.length);
	const steps = book.of('step').filter(({ data }) => data.state === 'done');
	const gates = steps.flatMap(({ subject, data, entry }) => {
		const gate = order.steps.find(({ id }) => id === subject)?.gate;
		return gate?.note && data.note
			? [`${gate.note.toLowerCase()}: ${data.note} (${name(entry.personId)})`]
			: [];
	});
	const springs = steps.flatMap(({ subject, data: { spring } }) =>
		spring ? [`${subject.split('/')[0]} spring ${springFitWords(spring)}`] : []
	);
	const stacked = book.of('stack').flatMap(({ subject, data: { changed = {} } }) => {
		const { marked, way } = changed.spring ?? {};
		return marked
			? [`${subject} spring ${[handWords(marked), way?.toLowerCase()].filter(Boolean).join(', ')}`]
			: [];
	});
	const set = book
		.of('setting')
		.map(({ subject, data }) => `${subject} coilover: ${settingWords(data)}`);
	const plugs = work.scope.strategy.plugs ?? 'on';
	const unplugged = order.steps.flatMap(({ id, kind, at }) =>
		kind === 'plug-on' && plugs !== 'on' && work.done.has(id) ? [at] : []
	);
	const photos = record.photos.filter(({ withdrawn }) => !withdrawn).length;
	const quiet = [
		order.steps.length && `${work.done.size} of ${order.steps.length} steps of the work done`,
		steps.length && `ticked off by ${names(drawing, steps)}`,
		...gates,
		...springs,
		...stacked,
		...set,
		photos && `${photos} ${photos === 1 ? 'photo' : 'photos'} with the job`
	].filter(Boolean);
	return [
		...(symptoms.length
			? [
					{
						kind: 'line' as const,
						label: 'Heard and felt',
						text: symptoms.map((one) => symptomNames[one].toLowerCase()).join(', ')
					}
				]
			: []),
		...(lists.length ? [{ kind: 'lists' as const, lists }] : []),
		...(unplugged.length
			? [
					{
						kind: 'line' as const,
						label: 'Electronic dampers',
						text: `removed for good, ${unplugged.join(' and ')}; plugs: ${plugEndNames[plugs].toLowerCase()}`
					}
				]
			: []),
		...(quiet.length ? [{ kind: 'line' as const, text: quiet.join('; '), quiet: true }] : [])
	];
}

/** Found on the way, with what came of it. */
function extraLine({ job: { work } }: Drawing, extra: Extra): string {
	const { state, what, words, price } = extra;
	const done = state === 'agreed' && !isExtraDone(work.book, extra) ? ', not done' : '';
	const mark = { found: '◇', told: '◇', agreed: done ? '◇' : '✓', declined: '✕' }[state];
	const cost = price === undefined ? '' : `, ${formatNumber(price, 2)}`;
	return `${mark} ${what}${cost}${done}${words ? ` (${words})` : ''}`;
}

const names = ({ name }: Drawing, rows: readonly { entry: { personId: string } }[]): string =>
	[...new Set(rows.map(({ entry }) => name(entry.personId)))].join(', ');

/** Differences that were explained, gates passed over, fasteners not back: each with its reason. */
function explained({ job: { work }, name }: Drawing): string[] {
	const { book, order } = work;
	return [
		...book.of('comparison').flatMap(({ data }) => {
			if (data.outcome !== 'explained') return [];
			const oldBroken = springFinding(book, data.corner)?.state === 'broken';
			const { words } = compareParts(data.part, data.old, data.new, { oldBroken });
			return [`${data.corner} ${data.part} ${words.toLowerCase()}: ${data.reason}`];
		}),
		...book.of('step').flatMap(({ subject, data, entry }) => {
			if (data.state !== 'done' || !data.overrideReason) return [];
			const title = order.steps.find(({ id }) => id === subject)?.title ?? subject;
			return [
				`Passed over, ${title.toLowerCase()}: ${data.overrideReason} (${name(entry.personId)})`
			];
		}),
		...trayItems(book).flatMap(({ name: item, back, count, reason }) =>
			reason ? [`${item}: ${back} of ${count} back, ${reason}`] : []
		)
	];
}
