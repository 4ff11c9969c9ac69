import type { Target } from '../../model.ts';

/** Subject the corner. A height of null goes back to the default. */
export type Data = Omit<Target, 'corner' | 'heightMm'> & { heightMm: number | null };
