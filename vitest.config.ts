import { svelte } from '@sveltejs/vite-plugin-svelte';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const alias = {
	$core: fileURLToPath(new URL('src/core', import.meta.url)),
	$lib: fileURLToPath(new URL('src/lib', import.meta.url))
};

const app = fileURLToPath(new URL('tests/client/app.ts', import.meta.url));

/** Ends what hangs; no test passes or fails by how fast the machine is. */
const hangMs = 300_000;

/**
 * Three suites: unit (no database, published sources among them), client (what runs in a page, with a
 * simulated browser around it), integration (real MariaDB).
 */
export default defineConfig({
	test: {
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
					testTimeout: hangMs,
					// Pure functions: nothing of one file can reach another, and imports outweigh the tests.
					isolate: false
				}
			},
			{
				plugins: [svelte()],
				resolve: {
					alias: { ...alias, '$app/state': app, '$app/navigation': app },
					conditions: ['browser']
				},
				test: {
					name: 'client',
					environment: 'happy-dom',
					include: ['src/**/*.svelte.test.ts'],
					testTimeout: hangMs
				}
			},
			{
				resolve: { alias },
				test: {
					name: 'integration',
					include: ['tests/integration/**/*.test.ts'],
					globalSetup: ['tests/integration/database.ts'],
					testTimeout: hangMs,
					hookTimeout: hangMs
				}
			}
		]
	}
});
