import { defineConfig } from 'vitest/config';

/** Three suites: unit (no database), conformance (published sources), integration (real MariaDB). */
export default defineConfig({
	test: {
		projects: [
			{
				test: {
					name: 'unit',
					include: ['src/**/*.test.ts', 'tools/**/*.test.ts', 'tests/conformance/**/*.test.ts']
				}
			},
			{
				test: {
					name: 'integration',
					include: ['tests/integration/**/*.test.ts'],
					globalSetup: ['tests/integration/database.ts'],
					fileParallelism: false,
					testTimeout: 60_000,
					hookTimeout: 60_000
				}
			}
		]
	}
});
