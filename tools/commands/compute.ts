/** `./vane compute NAME`: one computation from standard input to standard output, nothing else started. */
import { readFileSync } from 'node:fs';
import { compute, computations, findComputation } from '../../src/core/compute.ts';
import { faultLine } from '../../src/core/validate.ts';

const maxBytes = 64 * 1024 * 1024;

export function run(args: string[]): void {
	const answer = answerTo(args, () => readFileSync(0));
	if ('lines' in answer) for (const line of answer.lines) console.log(line);
	else {
		for (const fault of answer.faults) console.error(fault);
		process.exitCode = 2;
	}
}

/** What the shell is told: lines of an answer, or one line for each fault. */
export function answerTo(
	[first, second]: string[],
	input: () => Buffer
): { lines: string[] } | { faults: string[] } {
	if (first === '--list') {
		return { lines: computations.map(({ name, summary }) => `${name.padEnd(18)} ${summary}`) };
	}
	const name = first === '--example' ? second : first;
	const computation = name ? findComputation(name) : undefined;
	if (!computation) {
		const names = computations.map((c) => c.name).join(', ');
		const what = name ? `there is no computation '${name}'` : 'is missing';
		return { faults: [`NAME: ${what}; one of ${names}`] };
	}
	if (first === '--example') return { lines: [JSON.stringify(computation.example, null, 2)] };
	const text = input();
	if (text.length > maxBytes) return { faults: [`input: larger than ${maxBytes >> 20} MiB`] };
	let given: unknown;
	try {
		given = JSON.parse(text.toString('utf8'));
	} catch (error) {
		return { faults: [`input: is not JSON (${(error as Error).message})`] };
	}
	const result = compute(computation, given);
	return result.ok
		? { lines: [JSON.stringify(result.value, null, 2)] }
		: { faults: result.faults.map(faultLine) };
}
