import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { finish } from '../uncertainty/monte-carlo';
import type { Project, Task } from './project';
import { solveProject, type Schedule } from './solve';

const solve = (project: Project): Schedule => finish(solveProject(project));

/** What a schedule breaks: nothing, if it is one. */
function broken({ tasks, capacity, holds = [] }: Project, { starts }: Schedule): string[] {
	const at = new Map(tasks.map(({ id }, i) => [id, starts[i]!]));
	const faults: string[] = [];
	for (const [i, task] of tasks.entries()) {
		for (const id of task.after) {
			const earlier = tasks.find((one) => one.id === id)!;
			if (at.get(id)! + earlier.minutes > starts[i]! + 1e-6) faults.push(`${task.id} before ${id}`);
		}
		for (const [name, most] of Object.entries(capacity)) {
			const now = starts[i]! + 1e-9;
			const end = (id: string) => at.get(id)! + tasks.find((one) => one.id === id)!.minutes;
			const used =
				tasks.reduce((sum, other, j) => {
					const runs = starts[j]! <= now && starts[j]! + other.minutes > now;
					return sum + (runs ? (other.needs[name] ?? 0) : 0);
				}, 0) +
				holds.filter(
					({ resource, from, until }) =>
						resource === name && at.get(from)! <= now && end(until) > now
				).length;
			if (used > most) faults.push(`${used} of ${name} at ${starts[i]}`);
		}
	}
	return faults;
}

/** Shortest of every list schedule there is: exact, and hopeless beyond a few tasks. */
function byBruteForce({ tasks, capacity }: Project): number {
	let best = Infinity;
	const at = new Map<string, number>();
	const fits = (task: Task, start: number) =>
		Object.entries(task.needs).every(([name, units]) => {
			for (let t = start; t < start + task.minutes; t++) {
				const used = tasks.reduce((sum, other) => {
					const begun = at.get(other.id);
					const runs = begun !== undefined && begun <= t && begun + other.minutes > t;
					return sum + (runs ? (other.needs[name] ?? 0) : 0);
				}, units);
				if (used > capacity[name]!) return false;
			}
			return true;
		});
	const place = () => {
		if (at.size === tasks.length) {
			best = Math.min(best, Math.max(...tasks.map((task) => at.get(task.id)! + task.minutes)));
			return;
		}
		for (const task of tasks) {
			if (at.has(task.id) || task.after.some((id) => !at.has(id))) continue;
			let start = Math.max(
				0,
				...task.after.map((id) => at.get(id)! + tasks.find((one) => one.id === id)!.minutes)
			);
			while (!fits(task, start)) start++;
			at.set(task.id, start);
			place();
			at.delete(task.id);
		}
	};
	place();
	return best;
}

/** Shortest of all schedules on whole minutes, every start of every task tried. */
function byEveryStart(project: Project, atMost: number): number {
	const { tasks } = project;
	let best = atMost;
	const starts: number[] = [];
	const endOf = (id: string) => {
		const i = tasks.findIndex((one) => one.id === id);
		return starts[i]! + tasks[i]!.minutes;
	};
	const place = (i: number) => {
		if (i === tasks.length) {
			const makespan = Math.max(...tasks.map(({ id }) => endOf(id)));
			const schedule = { starts, makespan, lowerBound: 0, proven: false };
			if (broken(project, schedule).length === 0) best = makespan;
			return;
		}
		const { after, minutes } = tasks[i]!;
		for (let t = Math.max(0, ...after.map(endOf)); t + minutes < best; t++) {
			starts[i] = t;
			place(i + 1);
		}
		starts.length = i;
	};
	place(0);
	return best;
}

