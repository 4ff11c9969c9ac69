import { cornerNames, type Corner } from '../../../height/corners.ts';
import { laidAngle } from '../../../instrument/inclinometer.ts';
import { invalid, refuse } from '../../../problem.ts';
import { formatNumber } from '../../../units/format.ts';
import { withUnit, type Quantity } from '../../../units/parse.ts';
import { defineKind } from '../../book/kind.ts';
import type { Data } from './data.ts';

type Said = Omit<Data, 'hubToArchMm' | 'entered' | 'withdrawn'> & {
	hubToArch: Quantity;
	withdraw?: boolean;
};

/** An arm's angle, as a phone or an inclinometer laid on it says. */
export const armAngle = defineKind<'arm-angle', Said>({
	kind: 'arm-angle',
	name: 'Angle of an arm',
	counts: 'every',
	decide({ command: { subject, corrects }, said }) {
		const { hubToArch, readings, resolutionDeg, by, withdraw = false } = said;
		if (withdraw && !corrects) throw refuse('corrects', 'say which angle is taken back');
		const angle = laidAngle(readings, resolutionDeg);
		if (!angle.ok) throw invalid(angle.faults);
		const data: Data = {
			hubToArchMm: hubToArch.si,
			entered: withUnit(hubToArch),
			readings,
			resolutionDeg,
			by,
			withdrawn: withdraw
		};
		return [{ kind: 'arm-angle', subject, data, ...(corrects && { corrects }) }];
	},
	words({ readings, resolutionDeg, entered, withdrawn }, { subject }) {
		const [corner, arm] = subject.split('/') as [Corner, string];
		const at = `${arm} arm, ${cornerNames[corner].toLowerCase()}`;
		if (withdrawn) return `angle of the ${at}, taken back`;
		const angle = laidAngle(readings, resolutionDeg);
		const deg = angle.ok
			? `${formatNumber(angle.value.deg, 1, true)}° ± ${formatNumber(angle.value.expandedDeg, 1)}°`
			: '';
		return `${at}: ${deg} over level at ${entered} hub to arch`;
	}
});
