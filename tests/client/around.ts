/** What is around a rendered component: the server, which tests answer for, and the page's job and units. */
import { vi } from 'vitest';
import { metric, type UnitChoice } from '../../src/core/units/format';
import type { Answer } from '../../src/lib/client/api';
import type { JobState } from '../../src/lib/client/job-state.svelte';

/** The network is gone: entries stay on this screen. */
export const away: Answer<never> = { ok: false, refusal: { status: 0, title: 'No answer' } };

/** Stands in for every call of the server's. */
export const call = vi.fn<() => Promise<Answer<unknown>>>();

export const around: { job: JobState | undefined; units: UnitChoice } = {
	job: undefined,
	units: metric
};
