import type { Retorque } from '../../model.ts';

/** Subject `car`: wheel fasteners checked again after the first kilometres. */
export type Data = Omit<Retorque, 'id' | 'personId' | 'takenAt'>;