describe('the scheduler', () => {
	it('is never beaten by trying every list of a small project, and breaks nothing', () => {
		const project = fc
			.array(
				fc.record({
					minutes: fc.integer({ min: 1, max: 6 }),
					people: fc.integer({ min: 0, max: 2 }),
					bench: fc.integer({ min: 0, max: 1 }),
					links: fc.array(fc.nat(5), { maxLength: 2 })
				}),
				{ minLength: 1, maxLength: 6 }
			)
			.map((list): Project => ({
				capacity: { people: 2, bench: 1 },
				tasks: list.map(({ minutes, people, bench, links }, i) => ({
					id: String(i),
					minutes,
					needs: { people, bench },
					after: [...new Set(links.filter((j) => j < i).map(String))]
				}))
			}));
		fc.assert(
			fc.property(project, (one) => {
				const schedule = solve(one);
				expect(broken(one, schedule)).toEqual([]);
				expect(schedule.proven).toBe(true);
				expect(schedule.makespan).toBe(byBruteForce(one));
			}),
			{ numRuns: 150 }
		);
	});

	it('is never beaten by trying every start, where cars hold a lift between two of their tasks', () => {
		const car = fc.tuple(
			fc.integer({ min: 1, max: 2 }),
			fc.integer({ min: 1, max: 3 }),
			fc.integer({ min: 1, max: 2 }),
			fc.boolean()
		);
		const project = fc
			.tuple(fc.array(car, { minLength: 2, maxLength: 2 }), fc.integer({ min: 1, max: 2 }))
			.map(([cars, people]): Project => {
				const task = (id: string, minutes: number, after: string[], needs = {}): Task => ({
					id,
					minutes,
					needs: { people: 1, ...needs },
					after
				});
				return {
					capacity: { people, lift: 1, bench: 1 },
					tasks: cars.flatMap(([before, up, down, bench], c) => [
						task(`${c} up`, before, []),
						task(`${c} work`, up, bench ? [] : [`${c} up`], bench ? { bench: 1 } : {}),
						task(`${c} down`, down, [`${c} up`, `${c} work`])
					]),
					holds: cars.map((_, c) => ({ resource: 'lift', from: `${c} up`, until: `${c} down` }))
				};
			});
		fc.assert(
			fc.property(project, (one) => {
				const schedule = solve(one);
				expect(broken(one, schedule)).toEqual([]);
				expect(schedule.proven).toBe(true);
				expect(byEveryStart(one, schedule.makespan)).toBe(schedule.makespan);
			}),
			{ numRuns: 100 }
		);
	});

	it('knows no schedule is shorter than cars on one lift after the other', () => {
		const cars = ['a', 'b', 'c'];
		const schedule = solve({
			capacity: { people: 3, lift: 1 },
			tasks: cars.flatMap((car): Task[] => [
				{ id: `${car} in`, minutes: 2, needs: { people: 1 }, after: [] },
				{ id: `${car} up`, minutes: 1, needs: { people: 1 }, after: [`${car} in`] },
				{ id: `${car} down`, minutes: 5, needs: { people: 1 }, after: [`${car} up`] },
				{ id: `${car} out`, minutes: 3, needs: { people: 1 }, after: [`${car} down`] }
			]),
			holds: cars.map((car) => ({ resource: 'lift', from: `${car} up`, until: `${car} down` }))
		});
		// Two minutes before, three times six on the lift, three minutes after.
		expect(schedule).toMatchObject({ makespan: 23, lowerBound: 23, proven: true });
	});

	it('comes close by lists alone', () => {
		const tasks = Array.from({ length: 24 }, (_, i): Task => ({
			id: String(i),
			minutes: 3 + ((i * 7) % 11),
			needs: { people: 1, [`spot ${i % 3}`]: 1 },
			after: i > 2 ? [String(i - 1 - (i % 3))] : []
		}));
		const project = { capacity: { people: 2, 'spot 0': 1, 'spot 1': 1, 'spot 2': 1 }, tasks };
		const [quick, best] = [
			finish(solveProject(project, 'lists')),
			finish(solveProject(project, { placed: 30_000, tries: 100_000 }))
		];
		expect(broken(project, quick)).toEqual([]);
		expect(quick.makespan).toBeGreaterThanOrEqual(best.makespan);
		expect(quick.makespan).toBeLessThan(1.1 * best.makespan);
	});

	it('takes the longest way where nothing is short', () => {
		const schedule = solve({
			capacity: { people: 9 },
			tasks: [
				{ id: 'a', minutes: 4, needs: { people: 1 }, after: [] },
				{ id: 'b', minutes: 3, needs: { people: 1 }, after: ['a'] },
				{ id: 'c', minutes: 5, needs: { people: 1 }, after: [] }
			]
		});
		expect(schedule).toMatchObject({ makespan: 7, lowerBound: 7, proven: true });
	});

	it('refuses a task that needs more than there is, and tasks that wait in a circle', () => {
		const task = (id: string, after: string[], people = 1): Task => ({
			id,
			minutes: 1,
			needs: { people },
			after
		});
		expect(() => solve({ capacity: { people: 1 }, tasks: [task('a', [], 2)] })).toThrow(/needs 2/);
		expect(() =>
			solve({ capacity: { people: 1 }, tasks: [task('a', ['b']), task('b', ['a'])] })
		).toThrow(/circle/);
		// Each is on the lift until the other has been on it.
		expect(() =>
			solve({
				capacity: { people: 1, lift: 1 },
				tasks: [task('a', []), task('b', []), task('a off', ['b']), task('b off', ['a'])],
				holds: [
					{ resource: 'lift', from: 'a', until: 'a off' },
					{ resource: 'lift', from: 'b', until: 'b off' }
				]
			})
		).toThrow(/held in a circle/);
	});
});
