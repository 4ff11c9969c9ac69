import type { TrayItem } from '../../../bench/trays.ts';

/** Subject an id of its own. */
export type Data = Omit<TrayItem, 'id'> & { step: string; removed?: boolean };
