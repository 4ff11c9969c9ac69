/** Where the stages of a job and what comes next in it stand. */
import type { Next } from '$core/job/way';
import type { Corner } from '$core/height/corners';
import type { Stage } from '$core/procedure/stages';

/** Pages of a stage that has more than one. */
export const pagesOf: Readonly<Partial<Record<Stage, readonly { to: string; name: string }[]>>> = {
	plan: [
		{ to: '', name: 'Decide' },
		{ to: '/parts', name: 'Parts and tools' },
		{ to: '/order', name: 'Order and time' }
	],
	work: [
		{ to: '', name: 'Steps' },
		{ to: '/bench', name: 'Bench' }
	],
	check: [
		{ to: '', name: 'Heights after' },
		{ to: '/drive', name: 'Bounce and drive' }
	],
	'hand-over': [
		{ to: '', name: 'Sign and sheet' },
		{ to: '/customer', name: 'Customer’s page' },
		{ to: '/retorque', name: 'Wheels: slip and check' }
	]
};

export const stageHref = (jobId: string, stage: Stage): string => `/jobs/${jobId}/${stage}`;

/** The round, of one corner. */
export const setHref = (jobId: string, corner: Corner): string => `/jobs/${jobId}/set?of=${corner}`;

/** The place of the bench where a step is done. */
export function benchAt(stepId: string | undefined): string {
	const kind = stepId?.split('/')[1];
	if (kind === 'compress') return 'compressor';
	return kind === 'restack' || kind === 'change-over' ? 'stack' : 'compare';
}

/** The page where the next thing is done, opened at its corner or step. */
export function nextHref(jobId: string, { stage, corner, stepId, page }: Next): string {
	const base = stageHref(jobId, stage);
	if (page === 'bench') return `${base}/bench?corner=${corner}&at=${benchAt(stepId)}`;
	if (page === 'parts' || page === 'drive') return `${base}/${page}`;
	if (page === 'corner' && corner) return setHref(jobId, corner);
	if (stage === 'work' && stepId) return `${base}?step=${encodeURIComponent(stepId)}`;
	if (corner && ['look', 'measure', 'check'].includes(stage)) return `${base}?corner=${corner}`;
	return base;
}
