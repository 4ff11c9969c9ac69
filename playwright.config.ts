import { defineConfig } from '@playwright/test';
import { launchOptions } from './tools/browser';

/** End to end: the built application in Debian's Chromium. Each worker runs an instance of its own. */
export default defineConfig({
	testDir: 'tests/e2e',
	workers: 2,
	fullyParallel: false,
	timeout: 300_000,
	expect: { timeout: 60_000 },
	reporter: [['list']],
	use: {
		viewport: { width: 1280, height: 800 },
		locale: 'en-GB',
		// Of what hangs.
		actionTimeout: 60_000,
		// Recording every act costs a third of the run: asked for by whoever looks into a failure.
		trace: process.env.VANE_TRACE ? 'retain-on-failure' : 'off',
		launchOptions
	}
});
