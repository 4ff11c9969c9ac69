import { defineConfig } from 'vite';

/** What runs on threads and in processes of its own is programs of its own, under build/tasks. */
export default defineConfig({
	build: {
		ssr: true,
		outDir: 'build/tasks',
		target: 'node20',
		rollupOptions: {
			input: ['src/lib/server/threads/tasks.ts', 'src/lib/server/threads/picture.ts']
		}
	}
});
