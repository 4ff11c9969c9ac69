import type { Strategy } from '../../../work/scope.ts';

export type Data = Strategy;
