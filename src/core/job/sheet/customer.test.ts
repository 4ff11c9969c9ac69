import { describe, expect, it } from 'vitest';
import { pointKeys } from '../../inspect/points.ts';
import { plainPoint } from '../../inspect/plain.ts';
import { metric } from '../../units/format.ts';
import { momentsOf } from '../../units/moments.ts';
import { unitsOf } from '../../units/personal.ts';
import { Job } from '../book/job.ts';
import { demoFile } from '../../../../demo/jobs.testing.ts';
import { customerPage } from './customer.ts';
import type { Block } from './document.ts';
import { stanceSvg } from './stance.ts';

const options = {
	shopName: 'Test shop',
	units: unitsOf(() => metric),
	times: momentsOf(() => ({ timeZone: 'UTC', hours: '24' }))
};
const pageOf = (number: string, drop: (kind: string) => boolean = () => false) => {
	const { job, people, entries } = demoFile(number);
	const left = entries.filter(({ kind }) => !drop(kind));
	return customerPage(new Job({ ...job, people }, left), options);
};
const list = (blocks: readonly Block[], title: string): readonly string[] =>
	blocks
		.flatMap((block) => (block.kind === 'lists' ? block.lists : []))
		.find((one) => one.title === title)?.items ?? [];

describe('the customer’s page', () => {
	it('says only what is on record as done', () => {
		const open = pageOf('2026-0268');
		expect(open.blocks[0]).toMatchObject({ kind: 'notice', tone: 'open' });
		expect(list(open.blocks, 'What we did').filter((line) => line.startsWith('New:'))).toEqual([]);
		const signed = pageOf('2026-0187');
		expect(signed.blocks.some(({ kind }) => kind === 'notice')).toBe(false);
		expect(list(signed.blocks, 'What we did').join(' ')).toMatch(/rubber joints? w/);
	});

	it('has no word of the trade’s arithmetic on it', () => {
		for (const number of ['2026-0187', '2026-0268', '2026-0251', '2026-0260']) {
			const text = JSON.stringify(pageOf(number));
			expect(text).not.toMatch(/N·m|95 %|twist of|°|torqued|σ|undefined|NaN/);
		}
	});

	it('says what was found and why it matters, and what is only watched apart from it', () => {
		const { blocks } = pageOf('2026-0268');
		const found = list(blocks, 'What we found').join(' ');
		expect(found).toMatch(/Front (left|right), .*: .*\./);
		expect(list(blocks, 'When to come back').at(-1)).toMatch(/do not wait/);
	});

	it('draws how it stood only where it was read', () => {
		const kinds = (number: string, drop?: (kind: string) => boolean) =>
			pageOf(number, drop).blocks.map(({ kind }) => kind);
		expect(kinds('2026-0187')).toContain('pictures');
		expect(kinds('2026-0187', (kind) => kind === 'reading')).not.toContain('pictures');
	});

	it('knows every point of the inspection in plain words', () => {
		for (const key of pointKeys) expect(plainPoint(key).does).not.toBe('');
		expect(plainPoint('something new')).toEqual({ name: 'something new', does: '' });
	});
});

describe('the stance as a drawing', () => {
	const even = { FL: 350, FR: 350, RL: 350, RR: 350 };

	it('is dashed as it stood and full as it stands, words left to the page', () => {
		const svg = stanceSvg('left', even, { ...even, FL: 365 })!;
		expect(svg.match(/<path/g)).toHaveLength(3);
		expect(svg).toContain('stroke-dasharray');
		expect(svg).not.toContain('<text');
	});

	it('lifts the end that stands higher', () => {
		const noseOf = (front: number) =>
			Number(
				/M ([\d.]+) ([\d.]+)/.exec(
					stanceSvg('left', {}, { FL: front, RL: 350 })!.split('"#b9c2be"')[1]!
				)![2]
			);
		expect(noseOf(380)).toBeLessThan(noseOf(320));
	});

	it('is not there before a side is read', () => {
		expect(stanceSvg('right', { FR: 350 }, {})).toBeUndefined();
		expect(stanceSvg('left', even, {})).toBeDefined();
	});
});
