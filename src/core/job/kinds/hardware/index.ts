import {
	hardwareNames,
	hardwarePieces,
	hardwareWords,
	leastGrip,
	oneTimePieces,
	type HardwareOutcome
} from '../../../fastener/hardware.ts';
import { withUnit, type Quantity } from '../../../units/parse.ts';
import { formatNumber } from '../../../units/format.ts';
import { refuse } from '../../../problem.ts';
import { defineKind } from '../../book/kind.ts';
import type { Joint } from '../../model.ts';
import { jointOf, jointWords } from '../torque/joint.ts';
import type { Data } from './data.ts';

interface SaidOutcome {
	done: 'renewed' | 'reused';
	reason: string;
	/** A nylon or deformed nut that is used again: what it takes to turn. */
	grip?: Quantity;
}
type Said = Partial<Record<keyof Data, SaidOutcome | null>>;

/** What became of the one-time hardware of a joint: renewed, or the old one again with a reason. */
export const hardware = defineKind<'hardware', Said>({
	kind: 'hardware',
	name: 'One-time hardware',
	counts: 'last',
	decide({ record, command, said }) {
		const joint = jointOf(record, command);
		const before = record.hardware[joint.id] ?? { fastener: null, pin: null };
		const data = { fastener: before.fastener, pin: before.pin };
		for (const piece of hardwarePieces) {
			const one = said[piece];
			if (one === undefined) continue;
			if (one && !oneTimePieces(joint).includes(piece)) {
				throw refuse(piece, `${joint.name} has no ${hardwareNames[piece].toLowerCase()} here`);
			}
			data[piece] = one && kept(joint, piece, one);
		}
		return [{ kind: 'hardware', subject: joint.id, data }];
	},
	apply(record, { subject, data, personId, enteredAt }) {
		record.hardware[subject] = { ...data, personId, saidAt: enteredAt };
	},
	words: (data, { subject }, { joints }) => {
		const said = hardwarePieces.flatMap((piece) =>
			data[piece] ? [hardwareWords(piece, data[piece])] : []
		);
		return `one-time hardware of ${jointWords(joints, subject)}: ${said.join('; ') || 'taken back'}`;
	}
});

/** An old nut that grips by its thread goes on again only where somebody has felt that it still grips. */
function kept(
	{ name, programme, thread }: Joint,
	piece: keyof Data,
	{ done, reason, grip }: SaidOutcome
): HardwareOutcome {
	if (done === 'reused' && piece === 'fastener' && programme?.prevailingNm) {
		if (!grip) {
			throw refuse(
				`${piece}.grip`,
				`${name} has a prevailing nut: turn it on its thread and type what it takes, or fit a new one`
			);
		}
		const least = leastGrip(thread);
		if (least !== undefined && grip.si < least) {
			throw refuse(
				`${piece}.grip`,
				`is less than the ${formatNumber(least, 1)} N·m that a nut on M${thread!.diameterMm} must still take: a new one`,
				withUnit(grip)
			);
		}
	}
	return {
		done,
		reason,
		gripNm: done === 'reused' && grip ? grip.si : null,
		gripEntered: done === 'reused' && grip ? withUnit(grip) : null
	};
}
