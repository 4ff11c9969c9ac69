import Joi from 'joi';
import { corners, type PerCorner } from '../height/corners.ts';
import { faulty, type Result } from '../result.ts';
import { numbersOf, withBand, type Uncertainty } from '../uncertainty/band.ts';

/** One named computation: the same for the shell, HTTP and workers. */
export interface Computation {
	name: string;
	summary: string;
	input: Joi.ObjectSchema;
	output: Joi.ObjectSchema;
	/** An input that works. */
	example: Record<string, unknown>;
	run(input: never): Result<object>;
	/** The result alone, without bands: for Monte Carlo. Absent where draws make no sense. */
	model?(input: never): Result<object>;
	/** Standard uncertainties that are taken when the input names none. */
	usualUncertainty?(input: never): Uncertainty;
	/** How many rows a valid input asks for, where that is not one. */
	rows?(input: never): number;
	/** Long work in steps: yields the share done, 0 to 1. `run` does the same at once. */
	steps?(input: never): Generator<number, Result<object>>;
}

interface Model<I, O extends object> extends Omit<
	Computation,
	'run' | 'model' | 'steps' | 'rows' | 'usualUncertainty'
> {
	run(input: I): Result<O>;
	/** Standard uncertainties that hold when the input names none: then the answer always has bands. */
	usualUncertainty?(input: I): Uncertainty;
	/** How many rows the input asks for, where that is not one. */
	rows?(input: I): number;
	/** By how much a result moves that can only move in steps; 0 where it need not. */
	step?(input: I, path: string): number;
}

/** Rows times uncertain values that a band is computed for: about a second's work. */
const mostBandWork = 20_000;

/**
 * A computation whose numbers carry a 95 % band: `uncertainty` names standard uncertainties by the path
 * of the input value, `expanded` holds the half-widths in the shape of the result.
 */
export function banded<I extends object, O extends object>(model: Model<I, O>): Computation {
	const { usualUncertainty, rows, step, ...rest } = model;
	const always = usualUncertainty !== undefined;
	return {
		...rest,
		input: model.input.keys({
			uncertainty: Joi.object()
				.pattern(pathPattern, Joi.number().min(0).max(1e9))
				.max(100)
				.description(
					`standard uncertainties by path of the input value, for example {"${examplePath(model.example)}": 1}; ${
						always ? 'usual ones are taken if absent' : 'without them the answer has no bands'
					}`
				)
		}),
		output: model.output.keys({
			expanded: Joi.object()
				.unknown()
				.description('half-width of the 95 % band of each number, in the shape of the result')
		}),
		run: (({ uncertainty, ...input }: I & { uncertainty?: Uncertainty }) => {
			const u = uncertainty ?? usualUncertainty?.(input as I);
			if (!u) return model.run(input as I);
			const work = (rows?.(input as I) ?? 1) * Object.keys(u).length;
			if (work > mostBandWork) {
				return faulty({
					field: 'uncertainty',
					value: Object.keys(u).length,
					message: `asks for bands of too much at once: rows times uncertain values must be at most ${mostBandWork} (here ${work}); ask for fewer rows, or give {} for none`
				});
			}
			return withBand(
				(given: I) => model.run(given),
				input as I,
				u,
				step && ((path) => step(input as I, path))
			);
		}) as Computation['run'],
		model: model.run as Computation['model'],
		...(always && { usualUncertainty: usualUncertainty as Computation['usualUncertainty'] }),
		...(rows && { rows: rows as Computation['rows'] })
	};
}

/** Path of a value, as `loadsN.FL`. A regular expression, so that the published schema says it too. */
export const pathPattern = /^[A-Za-z0-9:.]{1,80}$/;

const examplePath = (example: object) => [...numbersOf(example).keys()][0] ?? 'name';

/** Above nothing, up to a size that is surely a slip. */
export const positive = (most: number) => Joi.number().greater(0).max(most);
export const between = (low: number, high: number) => Joi.number().min(low).max(high);
export const lengthMm = (most = 10_000) => positive(most).required();
export const outNumber = () => Joi.number().required();
export const outFlag = () => Joi.boolean().required();

export const perCornerSchema = (value: Joi.Schema) =>
	Joi.object(Object.fromEntries(corners.map((corner) => [corner, value])) as PerCorner<Joi.Schema>);
export const axlesSchema = (value: Joi.Schema) => Joi.object({ front: value, rear: value });

/**
 * A list of numbers, with how many it may hold. The first number outside the range is named; with each
 * of them named, a long list of them would drown the answer.
 */
export const numbers = (least: number, most: number, low = -1e9, high = 1e9) =>
	Joi.array()
		.items(Joi.number())
		.min(least)
		.max(most)
		.custom((list: number[], helpers) => {
			const at = list.findIndex((value) => Number.isFinite(value) && (value < low || value > high));
			return at < 0
				? list
				: helpers.message({
						custom: `holds ${list[at]} at place ${at}; from ${low} to ${high} is possible`
					});
		})
		.required();
