import { defineConfig } from 'vite';

/** The server, and what it hands to threads and processes of their own: programs under build/programs. */
export default defineConfig({
	build: {
		ssr: true,
		outDir: 'build/programs',
		target: 'node20',
		rollupOptions: {
			input: [
				'src/serve.ts',
				'src/lib/server/threads/tasks.ts',
				'src/lib/server/threads/picture.ts'
			]
		}
	}
});
