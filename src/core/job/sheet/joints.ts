/** Joints on the sheet: what was specified, what was done, by whom and when. */
import { hardwarePieces, hardwareWords } from '../../fastener/hardware.ts';
import { programmeWords } from '../../fastener/joint-programme.ts';
import { threadConditionNames } from '../../fastener/lubrication.ts';
import { axleOf, cornerNames, type Corner } from '../../height/corners.ts';
import { findLayout } from '../../layout/registry.ts';
import { loadMethodNames, sightNames } from '../../procedure/facts.ts';
import type { JointStatus } from '../../procedure/joint-status.ts';
import { formatNumber } from '../../units/format.ts';
import { lubricated } from '../joints.ts';
import type { Joint, Torque } from '../model.ts';
import { loadedStanding } from '../loaded.ts';
import { liftAsSet } from '../rubber.ts';
import type { Cell, Table } from './document.ts';
import type { Drawing } from './drawing.ts';

const sources = { maker: 'maker', shop: 'shop', estimated: 'estimated' };
const verdicts = { set: 'set', 're-set-advised': 'outside its band', 'wound-up': 'WOUND UP' };

export function jointTable(drawing: Drawing, corner: Corner): Table {
	const { job } = drawing;
	const { record, view } = job;
	const joints = record.joints.filter((joint) => joint.corner === corner);
	const untouched = joints.filter(
		({ id }) =>
			view.standing.joints.get(id)!.state === 'untouched' &&
			!view.torques.has(id) &&
			!record.hardware[id]
	);
	const layout = findLayout(record.vehicle.axles[axleOf(corner)].layout);
	// What is seldom undone is not missed by anybody.
	const named = untouched.filter(
		({ key }) => !layout?.joints.find((joint) => joint.key === key)?.seldom
	);
	const rows = joints
		.filter((joint) => !untouched.includes(joint))
		.map((joint) =>
			row(drawing, joint, view.torques.get(joint.id), view.standing.joints.get(joint.id)!)
		);
	return {
		kind: 'table',
		title: cornerNames[corner],
		subtitle: layout?.name ?? '',
		columns: [
			{ name: 'Joint', wide: true },
			{ name: 'Specified', end: true },
			{ name: 'Recorded' },
			{ name: 'Car' },
			{ name: 'Twist', end: true },
			{ name: 'State' },
			{ name: 'By' }
		],
		rows,
		notes: [
			...(named.length ? [`Not undone: ${sentence(named)}.`] : []),
			...loadings(drawing, corner),
			...lift(drawing, corner)
		]
	};
}

/** Names within a sentence. */
const sentence = (joints: readonly Joint[]): string =>
	joints.map(({ name }) => name.charAt(0).toLowerCase() + name.slice(1)).join('; ');

function row(
	drawing: Drawing,
	joint: Joint,
	torque: Torque | undefined,
	status: JointStatus
): Cell[] {
	const { units, name, short } = drawing;
	const nm = (value: number) => units.show(value, 'torque', { decimals: value < 20 ? 1 : 0 });
	const source =
		joint.torqueSource && joint.torqueSource !== 'maker' ? ` (${sources[joint.torqueSource]})` : '';
	const asSeen = joint.kind === 'cushion' ? 'as seen' : 'none';
	const steps = status.actions > 1 ? `, step ${status.done} of ${status.actions}` : '';
	const recorded = torque?.seen ? sightNames[torque.seen] : torque?.entered;
	return [
		{ text: joint.name, note: notes(drawing, joint, status) },
		{ text: joint.torqueNm === null ? asSeen : nm(joint.torqueNm) + source, strong: true },
		{ text: recorded ? recorded + steps : '–' },
		{ text: torque ? carWords(torque) : '' },
		{
			text: torque?.bush
				? `${formatNumber(torque.bush.twistDeg, 1, true)}°\u00a0±\u00a0${formatNumber(torque.bush.twistExpandedDeg, 1)}°`
				: '',
			strong: true
		},
		{ text: stateWords(status, torque), alert: status.owed },
		{ text: torque ? `${name(torque.personId)}, ${short(torque.takenAt)}` : '' }
	];
}

