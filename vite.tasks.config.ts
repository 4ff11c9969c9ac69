import { defineConfig } from 'vite';

/** What runs on threads of its own is a program of its own: build/tasks/tasks.js. */
export default defineConfig({
	build: { ssr: 'src/lib/server/threads/tasks.ts', outDir: 'build/tasks', target: 'node20' }
});
