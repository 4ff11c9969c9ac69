import Papa from 'papaparse';
import type { Job } from '../../../core/job/book/job.ts';
import { kindOf } from '../../../core/job/kinds/index.ts';
import { partStatusNames } from '../../../core/job/kinds/part/data.ts';
import type { JobRecord } from '../../../core/job/record.ts';

const nameOf = (job: JobRecord, id: string) =>
	job.people.find((person) => person.id === id)?.name ?? '';

/** What begins a formula, in its wide forms too (OWASP, CSV injection). */
const formula = '[=+\\-@＝＋－＠]';
const number = /^[-+]?\d+([.,]\d+)?(e[-+]?\d+)?$/i;
const runs = new RegExp(`^\\s*${formula}`);
/** Where a spreadsheet set for another country, or a cell of several lines, may begin a cell of its own. */
const runsWithin = new RegExp(`([;\\t\\r\\n]\\s*)(?=${formula})`, 'g');

/** Text that a spreadsheet would run as a formula gets an apostrophe before it; numbers stay numbers. */
export function inert(cell: unknown): unknown {
	if (typeof cell !== 'string' || number.test(cell)) return cell;
	return (runs.test(cell) ? `'${cell}` : cell).replace(runsWithin, "$1'");
}

function table(rows: Record<string, unknown>[], columns: string[]): string {
	return (
		Papa.unparse(
			{ fields: columns, data: rows.map((row) => columns.map((column) => inert(row[column]))) },
			{ newline: '\r\n' }
		) + '\r\n'
	);
}

/** Every reading as it was written, corrections and withdrawals as rows of their own. */
export function readingsCsv(job: JobRecord): string {
	return table(
		job.readings.map((reading) => ({
			...reading,
			job: job.number,
			person: nameOf(job, reading.personId)
		})),
		[
			'job',
			'id',
			'phase',
			'corner',
			'school',
			'entered',
			'heightMm',
			'correctsId',
			'withdrawn',
			'person',
			'takenAt'
		]
	);
}

/** Every torque as it was written, with what the bush computation said of it. */
export function torquesCsv(job: JobRecord): string {
	const joints = new Map(job.joints.map((joint) => [joint.id, joint]));
	return table(
		job.torques.map((torque) => {
			const joint = joints.get(torque.jointId)!;
			return {
				...torque,
				job: job.number,
				corner: joint.corner,
				joint: joint.name,
				specifiedNm: joint.torqueNm,
				specifiedFrom: joint.torqueSource,
				step: torque.action + 1,
				twistDeg: torque.bush?.twistDeg,
				twistExpandedDeg: torque.bush?.twistExpandedDeg,
				heightErrorMm: torque.bush?.heightErrorMm,
				verdict: torque.bush?.verdict,
				person: nameOf(job, torque.personId)
			};
		}),
		[
			'job',
			'id',
			'corner',
			'joint',
			'specifiedNm',
			'specifiedFrom',
			'step',
			'entered',
			'torqueNm',
			'angleDeg',
			'seen',
			'skipReason',
			'wrench',
			'settingNm',
			'overrideReason',
			'deviceReadingId',
			'carState',
			'method',
			'hubToArchMm',
			'targetHubToArchMm',
			'twistDeg',
			'twistExpandedDeg',
			'heightErrorMm',
			'verdict',
			'correctsId',
			'withdrawn',
			'person',
			'takenAt'
		]
	);
}

/** Parts of a job by side and axle. */
export function partsCsv(job: Job): string {
	return table(
		job.parts.map(({ kept, status, ...line }) => ({
			...line,
			job: job.name.number,
			corner: line.corner ?? '',
			number: kept.number,
			status: partStatusNames[status],
			note: kept.note
		})),
		['job', 'corner', 'axle', 'name', 'hand', 'quantity', 'number', 'status', 'note']
	);
}

/** The book, an entry a row: everything that is hashed, and the sentence for people. */
export function bookCsv(job: JobRecord): string {
	return table(
		job.entries.map((entry) => ({
			...entry,
			job: job.number,
			person: nameOf(job, entry.personId),
			words: kindOf(entry.kind).words(entry.data, entry, job),
			data: JSON.stringify(entry.data)
		})),
		[
			'job',
			'seq',
			'id',
			'kind',
			'subject',
			'words',
			'person',
			'personId',
			'device',
			'enteredAt',
			'storedAt',
			'seen',
			'corrects',
			'data',
			'hash'
		]
	);
}
