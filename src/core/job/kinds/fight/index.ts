import { readJointId } from '../../../assembly/graph.ts';
import { fightOutcomeNames, isRuined } from '../../../fastener/stuck-fastener.ts';
import { axleOf, cornerNames } from '../../../height/corners.ts';
import { refuse } from '../../../problem.ts';
import { defineKind, type Draft } from '../../book/kind.ts';
import { layoutsOf } from '../../scope.ts';
import { jointAt } from '../../work.ts';

/** A fastener that fights: what was tried, and how it ended. A ruined one is renewed. */
export const fight = defineKind<'fight'>({
	kind: 'fight',
	name: 'Fastener that fights',
	counts: 'last',
	saidAsKept: true,
	decide({ record, command: { subject }, said }) {
		const { corner, key } = readJointId(subject);
		const joint = layoutsOf(record)[axleOf(corner)].joints.find((one) => one.key === key);
		if (!joint) throw refuse('subject', 'is no joint of this car', subject);
		if (said.tried.includes('cut') && said.outcome === 'came') {
			throw refuse('outcome', 'was cut, so it is no longer sound', said.outcome);
		}
		const kept: Draft = { kind: 'fight', subject, data: said };
		const own = jointAt(record, corner, key);
		if (!own || own.oneTime || !isRuined(said.outcome)) return [kept];
		const { id, ...rest } = own;
		return [kept, { kind: 'joint', subject: id, data: { ...rest, oneTime: true, removed: false } }];
	},
	words: ({ tried, outcome, note }, { subject }, record) => {
		const { corner, key } = readJointId(subject);
		const name = jointAt(record, corner, key)?.name ?? key;
		return `${cornerNames[corner].toLowerCase()}, ${name.toLowerCase()}: ${fightOutcomeNames[outcome].toLowerCase()}${tried.length ? ` (tried: ${tried.join(', ').replace(/-/g, ' ')})` : ''}${note ? `; ${note}` : ''}`;
	}
});
