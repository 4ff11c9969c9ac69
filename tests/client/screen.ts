/** Every component test renders into these surroundings, made anew before each test. */
import { cleanup, configure } from '@testing-library/svelte';
import { afterEach, beforeEach, vi } from 'vitest';
import { metric } from '../../src/core/units/format';
import { momentsOf } from '../../src/core/units/moments';
import { unitsOf } from '../../src/core/units/personal';
import { page } from './app';
import { around, away, call } from './around';

// Ends what hangs; no test passes or fails by how fast a component is fetched.
configure({ asyncUtilTimeout: 60_000 });

vi.mock('$lib/client/api', async (original) => ({ ...(await original<object>()), call }));
vi.mock('$lib/client/job-state.svelte', async (original) => ({
	...(await original<object>()),
	currentJob: () => around.job
}));
vi.mock('$lib/client/units', () => ({
	personalUnits: () => unitsOf(() => around.units),
	shopTime: () => momentsOf(() => ({ timeZone: 'UTC', hours: '24' }))
}));

beforeEach(() => {
	call.mockReset().mockResolvedValue(away);
	around.job = undefined;
	around.units = metric;
	page.data = {};
});
afterEach(async () => {
	cleanup();
	// What a component began to fetch comes before its surroundings are taken down.
	await vi.dynamicImportSettled();
});