function carWords({ carState, method, hubToArchEntered }: Torque): string {
	if (carState === 'hanging') return 'hanging';
	return [loadMethodNames[method!].toLowerCase(), hubToArchEntered].filter(Boolean).join(', ');
}

function stateWords(
	{ state, owed, unspecified, unsure }: JointStatus,
	torque: Torque | undefined
): string {
	const done = torque?.bush && state !== 'accepted' ? verdicts[torque.bush.verdict] : state;
	return [done, unsure && 'not sure', unspecified && 'no specification', owed && 'open']
		.filter(Boolean)
		.join(', ');
}

/** What the columns have no room for. */
function notes(
	{ job: { record }, units, name, short }: Drawing,
	joint: Joint,
	status: JointStatus
): string {
	const show = (nm: number) => units.show(nm, 'torque', { decimals: nm < 20 ? 1 : 0 });
	const wet = lubricated(joint);
	const rows = record.torques.filter((row) => row.jointId === joint.id && !row.withdrawn);
	const replaced = new Set(rows.map(({ correctsId }) => correctsId));
	const counting = rows.filter(({ id }) => !replaced.has(id));
	const hardware = record.hardware[joint.id];
	const accepted = record.accepted[joint.id];
	const taken = status.state === 'accepted' && accepted;
	return [
		programmeWords(joint.programme, show),
		wet &&
			`${threadConditionNames[joint.thread!.condition].toLowerCase()} thread: pulled to ${show(wet.torqueNm)}`,
		...hardwarePieces.map((piece) => {
			const outcome = hardware?.[piece];
			return (
				outcome &&
				`${hardwareWords(piece, outcome)} (${name(hardware.personId)}, ${short(hardware.saidAt)})`
			);
		}),
		...new Set(
			counting.flatMap(({ wrench, overrideReason, aheadReason, loosenedFirst }) => [
				overrideReason && `${wrench} used all the same: ${overrideReason}`,
				aheadReason && `before its turn: ${aheadReason}`,
				loosenedFirst === true && 'loosened first',
				loosenedFirst === false && 'checked once more with the weight on, not loosened'
			])
		),
		taken &&
			`accepted as it is by ${name(taken.personId)}, ${short(taken.acceptedAt)}, ${formatNumber(taken.heightErrorMm, 1, true)} mm of height: ${taken.reason}`,
		status.owed && status.reason
	]
		.filter(Boolean)
		.join('; ');
}

/** What its rubber does to the height of the corner. */
function lift({ job: { record, view }, units }: Drawing, corner: Corner): string[] {
	const found = liftAsSet(record, view.torques, corner);
	if (!found || found.count < 2) return [];
	const { liftMm, expandedMm, count } = found;
	const show = (mm: number, signed = false) => units.show(mm, 'length', { signed });
	return [
		`Rubber as it was set, ${count} bushes together: ${show(liftMm, true)} ± ${show(expandedMm)} of height.`
	];
}

/** How the corner stood while its rubber was set. */
function loadings({ job: { record }, units, name, short }: Drawing, corner: Corner): string[] {
	const looks = record.loadings.filter((look) => look.corner === corner);
	if (looks.length === 0) return [];
	const standing = loadedStanding(record, corner, record.limits);
	const words = looks.map((look) => {
		const moved =
			look.oppositeNowMm === null
				? ''
				: ` (opposite corner moved ${units.show(look.oppositeNowMm - look.oppositeBeforeMm!, 'length')})`;
		return `${look.entered} ${loadMethodNames[look.method].toLowerCase()}${moved}, ${name(look.personId)}, ${short(look.takenAt)}`;
	});
	return [`Loaded: ${words.join('; ')}.${standing ? ` ${standing.words}.` : ''}`];
}
