import type { AxleScope } from '../../../work/scope.ts';

/** Subject the axle: what is renewed there. */
export type Data = AxleScope;
