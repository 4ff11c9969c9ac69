/** `./vane compute NAME`: one computation from standard input to standard output, nothing else started. */
import { readFileSync } from 'node:fs';
import { compute, computations, findComputation } from '../../src/core/compute.ts';
import { faultLine } from '../../src/core/validate.ts';

const maxBytes = 64 * 1024 * 1024;

export function run(args: string[]): void {
	const [first, second] = args;
	if (first === '--list') {
		for (const { name, summary } of computations) console.log(`${name.padEnd(18)} ${summary}`);
		return;
	}
	const name = first === '--example' ? second : first;
	const computation = name ? findComputation(name) : undefined;
	if (!computation) {
		const names = computations.map((c) => c.name).join(', ');
		return refuse([
			name
				? `NAME: there is no computation '${name}'; one of ${names}`
				: `NAME: is missing; one of ${names}`
		]);
	}
	if (first === '--example') {
		console.log(JSON.stringify(computation.example, null, 2));
		return;
	}
	const text = readFileSync(0);
	if (text.length > maxBytes) return refuse([`input: larger than ${maxBytes >> 20} MiB`]);
	let input: unknown;
	try {
		input = JSON.parse(text.toString('utf8'));
	} catch (error) {
		return refuse([`input: is not JSON (${(error as Error).message})`]);
	}
	const result = compute(computation, input);
	if (result.ok) console.log(JSON.stringify(result.value, null, 2));
	else refuse(result.faults.map(faultLine));
}

function refuse(lines: string[]): void {
	for (const line of lines) console.error(line);
	process.exitCode = 2;
}
