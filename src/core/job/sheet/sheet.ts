/** The job as one clean sheet: each line is what was done, by whom and when. */
import { axleOf, cornerNames, corners } from '../../height/corners.ts';
import { schools } from '../../height/schools.ts';
import { owedLine } from '../../procedure/owed.ts';
import { retorqueAfterKm } from '../../procedure/retorque.ts';
import type { Moments } from '../../units/moments.ts';
import type { PersonalUnits } from '../../units/personal.ts';
import type { Job } from '../book/job.ts';
import { kindOf } from '../kinds/index.ts';
import { checkedWords } from '../look-again.ts';
import type { Addendum, Phase, SignOff } from '../model.ts';
import type { Block, Cell, Sheet, Table } from './document.ts';
import type { Drawing } from './drawing.ts';
import { jointTable } from './joints.ts';
import { workBlocks } from './work.ts';

export interface SheetOptions {
	shopName: string;
	units: PersonalUnits;
	/** Times as the shop tells them. */
	times: Moments;
}

export function sheetOf(job: Job, { shopName, units, times }: SheetOptions): Sheet {
	const { record } = job;
	const drawing: Drawing = {
		job,
		units,
		name: (id) => record.people.find((person) => person.id === id)?.name ?? 'somebody',
		moment: times.moment,
		short: times.short
	};
	const { name, moment } = drawing;
	const { vehicle, signOff } = record;
	const worked = corners.filter((corner) => record.corners.includes(corner));
	return {
		shop: shopName,
		title: vehicle.plate,
		subtitle: [
			[vehicle.make, vehicle.model, vehicle.modelYear].filter(Boolean).join(' '),
			vehicle.vin,
			vehicle.owner
		]
			.filter(Boolean)
			.join(' · '),
		facts: [
			['Job', record.number],
			['Opened', moment(record.openedAt)],
			['Odometer', record.odometerEntered ?? 'not noted'],
			['Technician', record.technicianId ? name(record.technicianId) : 'not named']
		],
		blocks: [
			{ kind: 'line', label: 'Complaint', text: record.complaint },
			{
				kind: 'line',
				label: 'Worked on',
				text: `${worked.map((corner) => cornerNames[corner]).join(', ')}${vehicle.modifications ? `. Modifications: ${vehicle.modifications}` : ''}`
			},
			...imported(drawing),
			...standing(drawing),
			...record.addenda.map((addendum, i) => addendumBlock(drawing, addendum, i)),
			...workBlocks(drawing),
			heights(drawing),
			...endChecks(drawing),
			...worked.map((corner) => jointTable(drawing, corner)),
			{
				kind: 'line',
				text: `One-time hardware stands with its joint as it was done. Twist is what a bush keeps at ride height, with its 95 % band. Times are of ${times.timeZone}.`,
				quiet: true
			},
			...stillOpen(drawing),
			cautions(drawing, worked.length > 0)
		],
		signatures: [
			signOff ? `${name(signOff.personId)}, ${moment(signOff.signedAt)}` : 'Technician, date',
			'Customer'
		]
	};
}

function imported({ job: { record }, name, moment }: Drawing): Block[] {
	const { imported: from } = record;
	if (!from) return [];
	return [
		{
			kind: 'notice',
			tone: 'open',
			title: `Imported from ${from.from ?? 'a shop that is not known here'}: ${from.verified ? 'verified by its seal' : 'not verified'}`,
			lines: [
				`Brought in by ${name(from.personId)}, ${moment(from.importedAt)}. What is before that was recorded there, by people of that shop.`
			]
		}
	];
}

/** Signed, and over what; or not signed. */
function standing({ job, name, moment }: Drawing): Block[] {
	const { record, view } = job;
	const { owed } = view.standing;
	const over = record.signOffs.filter((signature) => signature.over.length);
	const signatures = over.map((signature): Block => overBlock(signature, name, moment));
	if (record.signedAt) return signatures;
	const again = record.addendum ? 'Open for an addendum, not signed' : 'Not signed';
	const left = owed.length ? `${owed.length} open.` : 'Nothing is open.';
	return [...signatures, { kind: 'notice', tone: 'open', title: `${again}. ${left}`, lines: [] }];
}

function overBlock(
	{ over, personId, signedAt }: SignOff,
	name: Drawing['name'],
	moment: Drawing['moment']
): Block {
	const reasons = [...new Set(over.map(({ reason }) => reason))];
	return {
		kind: 'notice',
		tone: 'stop',
		title: `Signed over ${over.length} open by ${name(personId)}, ${moment(signedAt)}`,
		lines: reasons.flatMap((reason) => [
			`“${reason}”`,
			...over.filter((one) => one.reason === reason).map(({ item }) => `– ${item}`)
		])
	};
}

/** What was added to a job after it had been signed. */
function addendumBlock(
	{ job: { record }, name, moment }: Drawing,
	{ seq, reason, personId, openedAt }: Addendum,
	i: number
): Block {
	const next = record.signOffs.find((signature) => signature.seq > seq);
	const added = record.entries.filter(
		(entry) => entry.seq > seq && entry.seq < (next?.seq ?? Infinity)
	);
	const closed = next
		? `signed by ${name(next.personId)}, ${moment(next.signedAt)}`
		: 'not signed yet';
	return {
		kind: 'notice',
		tone: 'plain',
		title: `Addendum ${i + 1}, by ${name(personId)}, ${moment(openedAt)}; ${closed}`,
		lines: [
			`“${reason}”`,
			...added.map(
				(entry) =>
					`– ${kindOf(entry.kind).words(entry.data, entry, record)} (${name(entry.personId)}, ${moment(entry.enteredAt)})`
			)
		]
	};
}

