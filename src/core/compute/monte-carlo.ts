import Joi from 'joi';
import { faulty, ok, type Fault, type Result } from '../result.ts';
import { numbersOf, unknownPaths, valueAt, type Uncertainty } from '../uncertainty/band.ts';
import { finish, sampleModel } from '../uncertainty/monte-carlo.ts';
import { validate } from '../validate.ts';
import { outNumber, pathPattern, type Computation } from './computation.ts';

interface MonteCarloInput {
	computation: string;
	input: object;
	uncertainty: Uncertainty;
	results: string[];
	samples: number;
	seed: number;
}

const out = Joi.array()
	.items(
		Joi.object({
			path: Joi.string().required(),
			nominal: outNumber(),
			mean: outNumber(),
			standardDeviation: outNumber(),
			lowerBound: outNumber(),
			upperBound: outNumber(),
			histogram: Joi.array()
				.items(Joi.object({ from: outNumber(), to: outNumber(), count: outNumber() }))
				.required()
		})
	)
	.required();

/** Rows times draws of one run: some seconds' work. */
const mostDrawnRows = 400_000;

/** Monte Carlo over any of the given computations: for where a linear band does not hold. */
export function monteCarlo(models: readonly Computation[]): Computation {
	const drawn = models.filter((computation) => computation.model);
	return {
		name: 'monte-carlo',
		summary: 'Any of the computations over random draws of its uncertain inputs (JCGM 101:2008).',
		input: Joi.object({
			computation: Joi.string()
				.valid(...drawn.map(({ name }) => name))
				.required(),
			input: Joi.object().unknown().required().description('as that computation takes it'),
			uncertainty: Joi.object()
				.pattern(pathPattern, Joi.number().min(0).max(1e9))
				.min(1)
				.max(100)
				.required()
				.description('standard uncertainties by path of the input value, normal and independent'),
			results: Joi.array()
				.items(Joi.string().max(80))
				.min(1)
				.max(20)
				.unique()
				.required()
				.description('paths of the results wanted'),
			samples: Joi.number().integer().min(100).max(200_000).default(20_000),
			seed: Joi.number().integer().min(0).max(2147483647).default(1)
		}),
		output: Joi.object({ results: out, answered: outNumber(), refused: outNumber() }),
		example: {
			computation: 'predict-height',
			input: drawn.find(({ name }) => name === 'predict-height')!.example,
			uncertainty: { sprungLoadN: 150, motionRatio: 0.02, 'newSpring.rateNPerMm': 0.75 },
			results: ['settledHeightMm'],
			samples: 2000,
			seed: 1
		},
		run: (input: MonteCarloInput) => finish(steps(drawn, input)),
		steps: (input: MonteCarloInput) => steps(drawn, input)
	};
}

function* steps(
	models: readonly Computation[],
	{ computation, input, uncertainty, results, samples, seed }: MonteCarloInput
): Generator<number, Result<object>> {
	const model = models.find(({ name }) => name === computation)!;
	const under = (faults: Fault[]) =>
		faulty(...faults.map((fault) => ({ ...fault, field: `input.${fault.field}` })));
	const checked = validate<object>(model.input, input);
	if (!checked.ok) return under(checked.faults);
	const given = structuredClone(checked.value);
	const rows = (model.rows as ((input: object) => number) | undefined)?.(given) ?? 1;
	if (rows * samples > mostDrawnRows) {
		return faulty({
			field: 'samples',
			value: samples,
			message: `asks for too much at once: rows times draws must be at most ${mostDrawnRows} (here ${rows} times ${samples}); ask for fewer rows or draws`
		});
	}
	const run = model.model! as (input: object) => Result<object>;
	const nominal = run(given);
	if (!nominal.ok) return under(nominal.faults);
	const faults: Fault[] = unknownPaths(given, uncertainty);
	for (const [i, path] of results.entries()) {
		if (typeof valueAt(nominal.value, path) === 'number') continue;
		faults.push({
			field: `results.${i}`,
			value: path,
			message: `names no number of the result; known are ${[...numbersOf(nominal.value).keys()].slice(0, 30).join(', ')}`
		});
	}
	if (faults.length) return faulty(...faults);

	const places = Object.keys(uncertainty).map((path) => {
		const keys = path.split('.');
		const last = keys.pop()!;
		return {
			holder: (keys.length ? valueAt(given, keys.join('.')) : given) as Record<string, number>,
			last
		};
	});
	const wanted = results.map((path) => path.split('.'));
	const sampled = yield* sampleModel(
		(values, numbers) => {
			for (let i = 0; i < places.length; i++) places[i]!.holder[places[i]!.last] = values[i]!;
			const result = run(given);
			if (!result.ok) return false;
			for (let k = 0; k < wanted.length; k++) {
				let at: unknown = result.value;
				for (const key of wanted[k]!) at = (at as Record<string, unknown> | undefined)?.[key];
				numbers[k] = typeof at === 'number' ? at : NaN;
			}
			return true;
		},
		results.length,
		Object.entries(uncertainty).map(([path, u]) => ({
			value: valueAt(checked.value, path) as number,
			u
		})),
		{ samples, seed, chunk: 1000 }
	);
	if (!sampled.ok) return sampled;
	const { distributions, answered, refused } = sampled.value;
	return ok({
		results: results.map((path, i) => ({
			path,
			nominal: valueAt(nominal.value, path),
			...distributions[i]!
		})),
		answered,
		refused
	});
}
