import { cornerNames, type Corner } from '../../../height/corners.ts';
import { loadMethodNames, type LoadMethod } from '../../../procedure/facts.ts';
import { withUnit, type Quantity } from '../../../units/parse.ts';
import { refuse } from '../../../problem.ts';
import { defineKind } from '../../book/kind.ts';

interface Said {
	method: LoadMethod;
	hubToArch: Quantity;
	oppositeBefore?: Quantity;
	oppositeNow?: Quantity;
	deviceReadingId?: string;
}

/** A look at a loaded corner; where it is jacked, with the opposite corner before and now. */
export const loading = defineKind<'loading', Said>({
	kind: 'loading',
	name: 'Loaded height',
	counts: 'every',
	decide({ record, command: { subject }, said }) {
		const corner = subject as Corner;
		if (!record.corners.includes(corner)) {
			throw refuse(
				'subject',
				`${cornerNames[corner].toLowerCase()} is not worked on in this job`,
				corner
			);
		}
		const data = {
			method: said.method,
			hubToArchMm: said.hubToArch.si,
			entered: withUnit(said.hubToArch),
			oppositeBeforeMm: said.oppositeBefore?.si ?? null,
			oppositeNowMm: said.oppositeNow?.si ?? null,
			deviceReadingId: said.deviceReadingId ?? null
		};
		return [{ kind: 'loading', subject, data }];
	},
	apply(record, { id, subject, data, personId, enteredAt }) {
		record.loadings.push({ id, corner: subject as Corner, ...data, personId, takenAt: enteredAt });
	},
	words: ({ entered, method: how }, { subject }) =>
		`the loaded height at ${cornerNames[subject as Corner].toLowerCase()}, ${entered}, ${loadMethodNames[how].toLowerCase()}`
});
