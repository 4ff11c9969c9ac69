import { fileURLToPath } from 'node:url';
import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vite';

/** Modules that nearly every page has; a table's parts are the library's heaviest. */
const inEveryPage =
	/preload-helper|node_modules\/(svelte|@sveltejs|clsx|devalue|tailwind|flowbite-svelte\/dist\/(?!table|forms\/checkbox)|idb-keyval|uuid|date-fns|@date-fns)|src\/lib\/client\/(api|outbox|refresh|photo-box|drafts|device|units|first-answers|away|later)|src\/lib\/ui\/(controls\/(?!DataTable|Tick)|status\/|frame\/)|src\/core\/(units|result|height\/corners|procedure\/stages|problem|job\/model)/;

export default defineConfig({
	plugins: [tailwindcss(), sveltekit()],
	// The package's own modules, of which only the decompositions that are used are shipped.
	resolve: {
		alias: {
			'ml-matrix': fileURLToPath(
				import.meta.resolve('ml-matrix').replace('/matrix.mjs', '/src/index.js')
			),
			// Without its resolver of conflicting classes: what our controls say is marked as important instead.
			'tailwind-variants': 'tailwind-variants/lite'
		}
	},
	worker: { format: 'es' },
	build: {
		chunkSizeWarningLimit: 900,
		modulePreload: {
			polyfill: false,
			resolveDependencies: (_, deps) => deps.filter((dep) => dep.endsWith('.css'))
		},
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
						// Few files: what nearly every page has, what computes and draws, a job, and each page's own.
						codeSplitting: {
							groups: [
								{ name: 'page', test: inEveryPage, minShareCount: 8, priority: 3 },
								{
									name: 'scales',
									test: /node_modules\/(d3-(scale|interpolate|color|format|time(?!r))|internmap)/,
									minShareCount: 2,
									priority: 3
								},
								{
									name: 'drawn',
									test: /src\/lib\/ui\/(chart|rack\/ListenTo)|device-desk/,
									minShareCount: 3
								},
								{
									name: 'corner',
									test: /src\/lib\/ui\/corner\/(Corner|view|drag)/,
									minShareCount: 3
								},
								{
									name: 'lines',
									test: /node_modules\/d3-(path|polygon)/,
									minShareCount: 2,
									priority: 2
								},
								{
									name: 'charted',
									test: /node_modules\/d3-(shape|array)/,
									minShareCount: 2,
									priority: 2
								},
								{
									name: 'computed',
									test: /node_modules\/comlink|src\/lib\/client\/(live|run|compute)\./,
									minShareCount: 2,
									priority: 2
								},
								{
									name: 'dates',
									test: /date-fns\/(startOfDay|addMonths|formatISO|differenceInCalendarDays|_lib\/addLeadingZeros)/,
									minShareCount: 2,
									priority: 4
								},
								{
									name: 'fastened',
									test: /src\/core\/job\/turn|src\/lib\/ui\/(joints\/(HardwareEntry|step-words|joint-words)|controls\/NumberEntry)/,
									minShareCount: 2,
									priority: 0
								},
								{
									name: 'job',
									test: /src\/core\/|ml-matrix|src\/lib\/client\/job-state/,
									minShareCount: 7,
									priority: 1
								}
							]
						}
					}
				}
			}
		}
	}
});
