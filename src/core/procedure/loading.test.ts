import { describe, expect, it } from 'vitest';
import { loadingStanding, type LoadingFact } from './loading';

const look = (hubToArchMm: number, more: Partial<LoadingFact> = {}): LoadingFact => ({
	method: 'jack-to-height',
	hubToArchMm,
	...more
});
const verdict = (...looks: LoadingFact[]) => loadingStanding(looks, 365, 8);

describe('a loaded corner', () => {
	it('has no evidence before the first look', () => {
		expect(verdict()).toMatchObject({ verdict: 'none' });
	});

	it('is at its target within the tolerance, either way', () => {
		expect(verdict(look(373)).verdict).toBe('in-band');
		expect(verdict(look(357)).verdict).toBe('in-band');
		expect(verdict(look(365))).toMatchObject({ words: 'At its target', offMm: 0 });
	});

	it('says which way to bring the wheel', () => {
		expect(verdict(look(380)).words).toBe(
			'15 mm too far down: bring the wheel up before any rubber is tightened'
		);
		expect(verdict(look(350)).words).toContain('bring the wheel down');
	});

	it('that was in its band and left it has crept', () => {
		expect(verdict(look(364), look(368), look(376))).toMatchObject({
			verdict: 'crept',
			driftMm: 12,
			words: expect.stringContaining('crept 12 mm')
		});
		expect(verdict(look(364), look(376), look(366)).verdict).toBe('in-band');
	});

	it('loaded another way starts over', () => {
		expect(verdict(look(364), look(380, { method: 'on-wheels' })).verdict).toBe('out-of-band');
	});

	it('whose opposite corner moved has lifted the body', () => {
		const jacked = (oppositeNowMm: number) => look(365, { oppositeBeforeMm: 702, oppositeNowMm });
		expect(verdict(jacked(704)).verdict).toBe('in-band');
		expect(verdict(jacked(705))).toMatchObject({
			verdict: 'body-lifted',
			words: expect.stringContaining('Lower the jack')
		});
		expect(verdict(jacked(699)).verdict).toBe('body-lifted');
	});
});
