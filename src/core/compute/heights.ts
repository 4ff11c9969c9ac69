import Joi from 'joi';
import { balance } from '../height/balance.ts';
import { compareHeights } from '../height/compare.ts';
import type { PerCorner } from '../height/corners.ts';
import { faulty, ok } from '../result.ts';
import {
	axlesSchema,
	banded,
	between,
	numbers,
	outNumber,
	perCornerSchema,
	positive,
	type Computation
} from './computation.ts';

const sideVerdict = Joi.string().valid('even', 'uneven', 'needs-a-reason').required();

const standings = (of: string) =>
	Joi.array()
		.items(Joi.number().integer().min(1).max(1000))
		.description(
			`which standing each of ${of} was read at, as many: rolled and settled in between; absent: one`
		);

/** Standings are told for each reading, or for none. */
const unlike = (name: string, readings: readonly number[], at: readonly number[] = readings) =>
	at.length === readings.length
		? []
		: [
				{
					field: name,
					value: at.length,
					message: `must be as many as the readings (${readings.length})`
				}
			];

export const heightComputations: readonly Computation[] = [
	{
		name: 'height-compare',
		summary: 'Did a ride height change? Difference of two sets of readings with its 95 % interval.',
		input: Joi.object({
			beforeMm: numbers(2, 100_000),
			afterMm: numbers(2, 100_000),
			beforeStandings: standings('beforeMm'),
			afterStandings: standings('afterMm'),
			resolutionMm: between(0, 100).required(),
			repeatToleranceMm: positive(1000),
			stanceMm: between(0, 50).description(
				'standard deviation from one standing to the next; the usual 2 mm if absent'
			)
		}),
		output: Joi.object({
			meanBefore: outNumber(),
			meanAfter: outNumber(),
			differenceMm: outNumber(),
			expandedUncertaintyMm: outNumber(),
			degreesOfFreedom: outNumber(),
			verdict: Joi.string().valid('changed', 'not-shown-to-have-changed', 'read-again').required()
		}),
		example: { beforeMm: [352, 353, 352], afterMm: [366, 365, 366], resolutionMm: 1 },
		run: (input: {
			beforeMm: number[];
			afterMm: number[];
			beforeStandings?: number[];
			afterStandings?: number[];
			resolutionMm: number;
			repeatToleranceMm?: number;
			stanceMm?: number;
		}) => {
			const faults = [
				...unlike('beforeStandings', input.beforeMm, input.beforeStandings),
				...unlike('afterStandings', input.afterMm, input.afterStandings)
			];
			if (faults.length) return faulty(...faults);
			return ok(
				compareHeights(
					{ readingsMm: input.beforeMm, standings: input.beforeStandings },
					{ readingsMm: input.afterMm, standings: input.afterStandings },
					input.resolutionMm,
					{ toleranceMm: input.repeatToleranceMm, stanceMm: input.stanceMm }
				)
			);
		}
	},
	banded({
		name: 'height-balance',
		summary: 'How the body stands on four heights: sides, ends, and what no rigid body can show.',
		input: Joi.object({ heightsMm: perCornerSchema(between(-500, 2000).required()).required() }),
		output: Joi.object({
			leftMinusRightMm: axlesSchema(outNumber()).required(),
			frontMinusRearMm: outNumber(),
			warpMm: outNumber(),
			sideVerdict: axlesSchema(sideVerdict).required()
		}),
		example: { heightsMm: { FL: 362, FR: 365, RL: 371, RR: 358 } },
		run: ({ heightsMm }: { heightsMm: PerCorner<number> }) => ok(balance(heightsMm))
	})
];
