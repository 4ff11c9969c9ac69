import type { Corner } from '../../../height/corners.ts';
import { checkHeight } from '../../../height/schools.ts';
import { invalid, refuse } from '../../../problem.ts';
import { withUnit, type Quantity } from '../../../units/parse.ts';
import type { Draft, Site } from '../../book/kind.ts';
import { predictTarget } from '../../predict-target.ts';
import { predictable, predictionEntry, type PredictionEntries } from '../../prediction.ts';
import type { JobRecord } from '../../record.ts';
import { viewJob } from '../../view.ts';
import type { Data } from './data.ts';

export interface Said {
	/** Null goes back to the default. */
	height?: Quantity | null;
	source: 'maker' | 'predicted' | 'chosen';
	prediction?: Partial<Record<keyof PredictionEntries, Quantity | number>>;
}

/** Typed and possible, or predicted from the new spring; null goes back to the default. */
export function decideTarget({ record, command: { subject }, said }: Site<Said>): Draft[] {
	const { height, source, prediction } = said;
	if (prediction) {
		const data = predicted(record, subject as Corner, prediction);
		return [{ kind: 'target', subject, data }];
	}
	if (height) {
		const possible = checkHeight('height', height, record.school);
		if (!possible.ok) throw invalid(possible.faults);
	}
	const data = {
		heightMm: height ? height.si : null,
		entered: height ? withUnit(height) : '',
		source,
		prediction: null
	};
	return [{ kind: 'target', subject, data }];
}

function predicted(
	record: JobRecord,
	corner: Corner,
	given: NonNullable<Said['prediction']>
): Data {
	const { before } = viewJob(record).corners[corner];
	if (!predictable(record.school)) {
		throw refuse('source', 'a pivot difference is not predicted: choose the target by hand');
	}
	if (!before) throw refuse('source', 'read the height before at this corner first');
	const list = Object.entries(given);
	const si = Object.fromEntries(
		list.map(([name, value]) => [name, typeof value === 'number' ? value : value.si])
	) as unknown as PredictionEntries;
	const found = predictTarget(si, before);
	if (!found.ok) {
		throw invalid(
			found.faults.map((fault) => ({
				...fault,
				field: `prediction.${predictionEntry[fault.field] ?? fault.field}`
			}))
		);
	}
	const { input, heightMm, expandedMm } = found.value;
	const typed = Object.fromEntries(
		list.map(([name, value]) => [name, typeof value === 'number' ? String(value) : withUnit(value)])
	);
	return {
		heightMm,
		entered: `${heightMm.toFixed(1)} mm`,
		source: 'predicted',
		prediction: { input, typed, expandedMm }
	};
}
