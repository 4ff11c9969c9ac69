import { describe, expect, it } from 'vitest';
import { countOf, readColumns, readList, writeColumns } from './columns';

describe('two columns', () => {
	const pairs = { first: [0, 0.5, 1], second: [10, 12.5, 11], skipped: 0 };
	it.each([
		['commas', '0, 10\n0.5, 12.5\n1, 11'],
		['commas without blanks', '0,10\n0.5,12.5\n1,11'],
		['tabs', '0\t10\n0.5\t12.5\n1\t11'],
		['blanks', '0 10\n0.5   12.5\n1 11\n'],
		['semicolons and decimal commas', '0;10\n0,5;12,5\n1;11'],
		['blanks and decimal commas', '0 10\n0,5 12,5\n1 11']
	])('%s', (_, text) => expect(readColumns(text)).toEqual(pairs));

	it('counts headings and lines that are no numbers', () => {
		expect(readColumns('time s,height mm\n0,10\n\nbad,line\n1,11')).toEqual({
			first: [0, 1],
			second: [10, 11],
			skipped: 2
		});
	});

	it('says what was read and what was left out', () => {
		expect(countOf(readColumns('s,mm\n0,10\n1,11'))).toBe(
			'2 points, 1 lines without two numbers left out'
		);
		expect(countOf(readColumns('0,10\n1,11'))).toBe('2 points');
	});

	it('reads back what it writes', () => {
		expect(readColumns(writeColumns([0, 0.25], [1.5, -2]))).toEqual({
			first: [0, 0.25],
			second: [1.5, -2],
			skipped: 0
		});
	});
});

describe('a list', () => {
	it.each([
		['352, 353, 352.5', [352, 353, 352.5]],
		['352 353', [352, 353]],
		['352,5; 353', [352.5, 353]],
		['352,5\n353', [352.5, 353]]
	])('%j', (text, numbers) => expect(readList(text)).toEqual({ numbers, wrong: [] }));

	it('names what it cannot read', () => {
		expect(readList('352, x, 353')).toEqual({ numbers: [352, 353], wrong: ['x'] });
	});
});
