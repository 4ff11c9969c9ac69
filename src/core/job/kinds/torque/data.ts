import type { Torque } from '../../model.ts';

/** Subject the joint's id. */
export type Data = Omit<
	Torque,
	'id' | 'jointId' | 'skipReason' | 'correctsId' | 'personId' | 'takenAt'
>;
