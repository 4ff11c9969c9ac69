import { cornerNames, type Corner } from '../../../height/corners.ts';
import { checkHeight, schools, type SchoolKey } from '../../../height/schools.ts';
import { withUnit, type Quantity } from '../../../units/parse.ts';
import { invalid, refuse } from '../../../problem.ts';
import { defineKind } from '../../book/kind.ts';
import type { Phase } from '../../model.ts';

interface Said {
	phase: Phase;
	school: SchoolKey;
	height?: Quantity;
	standing?: number;
	withdraw?: boolean;
}

export const reading = defineKind<'reading', Said>({
	kind: 'reading',
	name: 'Height reading',
	counts: 'every',
	decide({ record, command: { subject, corrects }, said }) {
		const { height, withdraw = false } = said;
		if (said.school !== record.school) {
			throw refuse(
				'school',
				`this job measures ${schools[record.school].name.toLowerCase()}; a height of another school is not mixed in`,
				said.school
			);
		}
		if (height) {
			const possible = checkHeight('height', height, record.school);
			if (!possible.ok) throw invalid(possible.faults);
		}
		if (withdraw && !corrects) throw refuse('corrects', 'say which reading is withdrawn');
		if (corrects) {
			const corrected = record.readings.find(({ id }) => id === corrects);
			if (corrected?.phase !== said.phase || corrected.corner !== subject) {
				throw refuse('corrects', 'is not a reading of this corner', corrects);
			}
		}
		return [
			{
				kind: 'reading',
				subject,
				data: {
					phase: said.phase,
					school: said.school,
					heightMm: height?.si ?? null,
					entered: height ? withUnit(height) : 'withdrawn',
					...(said.standing !== undefined && said.standing > 1 && { standing: said.standing }),
					withdrawn: withdraw
				},
				...(corrects && { corrects })
			}
		];
	},
	apply(record, { id, subject, data, corrects, personId, enteredAt }) {
		record.readings.push({
			id,
			corner: subject as Corner,
			...data,
			correctsId: corrects,
			personId,
			takenAt: enteredAt
		});
	},
	words: ({ phase: when, entered: typed, withdrawn }, { subject, corrects }) =>
		`the height ${when} at ${cornerNames[subject as Corner].toLowerCase()}, ${withdrawn ? 'withdrawn' : typed}${corrects && !withdrawn ? ', a correction' : ''}`
});
