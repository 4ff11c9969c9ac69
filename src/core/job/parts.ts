/** Parts of a job, each with how far it is. */
import { fittingSteps, partLines, type AcceptedPart, type PartLine } from '../bench/parts.ts';
import { axleOf, corners, type Corner } from '../height/corners.ts';
import { damperOf } from '../layout/shape.ts';
import { readAdvice } from '../inspect/advice.ts';
import { axlePlans, type WorkScope } from '../work/scope.ts';
import type { WorkStep } from '../work/step.ts';
import { workSteps } from '../work/assembly-steps.ts';
import type { Data as PartData, PartStatus } from './kinds/part/data.ts';
import { fightsOf, ruinedOf } from './stuck-fasteners.ts';
import type { JobRecord } from './record.ts';
import { isTicked, scopeOf } from './scope.ts';
import { WorkBook } from './work-book.ts';

export interface JobPart extends PartLine {
	kept: PartData;
	/**
	 * As kept; fitted once the steps that put it in were ticked off, or its fastener was said to be new, unless
	 * it went back.
	 */
	status: PartStatus;
}

const unordered: PartData = { number: '', status: 'to-order', note: '' };

export function jobParts(record: JobRecord): JobPart[] {
	const book = WorkBook.of(record);
	const scope = scopeOf(record, book);
	const steps = workSteps(scope);
	const ticked = (step: WorkStep) => isTicked(book, step);
	const ruined = ruinedOf(fightsOf(book, scope.layouts));
	return partLines(scope, acceptedParts(book, scope), ruined).map((line) => {
		const kept = book.get('part', line.id) ?? unordered;
		const putIn = fittingSteps(line, steps);
		const fitted =
			line.part === 'hardware' ? renewed(record, line) : putIn.length > 0 && putIn.every(ticked);
		return { ...line, kept, status: fitted && kept.status !== 'returned' ? 'fitted' : kept.status };
	});
}

/** A new fastener is fitted when somebody has said so at its joint, and not because it was bought. */
function renewed({ joints, hardware }: JobRecord, { corner, jointKey }: PartLine): boolean {
	const joint = joints.find((one) => one.corner === corner && one.key === jointKey);
	return joint !== undefined && hardware[joint.id]?.fastener?.done === 'renewed';
}

/** What the customer took of the advice, as parts. */
function acceptedParts(book: WorkBook, scope: WorkScope): AcceptedPart[] {
	const plans = axlePlans(scope);
	return book.of('decision').flatMap(({ subject, data }): AcceptedPart[] => {
		const { kind, part, axle, corner } = readAdvice(subject);
		if (data.state !== 'accepted' || !part || part === 'hardware') return [];
		if (corner) return [{ part, corners: [corner] }];
		const worked = plans.find((plan) => plan.axle === axle)?.corners ?? [];
		return [
			{ part, corners: kind === 'renew' ? corners.filter((c) => axleOf(c) === axle) : worked }
		];
	});
}

/** Parts of the layout that are thrown away at a corner, by key: what a grip may bite into. */
export function partKeysRenewed(scope: WorkScope, corner: Corner): string[] {
	const plan = axlePlans(scope).find(({ corners: worked }) => worked.includes(corner));
	if (!plan) return [];
	const { damper, layout, jobs } = plan;
	const { parts } = layout.assembly;
	return [
		...(damper ? [damperOf(layout).key] : []),
		...jobs.flatMap(({ job, part }) =>
			job.press
				? []
				: part
					? [part.key]
					: parts.filter(({ kind }) => kind === job.takes && kind !== 'bar').map(({ key }) => key)
		)
	];
}
