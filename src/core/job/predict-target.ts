import {
	predictHeight,
	usualPredictUncertainty,
	type PredictHeightInput
} from '../car/predict-height.ts';
import type { HeightMeasure } from '../height/measure.ts';
import type { Result } from '../result.ts';
import { withBand } from '../uncertainty/band.ts';
import { predictionInput, type PredictionEntries } from './prediction.ts';

/** Settled height with its band; the height before is as sure as its readings. */
export function predictTarget(
	entries: PredictionEntries,
	before: HeightMeasure
): Result<{ input: PredictHeightInput; heightMm: number; expandedMm: number }> {
	const input = predictionInput(entries, before.meanMm);
	const predicted = withBand(predictHeight, input, {
		...usualPredictUncertainty(input),
		heightBeforeMm: before.standardUncertaintyMm
	});
	if (!predicted.ok) return predicted;
	const { settledHeightMm, expanded } = predicted.value;
	return {
		ok: true,
		value: { input, heightMm: settledHeightMm, expandedMm: expanded.settledHeightMm }
	};
}
