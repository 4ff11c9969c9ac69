import { describe, expect, it } from 'vitest';
import { metric } from '../../units/format.ts';
import { momentsOf } from '../../units/moments.ts';
import { unitsOf } from '../../units/personal.ts';
import type { Entry } from '../book/entry.ts';
import { Job } from '../book/job.ts';
import { demoFile } from '../../../../demo/jobs.testing.ts';
import { usualStrategy } from '../../work/scope.ts';
import type { KindName } from '../kinds/data.ts';
import { sheetOf } from './sheet.ts';

const options = {
	shopName: 'Test shop',
	units: unitsOf(() => metric),
	times: momentsOf(() => ({ timeZone: 'UTC', hours: '24' }))
};

/** The sheet of a demo job with more said of it. */
function sheetWith(
	number: string,
	said: Partial<Record<KindName, readonly [subject: string, data: object]>>
): string {
	const { job, people, entries } = demoFile(number);
	const last = entries.at(-1)!;
	const more = Object.entries(said).map(
		([kind, [subject, data]], i) =>
			({ ...last, id: `more-${i}`, seq: last.seq + 1 + i, kind, subject, data }) as Entry
	);
	return JSON.stringify(sheetOf(new Job({ ...job, people }, [...entries, ...more]), options));
}

describe('the work on the sheet', () => {
	it('says how the spring of a side went in', () => {
		const spring = {
			hand: 'left',
			wayUp: 'label',
			upper: { state: 'renewed', mm: 8 },
			lower: { state: 'kept' }
		} as const;
		const text = sheetWith('2026-0269', {
			step: ['RL/spring-in', { state: 'done', note: '', spring }]
		});
		expect(text).toContain('RL spring marked left, label reads upright, upper pad renewed 8.0 mm');
	});

	it('says the side and the way up of a spring that went onto its strut', () => {
		const spring = { fate: 'renewed', way: 'Flat coil below', marked: 'left' };
		const stack = { order: ['damper', 'spring'], checks: {}, changed: { spring }, typed: {} };
		expect(sheetWith('2026-0268', { stack: ['FL', stack] })).toContain(
			'FL spring marked left, flat coil below'
		);
	});

	it('says how coilovers are set', () => {
		const data = { preloadMm: 6, rebound: 12, typed: {} };
		expect(sheetWith('2026-0268', { setting: ['FL', data] })).toContain(
			'FL coilover: preload 6.0 mm from zero, rebound 12 clicks from full stiff'
		);
	});

	it('says where electronic dampers went for good and how their wires end, once they are out', () => {
		const dampers = { damper: true, spring: false, bushes: false };
		const plug = {
			what: 'part',
			text: 'Plug',
			where: 'rear',
			anchor: 'part:plug',
			for: 'job'
		} as const;
		const asked = {
			scope: ['rear', dampers],
			own: ['plug', plug],
			strategy: ['car', { ...usualStrategy, plugs: 'lamp' }]
		} as const;
		const done = { step: ['RL/plug-on', { state: 'done', note: '' }] } as const;
		const line = 'removed for good, RL; plugs: sealed, the lamp stays on';
		expect(sheetWith('2026-0269', { ...asked, ...done })).toContain(line);
		expect(sheetWith('2026-0269', asked)).not.toContain('removed for good');
		const kept = { ...asked, ...done, strategy: ['car', usualStrategy] as const };
		expect(sheetWith('2026-0269', kept)).not.toContain('removed for good');
	});
});
