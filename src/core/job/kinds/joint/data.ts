import type { Joint } from '../../model.ts';

/** Subject the joint's id. Removed: it is no joint of this job. */
export type Data = Omit<Joint, 'id'> & { removed: boolean };
