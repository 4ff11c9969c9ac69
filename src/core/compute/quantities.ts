import Joi from 'joi';
import { faulty, ok, type Result } from '../result.ts';
import {
	convert,
	dimensions,
	findUnit,
	siUnit,
	units,
	type Dimension
} from '../units/dimensions.ts';
import { parseQuantity } from '../units/parse.ts';
import { outNumber, type Computation } from './computation.ts';

interface ConvertInput {
	text?: string;
	value?: number;
	dimension: Dimension;
	from?: string;
	to?: string;
}

function convertQuantity({ text, value, dimension, from, to }: ConvertInput): Result<object> {
	const target = to === undefined ? siUnit(dimension) : findUnit(to, dimension);
	if (!target) {
		const known = units[dimension].map((unit) => unit.symbol).join(', ');
		return faulty({
			field: 'to',
			value: to,
			message: `is not a unit of ${dimension}; one of ${known}`
		});
	}
	const parsed = parseQuantity(text ?? String(value), dimension, {
		field: text === undefined ? 'value' : 'text',
		defaultUnit: from
	});
	if (!parsed.ok) return parsed;
	const { entered, unit, si } = parsed.value;
	return ok({
		value: convert(entered, findUnit(unit, dimension)!, target),
		unit: target.symbol,
		entered,
		enteredUnit: unit,
		siValue: si,
		siUnit: siUnit(dimension).symbol
	});
}

export const quantityComputations: readonly Computation[] = [
	{
		name: 'convert',
		summary: 'A quantity as people say it, in the unit asked for. Exact factors.',
		input: Joi.object({
			text: Joi.string().max(60).description('as typed, for example "14 3/8 in"'),
			value: Joi.number().min(-1e12).max(1e12),
			dimension: Joi.string()
				.valid(...dimensions)
				.required(),
			from: Joi.string().max(20).description('unit of value, or of text that names none'),
			to: Joi.string().max(20).description('unit wanted; the SI unit if absent')
		}).xor('text', 'value'),
		output: Joi.object({
			value: outNumber(),
			unit: Joi.string().required(),
			entered: outNumber(),
			enteredUnit: Joi.string().required(),
			siValue: outNumber(),
			siUnit: Joi.string().required()
		}),
		example: { text: '62 ft-lb', dimension: 'torque', to: 'N·m' },
		run: convertQuantity
	}
];
