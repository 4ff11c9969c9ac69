import { svelte } from '@sveltejs/vite-plugin-svelte';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const alias = {
	$core: fileURLToPath(new URL('src/core', import.meta.url)),
	$lib: fileURLToPath(new URL('src/lib', import.meta.url))
};

const app = fileURLToPath(new URL('tests/client/app.ts', import.meta.url));
/** A page's modules, without a page. */
const inPage = {
	plugins: [svelte()],
	resolve: {
		alias: { ...alias, '$app/state': app, '$app/navigation': app, '$app/environment': app },
		conditions: ['browser']
	}
};

/** Ends what hangs; no test passes or fails by how fast the machine is. */
const hangMs = 300_000;

/**
 * Four suites: unit (no database, published sources among them), client (what runs in a page, with a
 * simulated browser around it), components (rendered in it), integration (real MariaDB).
 */
export default defineConfig({
	test: {
		maxWorkers: 2,
		projects: [
			{
				resolve: { alias },
				test: {
					name: 'unit',
					include: [
						'src/**/*.test.ts',
						'tools/**/*.test.ts',
						'devices/**/*.test.ts',
						'tests/conformance/**/*.test.ts'
					],
					exclude: ['src/**/*.svelte.test.ts'],
					setupFiles: ['src/core/layout/catalogue.ts', 'src/core/job/book/deciders.ts'],
					testTimeout: hangMs,
					// Pure functions: nothing of one file can reach another, and imports outweigh the tests.
					isolate: false
				}
			},
			{
				...inPage,
				test: {
					name: 'client',
					environment: 'happy-dom',
					include: ['src/lib/client/**/*.svelte.test.ts'],
					setupFiles: ['src/core/layout/catalogue.ts', 'src/core/job/book/deciders.ts'],
					testTimeout: hangMs
				}
			},
			{
				...inPage,
				test: {
					name: 'components',
					environment: 'happy-dom',
					include: ['src/lib/ui/**/*.svelte.test.ts'],
					setupFiles: [
						'src/core/layout/catalogue.ts',
						'src/core/job/book/deciders.ts',
						'tests/client/screen.ts'
					],
					testTimeout: hangMs,
					// One set of surroundings for all; what they import outweighs them.
					isolate: false
				}
			},
			{
				resolve: { alias },
				test: {
					name: 'integration',
					include: ['tests/integration/**/*.test.ts'],
					setupFiles: ['src/core/layout/catalogue.ts', 'src/core/job/book/deciders.ts'],
					globalSetup: ['tests/integration/database.ts'],
					testTimeout: hangMs,
					hookTimeout: hangMs,
					expect: { poll: { timeout: hangMs } },
					// Each file has a database of its own, and modules keep nothing of one.
					isolate: false
				}
			}
		]
	}
});
