import { expect, it } from 'vitest';
import { inert } from './csv';

it.each(['348.5', '-12.5', '+3', '-0,5', '1e-7', '-1.5E+3', '0'])('%s stays a number', (cell) => {
	expect(inert(cell)).toBe(cell);
});

it.each([
	'=1+1',
	'+1+1',
	'-1+cmd|x!A0',
	'-1-1',
	'-3.5 mm',
	'@SUM(A1)',
	' =1+1',
	'\t=1+1',
	'\r=1+1',
	'＝1+1',
	'－1+1',
	'1e5-=1'.slice(3)
])('%j is text', (cell) => {
	expect(inert(cell)).toBe(`'${cell}`.replace(/'([\t\r])=/, "'$1'="));
});

it('where another country’s spreadsheet would begin a cell, nothing runs either', () => {
	expect(inert('well;=1+1')).toBe("well;'=1+1");
	expect(inert('one\n-1+1')).toBe("one\n'-1+1");
	expect(inert('left; right')).toBe('left; right');
	expect(inert(-4)).toBe(-4);
	expect(inert(undefined)).toBeUndefined();
});
