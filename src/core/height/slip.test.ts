import { describe, expect, it } from 'vitest';
import { findSlip } from './slip.ts';

describe('a slip of the tape or the thumb', () => {
	it('is the reading whose digits changed places, and says what was meant', () => {
		expect(findSlip([351, 353, 532])).toMatchObject({ index: 2, mm: 532, meantMm: 352 });
		expect(findSlip([351, 531, 352])).toMatchObject({ index: 1, meantMm: 351 });
	});

	it('is said without a guess where no digits explain it', () => {
		const found = findSlip([351, 352, 452]);
		expect(found).toMatchObject({ index: 2, against: 'readings', offMm: 100.5 });
		expect(found?.meantMm).toBeUndefined();
	});

	it('is asked at the second reading already, of the one that is far from the other side', () => {
		expect(findSlip([532, 352], 350)).toMatchObject({ index: 0, meantMm: 352 });
		expect(findSlip([352, 532], 350)).toMatchObject({ index: 1, meantMm: 352 });
	});

	it('is a whole corner far from the other side', () => {
		expect(findSlip([532, 531, 532], 352)).toMatchObject({ against: 'other-side', offMm: 180 });
		expect(findSlip([532], 352)).toMatchObject({ against: 'other-side', index: 0 });
	});

	it('leaves alone what a car may really do', () => {
		expect(findSlip([352, 358, 349])).toBeUndefined();
		expect(findSlip([300, 301, 299], 352)).toBeUndefined();
		expect(findSlip([352])).toBeUndefined();
		expect(findSlip([])).toBeUndefined();
		// Three that agree with nothing: no single one is to blame.
		expect(findSlip([300, 352, 420])).toBeUndefined();
	});
});
