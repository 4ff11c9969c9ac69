import type { Axle } from '../../../height/corners.ts';
import { withUnit, type Quantity } from '../../../units/parse.ts';
import { refuse } from '../../../problem.ts';
import { defineKind } from '../../book/kind.ts';

export const offset = defineKind<'offset', { offset: Quantity }>({
	kind: 'offset',
	name: 'Conversion to hub to arch',
	counts: 'last',
	decide({ record, command: { subject }, said }) {
		if (record.school === 'hub-to-arch') {
			throw refuse('offset', 'this job measures hub to arch; there is nothing to convert');
		}
		const data = { offsetMm: said.offset.si, entered: withUnit(said.offset) };
		return [{ kind: 'offset', subject, data }];
	},
	apply(record, { subject, data }) {
		record.offsets[subject as Axle] = data;
	},
	words: ({ entered }, { subject }) => `${subject} axle: hub to arch = reading + ${entered}`
});
