import { describe, expect, it } from 'vitest';
import { damperOf, unlike } from './dampers';

const at = (movements?: number, dampingRatio?: number, expanded = 0.03) => ({
	corner: 'FL' as const,
	movements,
	dampingRatio,
	expanded
});

describe('what a bounce says of a damper', () => {
	it.each([
		['counted well', at(1.5), 'good'],
		['counted badly, nothing else', at(3), 'doubt'],
		['a weak trace, nothing else', at(undefined, 0.12), 'doubt'],
		['both', at(3, 0.12), 'weak'],
		['counted badly, but it damps', at(2.5, 0.33), 'doubt'],
		['a trace within its band of good order', at(2, 0.23), 'doubt'],
		['counted well, traced well', at(1, 0.36), 'good']
	])('%s', (_, finding, verdict) => {
		expect(damperOf(finding).verdict).toBe(verdict);
	});

	it('oil is a finding too, where the bounce speaks against it', () => {
		expect(damperOf(at(3), true).verdict).toBe('weak');
		expect(damperOf(at(1), true).verdict).toBe('good');
		expect(damperOf(at(3, 0.4), true).verdict).toBe('doubt');
	});

	it('says what would settle a doubt', () => {
		expect(damperOf(at(3)).ask).toMatch(/record a trace/);
		expect(damperOf(at(undefined, 0.1)).ask).toMatch(/count by eye/);
	});

	it('sides are no pair where their bands do not explain it', () => {
		const right = { ...at(undefined, 0.35), corner: 'FR' as const };
		expect(unlike(at(undefined, 0.15), right)?.weak.corner).toBe('FL');
		expect(unlike(at(undefined, 0.28), right)).toBeUndefined();
		expect(unlike(at(undefined, 0.15, 0.25), right)).toBeUndefined();
		expect(unlike(undefined, right)).toBeUndefined();
	});
});
