import { withUnit, type Quantity } from '../../../units/parse.ts';
import { Problem, refuse } from '../../../problem.ts';
import { defineKind } from '../../book/kind.ts';

interface Said {
	odometer?: Quantity | '' | null;
	torque: Quantity;
	found: 'held' | 'moved';
	note: string;
}

/** Wheel fasteners checked after the first kilometres: the job is signed by then. */
export const retorque = defineKind<'retorque', Said>({
	kind: 'retorque',
	name: 'Wheels checked',
	counts: 'every',
	afterSigning: true,
	decide({ record, command: { subject }, said }) {
		if (!record.signedAt) {
			throw new Problem(
				409,
				'This job is not signed yet: its wheels are torqued in the job itself.'
			);
		}
		const { odometer, found, note } = said;
		if (odometer && record.odometerKm !== null && odometer.si < record.odometerKm) {
			throw refuse(
				'odometer',
				`is less than when the job was opened (${record.odometerEntered ?? record.odometerKm})`,
				odometer.text
			);
		}
		const data = {
			odometerKm: odometer ? odometer.si : null,
			odometerEntered: odometer ? withUnit(odometer) : null,
			torqueNm: said.torque.si,
			entered: withUnit(said.torque),
			found,
			note
		};
		return [{ kind: 'retorque', subject, data }];
	},
	apply(record, { id, data, personId, enteredAt }) {
		record.retorques.push({ id, ...data, personId, takenAt: enteredAt });
	},
	words: ({ found, entered, note }) =>
		`wheels checked at ${entered}: ${found === 'held' ? 'all held' : 'some moved'}${note ? ` (${note})` : ''}`
});
