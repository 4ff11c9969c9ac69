import type { JointFact } from '$core/procedure/facts';
import type { JobStanding, OwedItem } from '$core/procedure/owed';

export interface CornerLine {
	mark: 'owed' | 'again';
	text: string;
}

const count = (n: number, one: string, many = `${one}s`) => `${n} ${n === 1 ? one : many}`;

/** What a corner owes in few lines, what cannot wait first: what there is much of is counted. */
export function cornerLines(
	owed: readonly OwedItem[],
	joints: readonly Pick<JointFact, 'id' | 'rule'>[],
	standing: JobStanding['joints']
): CornerLine[] {
	const of = (...kinds: OwedItem['kind'][]) => owed.filter(({ kind }) => kinds.includes(kind));
	const rules = new Map(joints.map(({ id, rule }) => [id, rule]));
	const byRule = (rule: JointFact['rule']) =>
		of('joint').filter(({ jointId }) => rules.get(jointId!) === rule).length;
	const again = of('joint').find(({ jointId }) => standing.get(jointId!)!.state === 'again');
	const [hazard, ...more] = of('hazard').map(({ text }) => text.split(':')[0]!);
	const counted: [number, string][] = [
		[of('step').length, count(of('step').length, 'step') + ' of the work'],
		[of('part').length, count(of('part').length, 'part') + ' not fitted'],
		[of('tray').length, count(of('tray').length, 'tray') + ' not empty'],
		[byRule('any-time'), count(byRule('any-time'), 'joint') + ' to torque'],
		[
			byRule('ride-height'),
			count(byRule('ride-height'), 'bush', 'bushes') + ' to set at ride height'
		],
		[byRule('wheels-on-ground'), 'wheel to torque on the ground'],
		[
			of('hardware').length,
			count(of('hardware').length, 'one-time fastener') + ': new or the old one?'
		]
	];
	const line =
		(mark: CornerLine['mark']) =>
		({ text }: Pick<OwedItem, 'text'>): CornerLine => ({ mark, text });
	return [
		...(again ? [line('again')(again)] : []),
		...of('doubt').map(line('again')),
		...of('height-before', 'target', 'work').map(line('owed')),
		...(hazard
			? [
					line('owed')({
						text: hazard + (more.length ? `, and ${more.length} more to make safe` : '')
					})
				]
			: []),
		...counted.flatMap(([n, text]) => (n ? [line('owed')({ text })] : [])),
		...of('height-after').map(line('owed'))
	];
}
