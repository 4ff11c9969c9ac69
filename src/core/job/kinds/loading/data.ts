import type { Loading } from '../../model.ts';

/** Subject the corner. */
export type Data = Omit<Loading, 'id' | 'corner' | 'personId' | 'takenAt'>;
