import { describe, expect, it } from 'vitest';
import { leftByStage } from '../procedure/owed';
import { stages } from '../procedure/stages';
import { demoRecord } from '../../../demo/jobs.testing';
import type { JobRecord } from './record';
import { viewJob } from './view';
import { nextOf } from './way';
import { viewWork } from './work';

const next = (record: JobRecord, options?: { unlooked: boolean }) => {
	const view = viewJob(record);
	return nextOf(record, view, viewWork(record, record.limits, [], view), options);
};

describe('what comes next', () => {
	it('on a car that nobody has looked at is to look it over; whoever only measures goes on to the heights', () => {
		const record = demoRecord('2026-0261');
		expect(next(record)).toMatchObject({ stage: 'look' });
		expect(next(record, { unlooked: true })).toEqual({
			stage: 'measure',
			corner: 'FL',
			text: 'Read the height before, front left'
		});
	});

	it.each([
		['2026-0260', { stage: 'measure', corner: 'FL' }],
		['2026-0268', { stage: 'work', page: 'bench', stepId: 'FL/compress', corner: 'FL' }],
		['2026-0269', { stage: 'work', stepId: 'RL/soak' }],
		['2026-0259', { stage: 'set', text: 'Torque the joints, front left' }],
		['2026-0256', { stage: 'set', text: 'Set at ride height, front left' }],
		['2026-0253', { stage: 'check', text: 'Read the height after, front left' }],
		['2026-0251', { stage: 'hand-over', text: 'Look over the sheet and sign' }],
		['2026-0187', { stage: 'hand-over', text: 'The signed sheet' }]
	])('in %s of the demo shop', (number, expected) => {
		expect(next(demoRecord(number))).toMatchObject(expected);
	});

	it('after something was found and the heights read is to say what is renewed', () => {
		const record = demoRecord('2026-0268');
		const kinds = new Set(['opened', 'joint', 'finding', 'reading', 'conditions']);
		const found = {
			...record,
			entries: record.entries.filter(({ kind }) => kinds.has(kind)),
			torques: []
		};
		expect(found.entries.some(({ kind }) => kind === 'finding')).toBe(true);
		expect(next(found)).toEqual({ stage: 'plan', text: 'Say what is renewed' });
	});

	it('where a car is only measured and set is the heights, round the car in the shop’s order', () => {
		const record: JobRecord = { ...demoRecord('2026-0261'), purpose: 'set' };
		expect(next(record)).toMatchObject({ stage: 'measure', corner: 'FL' });
		const view = viewJob(record);
		const work = viewWork(record, record.limits, [], view);
		const walk = ['RR', 'FR', 'FL', 'RL'] as const;
		expect(nextOf(record, view, work, { walk })).toMatchObject({ stage: 'measure', corner: 'RR' });
	});

	it('nobody is sent back to load a corner whose rubber is set', () => {
		const record = demoRecord('2026-0269');
		const view = viewJob(record);
		const work = viewWork(record, record.limits, [], view);
		const others = work.order.steps.filter(({ kind }) => kind !== 'load');
		expect(others.length).toBe(work.order.steps.length - 2);
		const done = new Set(others.map(({ id }) => id));
		const rules = new Map(record.joints.map(({ id, rule }) => [id, rule]));
		const rubber = view.standing.owed.filter(
			({ jointId }) => rules.get(jointId ?? '') === 'ride-height'
		);
		const told = (owed: typeof rubber) =>
			nextOf(record, { standing: { ...view.standing, owed } }, { ...work, done });
		expect(told(rubber)).toMatchObject({ stage: 'set', stepId: 'RL/load' });
		expect(told([])).toMatchObject({ stage: 'hand-over' });
	});

	it('a height that nobody has chosen comes before the rubber that waits for it', () => {
		const record = demoRecord('2026-0256');
		const view = viewJob(record);
		const target = {
			kind: 'target',
			stage: 'set',
			corner: 'FR',
			text: 'no target height yet'
		} as const;
		const owed = [...view.standing.owed.filter(({ stage }) => stage === 'set'), target];
		const work = viewWork(record, record.limits, [], view);
		expect(nextOf(record, { standing: { ...view.standing, owed } }, work)).toEqual({
			stage: 'set',
			corner: 'FR',
			text: 'Say at which height it will stand, front right',
			page: 'corner'
		});
	});
});

it('what is left in the stages is all that is left', () => {
	for (const number of ['2026-0260', '2026-0268', '2026-0269', '2026-0253', '2026-0251']) {
		const { owed } = viewJob(demoRecord(number)).standing;
		const left = leftByStage(owed);
		expect(stages.reduce((sum, stage) => sum + left[stage], 0)).toBe(owed.length);
	}
});
