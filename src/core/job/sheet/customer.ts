/** The customer's page: in plain words what was found, done and measured, what to watch, when to come back. */
import { cornerNames, corners, type Corner } from '../../height/corners.ts';
import { plainPoint } from '../../inspect/plain.ts';
import { findPoint, findState } from '../../inspect/points.ts';
import { readAdvice } from '../../inspect/advice.ts';
import { retorqueAfterKm, retorqueDue } from '../../procedure/retorque.ts';
import { formatNumber } from '../../units/format.ts';
import { jobParts } from '../parts.ts';
import { extrasOf, isExtraDone } from '../extras.ts';
import { declinedWork } from '../decisions.ts';
import type { Block, List, Sheet } from './document.ts';
import type { SheetOptions } from './sheet.ts';
import { stanceEnlarged, stanceSvg } from './stance.ts';
import type { Job } from '../book/job.ts';

const where = (corner: Corner): string => cornerNames[corner].toLowerCase();
const all = (words: readonly string[]): string =>
	words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;
const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

export function customerPage(job: Job, { shopName, units, times }: SheetOptions): Sheet {
	const { record } = job;
	const { vehicle, signOff } = record;
	const handed = job.work.book.get('handout');
	const found = findings(job);
	const lists: List[] = [
		{ title: 'What we found', items: found.lines },
		{ title: 'What we did', items: done(job) },
		{ title: 'What to watch', items: [...found.watch, ...declined(job)] },
		{ title: 'When to come back', items: comeBack(job, { units }) }
	].filter(({ items }) => items.length);
	return {
		shop: shopName,
		title: vehicle.plate,
		subtitle: [vehicle.make, vehicle.model, vehicle.modelYear].filter(Boolean).join(' '),
		facts: [
			['Job', record.number],
			['Date', times.longDay(signOff?.signedAt ?? record.openedAt)],
			['Odometer', record.odometerEntered ?? 'not noted']
		],
		blocks: [
			...(record.signedAt
				? []
				: [
						{
							kind: 'notice',
							tone: 'open',
							title: 'The work is not finished: this is how it stands now.',
							lines: []
						} satisfies Block
					]),
			{ kind: 'line', label: 'You told us', text: record.complaint },
			...(handed?.note ? [{ kind: 'line', text: handed.note } satisfies Block] : []),
			...lists.map((list): Block => ({ kind: 'lists', lists: [list] })),
			...stance(job, { units }),
			...photos(job, handed?.photoIds ?? [])
		],
		signatures: []
	};
}

/** What is worn or tired, and what is only to be watched. */
function findings({ work: { book } }: Job): { lines: string[]; watch: string[] } {
	const looked = book.of('finding').filter(({ data }) => data.state);
	const seen = looked.flatMap(({ data: { corner, point, state, note } }) => {
		const of = findPoint(point);
		const found = of && findState(of, state!);
		if (!of || !found || found.gravity === 'sound') return [];
		const { name, does } = plainPoint(point);
		const more = note ? ` (${note})` : '';
		const text = `${capital(where(corner))}, ${name}: ${found.name.toLowerCase()}${more}.${does ? ` ${capital(does)}.` : ''}`;
		return [{ text, gravity: found.gravity }];
	});
	const sound = looked.length - seen.length;
	const lines = seen.filter(({ gravity }) => gravity === 'worn').map(({ text }) => text);
	if (sound) lines.push(`${sound} ${sound === 1 ? 'point' : 'points'} looked at and found sound.`);
	return {
		lines,
		watch: seen.filter(({ gravity }) => gravity === 'watch').map(({ text }) => text)
	};
}

/** Only what is on record as done. */
function done({ record, view, work }: Job): string[] {
	const fitted = new Map<string, Corner[]>();
	for (const { name, corner, status, part } of jobParts(record)) {
		if (status !== 'fitted' || part === 'hardware') continue;
		fitted.set(name, [...(fitted.get(name) ?? []), ...(corner ? [corner] : [])]);
	}
	const bolts = jobParts(record).filter(
		({ part, status }) => part === 'hardware' && status === 'fitted'
	).length;
	const states = record.joints.map((joint) => ({
		joint,
		status: view.standing.joints.get(joint.id)!
	}));
	const set = states.filter(({ status }) => status.state === 'set').length;
	const torqued = states.filter(
		({ joint, status }) => status.state === 'torqued' && joint.kind !== 'wheel'
	).length;
	const wheels = states.filter(
		({ joint, status }) => joint.kind === 'wheel' && status.state === 'torqued'
	).length;
	const driven = work.book.get('checked', 'drive')?.state === 'good';
	return [
		...[...fitted].map(
			([name, at]) => `New: ${name.toLowerCase()}${at.length ? `, ${all(at.map(where))}` : ''}.`
		),
		...(bolts ? [`${bolts} nuts and bolts that are used only once were renewed.`] : []),
		...(set
			? [
					`${set} rubber ${set === 1 ? 'joint was' : 'joints were'} tightened with the car at the height it stands at: tightened hanging, they would be twisted at rest and wear early.`
				]
			: []),
		...(torqued
			? [
					`${torqued} further ${torqued === 1 ? 'joint was' : 'joints were'} tightened by torque wrench.`
				]
			: []),
		...(wheels ? [`The wheels were tightened by torque wrench, on the ground.`] : []),
		...extrasOf(work.book)
			.filter((extra) => extra.state === 'agreed' && isExtraDone(work.book, extra))
			.map(({ what }) => `Found on the way, and done as you agreed: ${what}.`),
		...(driven ? ['The car was driven: nothing was heard or felt.'] : [])
	];
}