const verdicts = {
	changed: 'changed',
	'not-shown-to-have-changed': 'not shown to have changed',
	'read-again': 'read again'
};

function heights(drawing: Drawing): Table {
	const { job, units } = drawing;
	const { record, view } = job;
	const decimals = units.choice.length === 'mm' ? 1 : 2;
	const reasons = job.work.book
		.of('lean')
		.map(({ subject, data }) => `${subject.replace('/', ', ')}: ${data.reason}`);
	const mm = (value: number | undefined, signed = false): Cell => ({
		text: value === undefined ? '–' : units.show(value, 'length', { bare: true, decimals, signed })
	});
	return {
		kind: 'table',
		title: `Ride height, ${schools[record.school].name.toLowerCase()}`,
		subtitle: `in ${units.choice.length}; ± is the 95 % interval of the change`,
		columns: [
			{ name: 'Corner', wide: true },
			{ name: 'Before', end: true },
			{ name: 'After', end: true },
			{ name: 'Change', end: true },
			{ name: '±', end: true },
			{ name: 'Target', end: true },
			{ name: 'To target', end: true },
			{ name: 'Verdict' }
		],
		rows: corners.map((corner) => {
			const { before, after, comparison, target } = view.corners[corner];
			return [
				{ text: cornerNames[corner], ...(target && { note: target.reason }) },
				mm(before?.meanMm),
				mm(after?.meanMm),
				mm(comparison?.differenceMm, true),
				mm(comparison?.expandedUncertaintyMm),
				mm(target?.heightMm),
				mm(after && target ? after.meanMm - target.heightMm : undefined, true),
				{
					text: comparison ? verdicts[comparison.verdict] : '–',
					alert: comparison?.verdict === 'read-again'
				}
			];
		}),
		notes: [
			`Before: ${readings(drawing, 'before')}. After: ${readings(drawing, 'after')}. Left to right up to 5 mm is normal, over 10 mm needs a reason (common practice).${reasons.length ? ` Reason given, ${reasons.join('; ')}.` : ''}`
		]
	};
}

/** How the car stood, and who read. */
function readings({ job: { record, view }, name, moment }: Drawing, phase: Phase): string {
	const set = record.heightSets[phase];
	const taken = corners.flatMap((corner) => view.readings[phase][corner]);
	const c = set?.conditions;
	const conditions = c
		? [
				c.levelFloor && 'level floor',
				c.rolledAndBounced && 'rolled and bounced',
				c.steeringAhead && 'steering ahead',
				c.brakesOff && 'brakes off',
				c.tyrePressures,
				c.fuel && `fuel ${c.fuel}`,
				c.load
			]
				.filter(Boolean)
				.join(', ')
		: 'conditions not noted';
	if (taken.length === 0) return conditions;
	const who = [...new Set(taken.map(({ personId }) => name(personId)))].join(', ');
	const last = taken.map(({ takenAt }) => takenAt).sort()[taken.length - 1]!;
	return `${conditions}; ${taken.length} readings by ${who}, the last ${moment(last)}`;
}

/** What was bounced, driven and looked at again once the car stood. */
function endChecks({ job }: Drawing): Block[] {
	const words = checkedWords(job);
	return words.length
		? [{ kind: 'line', label: 'Checked at the end', text: words.join('. ') }]
		: [];
}

function stillOpen({ job: { record, view } }: Drawing): Block[] {
	const { owed } = view.standing;
	if (record.signedAt || owed.length === 0) return [];
	const items = owed.map((item) => `◇ ${owedLine(item)}`);
	const half = Math.ceil(items.length / 2);
	return [
		{
			kind: 'lists',
			lists: [
				{ title: 'Still open', items: items.slice(0, half) },
				...(items.length > 1 ? [{ title: '', items: items.slice(half) }] : [])
			]
		}
	];
}

function cautions({ job: { record } }: Drawing, any: boolean): Block {
	const estimated = record.joints.some(({ torqueSource }) => torqueSource === 'estimated');
	const assumed =
		any &&
		record.corners.some((corner) => record.vehicle.axles[axleOf(corner)].armLengthMm === null);
	const { from, to } = retorqueAfterKm;
	return {
		kind: 'caution',
		title: 'Cautions',
		lines: [
			[
				`Wheel fasteners: check the torque again after ${from} to ${to} km.`,
				'New springs settle a few millimetres in the first weeks; read the heights again then.',
				'Alignment after any change of height or of a part that sets geometry.',
				estimated && 'Torques marked “estimated” are not the maker’s.',
				assumed &&
					'Twist figures rest on an assumed arm length where none was taped; their band says how far.',
				'Vane Set computes and records; the maker’s service information, local codes and licensed practice decide.'
			]
				.filter(Boolean)
				.join(' ')
		]
	};
}
