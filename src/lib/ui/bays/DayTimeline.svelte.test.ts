import { render, screen } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import { timeline, type TimedCar } from '$core/schedule/timeline';
import { finish } from '$core/uncertainty/monte-carlo';
import DayTimeline from './DayTimeline.svelte';

const car = (id: string): TimedCar => {
	const task = (name: string, after: string[], minutes: number) => ({
		id: name,
		spot: 'car',
		after,
		low: minutes,
		likely: minutes,
		high: minutes
	});
	return {
		id,
		people: 1,
		lift: { from: 'lift', until: 'ground' },
		tasks: [task('lift', [], 10), task('work', ['lift'], 30), task('ground', ['work'], 5)]
	};
};

/** The day drawn; what a reader of the page hears of it. */
function heard(people: number, lifts: number): string[] {
	const input = { cars: [car('a'), car('b')], people, lifts, bays: 2, samples: 200, seed: 1 };
	const solved = finish(timeline(input));
	if (!solved.ok) throw new Error();
	render(DayTimeline, {
		line: solved.value,
		plates: { a: 'RUD 614', b: 'PEM 847' },
		start: new Date(2026, 10, 25, 8)
	});
	return screen.getAllByRole('listitem').map((item) => item.getAttribute('aria-label')!);
}

describe('the day, drawn', () => {
	it('has a row for each person and lift, and a block for each stretch of work on one car', () => {
		expect(heard(1, 1)).toEqual([
			'Person 1, RUD 614, 08:00 to 08:45',
			'Person 1, PEM 847, 08:45 to 09:30',
			'Lift 1, RUD 614, 08:00 to 08:45',
			'Lift 1, PEM 847, 08:45 to 09:30'
		]);
	});

	it('shows cars beside each other where there are people and lifts for them', () => {
		const blocks = heard(2, 2);
		expect(blocks.filter((block) => block.endsWith('08:00 to 08:45'))).toHaveLength(4);
		expect(blocks.map((block) => block.split(',')[0])).toEqual([
			'Person 1',
			'Person 2',
			'Lift 1',
			'Lift 2'
		]);
	});
});
