import { readAdvice } from '../../../inspect/advice.ts';
import type { PartKey } from '../../../inspect/points.ts';
import type { AxleScope } from '../../../work/scope.ts';
import { defineKind, type Draft } from '../../book/kind.ts';
import type { JobRecord } from '../../record.ts';
import { scopeSaid } from '../../scope.ts';
import { WorkBook } from '../../work-book.ts';
import { planFollows } from '../plan.ts';
import type { Data } from './data.ts';

/** The customer's word on one line of advice. What it changes in the work follows from it here. */
export const decision = defineKind<'decision'>({
	kind: 'decision',
	name: 'Decision',
	counts: 'last',
	saidAsKept: true,
	decide(site) {
		const { record, command, said } = site;
		const { subject } = command;
		const decided: Draft = { kind: 'decision', subject, data: said };
		return planFollows(site, decided, ...scopeFollows(record, subject, said));
	},
	words: ({ state, title, reason }) => `${title}: ${state}${reason ? ` (${reason})` : ''}`
});

/** Parts of a line of advice that the scope of the work speaks of. */
const scopeKeys: Partial<Record<PartKey, 'damper' | 'spring' | 'bushes'>> = {
	damper: 'damper',
	spring: 'spring',
	bush: 'bushes'
};
/** Parts of a line of advice that have a job of their own. */
const jobKeys: readonly PartKey[] = ['drop-link', 'bar-bush', 'top-mount'];
const nothing: AxleScope = { damper: false, spring: false, bushes: false };

function scopeFollows(record: JobRecord, id: string, { state }: Data): Draft[] {
	const { kind, part, axle } = readAdvice(id);
	if (kind !== 'renew' || !part || !axle || state === 'done') return [];
	const now = scopeSaid(record, WorkBook.of(record)).axles[axle] ?? nothing;
	const on = state === 'accepted';
	const key = scopeKeys[part];
	if (key) {
		return now[key] === on ? [] : [{ kind: 'scope', subject: axle, data: { ...now, [key]: on } }];
	}
	const { also = [] } = now;
	// What a damper that comes out renews on the bench is no job beside it.
	const withIt = part === 'top-mount' && (now.damper || now.spring);
	if (!jobKeys.includes(part) || withIt || also.includes(part) === on) return [];
	const asked = on ? [...also, part] : also.filter((one) => one !== part);
	return [{ kind: 'scope', subject: axle, data: { ...now, also: asked } }];
}
