import { describe, expect, it } from 'vitest';
import { Job } from './book/job';
import { demoRecord } from '../../../demo/jobs.testing';
import { say, told } from './kinds/saying.testing';
import { usualCosts } from './costs';
import { jobAdvice } from './plan';
import { checkedWords, lookAgain } from './look-again';
import type { JobRecord } from './record';

const jobOf = ({ id, number, people, entries }: JobRecord) =>
	new Job({ id, number, people }, entries);
const texts = (record: JobRecord) => lookAgain(jobOf(record)).map(({ text }) => text);
const advice = (record: JobRecord) => jobAdvice(record, usualCosts);
const bounced = (record: JobRecord, corner: string, data: object) =>
	told(record, 'bounce', `${corner}/after`, data);

describe('once the car stands', () => {
	const record = demoRecord('2026-0268');

	it('a bounce after the work is beside the one before, and plans nothing', () => {
		const before = advice(record);
		const weak = bounced(record, 'FL', { movements: 3, dampingRatio: 0.1, expanded: 0.02 });
		expect(texts(weak).filter((text) => text.startsWith('FL:'))).toHaveLength(1);
		expect(jobOf(weak).work.book.get('bounce', 'FL')).toEqual(
			jobOf(record).work.book.get('bounce', 'FL')
		);
		expect(advice(weak)).toEqual(before);
		const good = bounced(weak, 'FL', { movements: 1, dampingRatio: 0.32, expanded: 0.04 });
		expect(texts(good).filter((text) => text.startsWith('FL:'))).toEqual([]);
		const unlike = bounced(good, 'FR', { movements: 1, dampingRatio: 0.7, expanded: 0.04 });
		expect(texts(unlike).join()).toContain('no longer a pair');
	});

	it('what the drive said against it is owed until it is good', () => {
		const owed = (of: JobRecord) =>
			jobOf(of)
				.view.standing.owed.filter(({ kind }) => kind === 'check')
				.map(({ text }) => text);
		const heard = told(record, 'checked', 'drive', {
			state: 'bad',
			words: 'knock front left',
			at: '30 km/h, cobbles'
		});
		expect(owed(heard)).toEqual(['On the drive: knock front left; put it right and look again']);
		expect(texts(heard)).toEqual(expect.arrayContaining(owed(heard)));
		expect(checkedWords(jobOf(heard))).toEqual(['driven (30 km/h, cobbles): knock front left']);
		expect(owed(told(heard, 'checked', 'drive', { state: 'good', words: '', at: '' }))).toEqual([]);
		const open = told(heard, 'checked', 'drive', { state: 'open', words: '', at: '' });
		expect(owed(open)).toEqual([]);
		expect(checkedWords(jobOf(open))).toEqual([]);
		const moved = told(record, 'checked', 'marks', {
			state: 'bad',
			words: 'FL ball joint',
			at: ''
		});
		expect(owed(moved)[0]).toContain('A paint mark has moved: FL ball joint');
	});

	it('wants words for what is not good', () => {
		const answer = say(record, 'checked', 'drive', { state: 'bad', words: '', at: '' });
		expect(answer).toMatchObject({ status: 422 });
		expect(answer.said!.join()).toMatch(/^words: /);
		expect(say(record, 'checked', 'polish', { state: 'good', words: '', at: '' }).status).toBe(422);
	});
});
