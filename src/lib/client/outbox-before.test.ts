import { readCommand } from '$core/job/book/command';
import { metric } from '$core/units/format';
import { v7 as uuidv7 } from 'uuid';
import { describe, expect, it } from 'vitest';
import { ofToday } from './outbox-before';

const [id, joint, other] = [uuidv7(), uuidv7(), uuidv7()];
const takenAt = '2026-03-01T10:00:00.000Z';
const hanging = { jointId: joint, action: 0, carState: 'hanging', lastSeenId: null };

/** As each page of the version before the book kept it. */
const before: [string, string, object, object][] = [
	[
		'a reading',
		'readings',
		{ phase: 'before', corner: 'FL', school: 'hub-to-arch', height: '14 3/8 in' },
		{ kind: 'reading', subject: 'FL' }
	],
	[
		'a reading taken back',
		'readings',
		{ phase: 'after', corner: 'RR', school: 'hub-to-arch', withdraw: true, correctsId: other },
		{ kind: 'reading', subject: 'RR', corrects: other }
	],
	['a torque', 'torques', { ...hanging, torque: '62 ft-lb' }, { kind: 'torque', subject: joint }],
	[
		'a bush at height',
		'torques',
		{
			...hanging,
			torque: '110',
			carState: 'loaded',
			method: 'jack-to-height',
			hubToArch: '365 mm',
			wrenchId: other,
			wrench: 'Main click'
		},
		{ kind: 'torque', subject: joint }
	],
	[
		'a torque taken back',
		'torques',
		{ ...hanging, withdraw: true, correctsId: other },
		{ kind: 'torque', subject: joint, corrects: other }
	],
	[
		'a joint passed over',
		'torques',
		{ ...hanging, skipReason: 'waits for the bolt' },
		{ kind: 'skip', subject: joint }
	],
	[
		'a loaded height',
		'loadings',
		{
			corner: 'FR',
			method: 'jack-to-height',
			hubToArch: '365',
			oppositeBefore: '700',
			oppositeNow: '702'
		},
		{ kind: 'loading', subject: 'FR' }
	],
	[
		'a finding',
		'work',
		{
			kind: 'finding',
			subject: 'FL/damper-oil',
			data: { corner: 'FL', point: 'damper-oil', state: 'leak', where: '', note: '' }
		},
		{ kind: 'finding', subject: 'FL/damper-oil' }
	]
];

describe('what the version before the book left in the outbox', () => {
	it.each(before)('%s is said to the book', (_, door, body, command) => {
		const kept = { id, path: `/jobs/j-1/${door}`, body: { id, takenAt, ...body } };
		const today = ofToday(kept);
		expect(today.path).toBe('/jobs/j-1/entries');
		const read = readCommand(today.body, { units: metric, now: Date.parse(takenAt) });
		expect(read).toMatchObject({ ok: true, value: { id, enteredAt: takenAt, ...command } });
		expect(ofToday(today)).toEqual(today);
	});
});
