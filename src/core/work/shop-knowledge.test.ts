import { describe, expect, it } from 'vitest';
import { findLayout } from '../layout/registry';
import { workSteps } from './assembly-steps';
import { edgesOf } from './needs';
import { workOrder } from './order';
import { type Knowledge, type KnowledgeInJob } from './shop-knowledge';
import { ownFault } from './shop-knowledge-fault';
import { replay } from './replay/replay';
import { usualStrategy, type WorkScope } from './scope';

const scope = (own: KnowledgeInJob[] = []): WorkScope => {
	const layout = findLayout('trailing-arm-rear')!;
	return {
		axles: { rear: { damper: true, spring: false, bushes: false } },
		corners: ['RL', 'RR'],
		layouts: { front: layout, rear: layout },
		strategy: usualStrategy,
		rust: 'none',
		own
	};
};
const hidden: Knowledge = {
	what: 'step',
	text: 'Hidden bolt behind the lamp out',
	where: 'rear',
	anchor: 'cover-off:boot-trim',
	before: 'undo-top',
	minutes: 6,
	look: 'Lamp hung, not on its wire?'
};
const ids = (own: KnowledgeInJob[]) => workOrder(scope(own)).steps.map(({ id }) => id);
const fault = (one: Knowledge) => {
	const steps = workSteps(scope());
	return ownFault(one, steps, edgesOf(steps, scope()), scope().layouts);
};

describe('steps of the shop’s own', () => {
	it('stand at every corner between what they follow and what they come before', () => {
		const order = ids([{ ...hidden, id: 'a1' }]);
		for (const corner of ['RL', 'RR']) {
			const at = (kind: string) => order.indexOf(`${corner}/${kind}`);
			expect(at('own:a1')).toBeGreaterThan(at('cover-off:boot-trim'));
			expect(at('own:a1')).toBeLessThan(at('undo-top'));
		}
		const step = workOrder(scope([{ ...hidden, id: 'a1' }])).steps.find(
			({ id }) => id === 'RL/own:a1'
		)!;
		expect(step).toMatchObject({ title: hidden.text, gate: { question: hidden.look } });
		expect(step.minutes.likely).toBe(6);
	});

	it('follow at once where nothing is said of what they come before', () => {
		const { before: _, ...alone } = hidden;
		const order = ids([{ ...alone, id: 'a1' }]);
		expect(order.indexOf('RL/own:a1')).toBe(order.indexOf('RL/cover-off:boot-trim') + 1);
	});

	it('stand once for the whole car, and nowhere where the step they follow is not', () => {
		const car: Knowledge = { ...hidden, where: 'car', anchor: 'lift', before: 'stands' };
		expect(ids([{ ...car, id: 'b2' }]).filter((id) => id.endsWith('own:b2'))).toEqual([
			'car/own:b2'
		]);
		expect(ids([{ ...hidden, anchor: 'tie', id: 'c3' }])).toEqual(ids([]));
		expect(ids([{ ...hidden, what: 'note', id: 'd4' }])).toEqual(ids([]));
	});

	it('never take a rule away: one that cannot come before something stays behind what it follows', () => {
		const turned: KnowledgeInJob = {
			...hidden,
			anchor: 'undo-top',
			before: 'cover-off:boot-trim',
			id: 'e5'
		};
		const order = workOrder(scope([turned]));
		expect(replay(order.steps, scope([turned]))).toEqual([]);
		const at = (id: string) => order.steps.findIndex((step) => step.id === id);
		expect(at('RL/own:e5')).toBeGreaterThan(at('RL/undo-top'));
		expect(at('RL/cover-off:boot-trim')).toBeLessThan(at('RL/undo-top'));
	});

	it('are refused where they have no place, by the field that is wrong', () => {
		expect(fault(hidden)).toBeUndefined();
		expect(fault({ ...hidden, anchor: 'tie' })).toMatchObject({ field: 'anchor' });
		expect(fault({ ...hidden, before: 'tie' })).toMatchObject({ field: 'before' });
		const turned = { ...hidden, anchor: 'undo-top', before: 'cover-off:boot-trim' };
		expect(fault(turned)?.words).toMatch(/“Off: boot side trim” comes before “Upper end undone/);
	});

	it('leave every order as safe as it was', () => {
		const steps = workSteps(scope());
		for (const { id } of steps) {
			const [place, anchor] = [id.split('/')[0], id.slice(id.indexOf('/') + 1)];
			const own: KnowledgeInJob = {
				what: 'step',
				text: 'x',
				where: place === 'car' ? 'car' : 'rear',
				anchor,
				id: 'f6'
			};
			expect(replay(workOrder(scope([own])).steps, scope([own])), anchor).toEqual([]);
		}
	});
});
