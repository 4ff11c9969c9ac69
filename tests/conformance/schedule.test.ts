/** The scheduler against problems whose shortest schedule is published. */
import { describe, expect, it } from 'vitest';
import type { Project, Task } from '../../src/core/schedule/project';
import { solveProject } from '../../src/core/schedule/solve';
import { finish } from '../../src/core/uncertainty/monte-carlo';

const solve = (project: Project) => finish(solveProject(project));

/** Machines in the order of each job, with minutes: `[machine, minutes][][]`. */
function jobShop(jobs: readonly (readonly [number, number])[][]): Project {
	const machines = Math.max(...jobs.flat().map(([machine]) => machine)) + 1;
	return {
		capacity: Object.fromEntries(Array.from({ length: machines }, (_, m) => [`m${m}`, 1])),
		tasks: jobs.flatMap((job, j) =>
			job.map(([machine, minutes], k): Task => ({
				id: `${j}.${k}`,
				minutes,
				needs: { [`m${machine}`]: 1 },
				after: k ? [`${j}.${k - 1}`] : []
			}))
		)
	};
}

describe('published schedules', () => {
	// Muth and Thompson, Industrial Scheduling (1963), the 6 × 6 job shop; shortest 55. Data from memory.
	it('finds 55 for the job shop of six by six', () => {
		const rows = [
			'2 1 0 3 1 6 3 7 5 3 4 6',
			'1 8 2 5 4 10 5 10 0 10 3 4',
			'2 5 3 4 5 8 0 9 1 1 4 7',
			'1 5 0 5 2 5 3 3 4 8 5 9',
			'2 9 1 3 4 5 5 4 0 3 3 1',
			'1 3 3 3 5 9 0 10 4 4 2 1'
		];
		const jobs = rows.map((row) => {
			const numbers = row.split(' ').map(Number);
			return Array.from({ length: 6 }, (_, k) => [numbers[2 * k]!, numbers[2 * k + 1]!] as const);
		});
		expect(solve(jobShop(jobs.map((job) => [...job]))).makespan).toBe(55);
	});

	// Graham, SIAM J. Appl. Math. 17 (1969) 416: more hands, or shorter work, can make a list longer; the
	// shortest is the list's own 12 for three, and what the longest task leaves for four. Data from memory.
	const graham = (hands: number, less: number): Project => {
		const minutes = [3, 2, 2, 2, 4, 4, 4, 4, 9];
		const after: Record<number, string[]> = {
			9: ['1'],
			5: ['4'],
			6: ['4'],
			7: ['4'],
			8: ['4']
		};
		return {
			capacity: { hands },
			tasks: minutes.map((minute, i) => ({
				id: String(i + 1),
				minutes: minute - less,
				needs: { hands: 1 },
				after: after[i + 1] ?? []
			}))
		};
	};
	it('is not caught by the list anomalies of Graham', () => {
		// A list takes 12, then 15 with a fourth hand and 13 with every task a minute shorter.
		expect(solve(graham(3, 0))).toMatchObject({ makespan: 12, proven: true });
		expect(solve(graham(4, 0))).toMatchObject({ makespan: 12, proven: true });
		expect(solve(graham(3, 1))).toMatchObject({ makespan: 10, proven: true });
	});

	// Johnson, Naval Research Logistics Quarterly 1 (1954) 61: two machines one after the other; his rule is
	// exact. The shortest is computed here by the rule itself.
	it('agrees with Johnson’s rule for two machines', () => {
		const jobs: [number, number][] = [
			[5, 2],
			[1, 6],
			[9, 7],
			[3, 8],
			[10, 4]
		];
		const first = jobs.filter(([a, b]) => a < b).sort((x, y) => x[0] - y[0]);
		const last = jobs.filter(([a, b]) => a >= b).sort((x, y) => y[1] - x[1]);
		let [one, two] = [0, 0];
		for (const [a, b] of [...first, ...last]) {
			one += a;
			two = Math.max(one, two) + b;
		}
		expect(two).toBe(30);
		const found = solve(jobShop(jobs.map(([a, b]) => [[0, a] as const, [1, b] as const])));
		expect(found).toMatchObject({ makespan: two, proven: true });
	});
});
