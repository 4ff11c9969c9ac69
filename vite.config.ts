import { fileURLToPath } from 'node:url';
import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vite';

const inEveryPage =
	/preload-helper|node_modules\/(svelte|@sveltejs|clsx|devalue|tailwind|flowbite|@lucide|idb-keyval|uuid|date-fns|@date-fns)|src\/lib\/client\/(api|outbox|refresh|photo-box|drafts|device|units|live|away)|src\/lib\/ui\/(controls|status|frame)\/|src\/core\/(units|result|height\/corners|procedure\/stages|problem|job\/model)/;

export default defineConfig({
	plugins: [tailwindcss(), sveltekit()],
	// The package's own modules, of which only the decompositions that are used are shipped.
	resolve: {
		alias: { 'ml-matrix': fileURLToPath(import.meta.resolve('ml-matrix').replace('/matrix.mjs', '/src/index.js')) }
	},
	worker: { format: 'es' },
	build: {
		chunkSizeWarningLimit: 900,
		rolldownOptions: {
			treeshake: {
				// Its components import each other through one list; only those that are drawn are shipped.
				moduleSideEffects: [{ test: /node_modules\/flowbite-svelte\//, sideEffects: false }]
			}
		}
	},
	environments: {
		client: {
			build: {
				rolldownOptions: {
					output: {
						// Few files: what nearly every page has, what the pages of a job have, and each page's own.
						codeSplitting: {
							groups: [
								{ name: 'page', test: inEveryPage, minShareCount: 9, priority: 3 },
								{ name: 'd3', test: /node_modules\/(d3|internmap|delaunator|robust)/, minShareCount: 2, priority: 2 },
								{ name: 'job', test: /src\/core\/|ml-matrix|src\/lib\/client/, minShareCount: 9, priority: 1 }
							]
						}
					}
				}
			}
		}
	}
});
