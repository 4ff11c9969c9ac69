/**
 * `npm run coverage-of-bands`: how often the truth lies inside each band, drawn many times by the stated
 * uncertainties; the table goes into docs/references.md. Minutes, so no part of the tests.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { BushSetInput } from '../src/core/bush/set.ts';
import { computations, findComputation } from '../src/core/compute.ts';
import {
	coverageOf,
	coverageOfAcceleration,
	coverageOfBounce,
	coverageOfBushSet,
	coverageOfHeights,
	type Coverage
} from '../src/core/compute/coverage.testing.ts';
import { coverageOfRubber } from '../src/core/job/rubber.testing.ts';
import { root } from './system.js';

const [cases, seed] = [2000, 2026];
const percent = (share: number) => `${(100 * share).toFixed(1)} %`;

function row({ name, cases: of, inside }: Coverage): string {
	const shares = [...inside.values()].sort((a, b) => a - b);
	const worst = [...inside].reduce((a, b) => (b[1] < a[1] ? b : a));
	const middle = shares[Math.floor(shares.length / 2)]!;
	return `| \`${name}\` | ${shares.length} | ${of} | ${percent(middle)} | ${percent(worst[1])} (\`${worst[0]}\`) | ${percent(shares.at(-1)!)} |`;
}

const found: Coverage[] = [];
for (const computation of computations) {
	if (!computation.model) continue;
	const coverage = coverageOf(computation, cases, seed);
	if (coverage.inside.size === 0) continue;
	found.push(coverage);
	console.log(row(coverage));
}
found.push(
	coverageOfHeights(cases, seed),
	coverageOfBounce(cases / 4, seed),
	coverageOfAcceleration(cases / 4, seed),
	coverageOfBushSet(findComputation('bush-set')!.example as unknown as BushSetInput, cases, seed),
	coverageOfRubber(cases / 2, seed)
);
const table = [
	'| computation | numbers | cases | middle | least | most |',
	'| --- | ---: | ---: | ---: | --- | ---: |',
	...found.map(row)
].join('\n');
const file = join(root, 'docs/references.md');
const text = readFileSync(file, 'utf8');
const [begin, end] = ['<!-- coverage -->', '<!-- end of coverage -->'];
const head = text.slice(0, text.indexOf(begin) + begin.length);
writeFileSync(file, `${head}\n\n${table}\n\n${text.slice(text.indexOf(end))}`);
