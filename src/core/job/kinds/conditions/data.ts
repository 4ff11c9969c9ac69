import type { HeightSet } from '../../model.ts';

/** Subject the phase. */
export type Data = HeightSet;