const declined = ({ record, work: { book } }: Job): string[] => [
	...declinedWork(record).map(
		({ title, reason }) => `You decided against: ${title}${reason ? ` (${reason})` : ''}.`
	),
	...extrasOf(book).flatMap(({ what, words, state }) => {
		if (state === 'agreed') return [];
		const more = words ? ` (${words})` : '';
		return state === 'declined'
			? [`You decided against: ${what}${more}.`]
			: [`Found on the way, still to be talked about: ${what}.`];
	})
];

function comeBack({ record, work }: Job, { units }: Pick<SheetOptions, 'units'>): string[] {
	const wheelsOff = record.joints.some(
		({ kind, id }) => kind === 'wheel' && record.torques.some(({ jointId }) => jointId === id)
	);
	const { fromKm, toKm } = retorqueDue(record.odometerKm ?? undefined);
	const { from, to } = retorqueAfterKm;
	const show = (km: number) => units.show(km, 'distance');
	const at =
		fromKm === undefined ? '' : `, between ${show(fromKm)} and ${show(toKm!)} on the clock`;
	const agreed = work.book
		.of('decision')
		.filter(
			({ subject, data }) => data.state === 'accepted' && readAdvice(subject).kind === 'align'
		)
		.map(({ data }) => `Still to be done: ${data.title.toLowerCase()}.`);
	const springs = jobParts(record).some(
		({ part, status }) => part === 'spring' && status === 'fitted'
	);
	return [
		...(wheelsOff
			? [
					`After ${formatNumber(from, 0)} to ${formatNumber(to, 0)} km${at}: the wheels are checked by torque wrench. It takes a few minutes.`
				]
			: []),
		...(springs
			? [
					'New springs settle a little in the first weeks: the height is read again on your next visit.'
				]
			: []),
		...agreed,
		'Sooner, if it knocks, leans, or pulls to one side: do not wait.'
	];
}

function stance({ view }: Job, { units }: Pick<SheetOptions, 'units'>): Block[] {
	const of = (phase: 'before' | 'after') =>
		Object.fromEntries(
			corners.flatMap((corner) => {
				const mean = view.corners[corner][phase]?.meanMm;
				return mean === undefined ? [] : [[corner, mean]];
			})
		) as Partial<Record<Corner, number>>;
	const [before, after] = [of('before'), of('after')];
	const sides = (['left', 'right'] as const).flatMap((side) => {
		const svg = stanceSvg(side, before, after);
		return svg
			? [{ svg, alt: `The car from the ${side}: how it stood, dashed, and stands, full` }]
			: [];
	});
	if (sides.length === 0) return [];
	const decimals = units.choice.length === 'mm' ? 0 : 2;
	const mm = (value: number | undefined) =>
		value === undefined ? '–' : units.show(value, 'length', { decimals });
	return [
		{
			kind: 'pictures',
			title: 'How it stood and stands',
			pictures: sides,
			caption: `Seen from the left and the right. Dashed: as it came. Full: as it goes. Differences are drawn ${stanceEnlarged} times as large as the car.`
		},
		{
			kind: 'table',
			title: 'Measured, wheel to wing',
			columns: [
				{ name: 'Corner', wide: true },
				{ name: 'As it came', end: true },
				{ name: 'As it goes', end: true }
			],
			rows: corners.map((corner) => [
				{ text: cornerNames[corner] },
				{ text: mm(before[corner]) },
				{ text: mm(after[corner]), strong: true }
			])
		}
	];
}

function photos({ record }: Job, ids: readonly string[]): Block[] {
	const chosen = record.photos.filter(({ id, withdrawn }) => ids.includes(id) && !withdrawn);
	if (chosen.length === 0) return [];
	return [
		{
			kind: 'photos',
			title: 'Photos',
			photos: chosen.map(({ id, corner, note, subject }) => ({
				id,
				caption: [corner && capital(where(corner)), note || (subject && plainPoint(subject).name)]
					.filter(Boolean)
					.join(', ')
			}))
		}
	];
}
