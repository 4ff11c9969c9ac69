import { describe, expect, it } from 'vitest';
import { clockWords, hourPoint } from './clock';

describe('a clock face', () => {
	it('has twelve above, three to the right', () => {
		expect(hourPoint(12, 10)).toEqual({ x: expect.closeTo(0, 9), y: expect.closeTo(-10, 9) });
		expect(hourPoint(3, 10)).toEqual({ x: expect.closeTo(10, 9), y: expect.closeTo(0, 9) });
		expect(hourPoint(8, 10).x).toBeLessThan(0);
	});

	it('says nothing until every bush has its hour', () => {
		const rear = { name: 'Rear bush', hour: undefined as number | undefined };
		const front = { name: 'Front bush', hour: 2 };
		expect(clockWords([front, rear])).toBe('');
		expect(clockWords([front, { ...rear, hour: 10 }])).toBe(
			'Front bush at 2 o’clock; Rear bush at 10 o’clock'
		);
		expect(clockWords([])).toBe('');
	});
});
