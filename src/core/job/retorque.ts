import { effective } from '../procedure/corrections.ts';
import type { JobRecord } from './record.ts';

/** What the wheels were torqued to, N·m: as recorded, else as specified; null where nobody has said. */
export function wheelTorqueNm({
	joints,
	torques
}: Pick<JobRecord, 'joints' | 'torques'>): number | null {
	const wheels = joints.filter((joint) => joint.kind === 'wheel');
	const ids = new Set(wheels.map((joint) => joint.id));
	const recorded = effective(torques).findLast(
		(row) => ids.has(row.jointId) && row.torqueNm !== null
	);
	return recorded?.torqueNm ?? wheels.find((joint) => joint.torqueNm !== null)?.torqueNm ?? null;
}
