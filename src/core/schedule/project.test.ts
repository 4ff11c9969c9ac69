import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { finish } from '../uncertainty/monte-carlo';
import { solveProject, type Project, type Schedule, type Task } from './project';

const solve = (project: Project): Schedule => finish(solveProject(project));

/** What a schedule breaks: nothing, if it is one. */
function broken({ tasks, capacity }: Project, { starts }: Schedule): string[] {
	const at = new Map(tasks.map(({ id }, i) => [id, starts[i]!]));
	const faults: string[] = [];
	for (const [i, task] of tasks.entries()) {
		for (const id of task.after) {
			const earlier = tasks.find((one) => one.id === id)!;
			if (at.get(id)! + earlier.minutes > starts[i]! + 1e-6) faults.push(`${task.id} before ${id}`);
		}
		for (const [name, most] of Object.entries(capacity)) {
			const used = tasks.reduce((sum, other, j) => {
				const runs =
					starts[j]! <= starts[i]! + 1e-9 && starts[j]! + other.minutes > starts[i]! + 1e-9;
				return sum + (runs ? (other.needs[name] ?? 0) : 0);
			}, 0);
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

describe('the scheduler', { timeout: 60_000 }, () => {
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
	});
});
