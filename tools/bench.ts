/**
 * `npm run bench`: how fast the core is, as ratios in one run, written to docs/benchmarks.md. The machine
 * it runs on is shared, so each figure is the median of many runs and says little beyond this run.
 */
import { chromium } from '@playwright/test';
import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { mkdtempSync, chmodSync, rmSync, writeFileSync } from 'node:fs';
import { cpus, tmpdir } from 'node:os';
import { join } from 'node:path';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { loadDemo } from '../demo/load.ts';
import { people } from '../demo/shop.ts';
import { collarPlan } from '../src/core/car/collar-plan.ts';
import { fourCorner } from '../src/core/car/four-corner.ts';
import { findComputation } from '../src/core/compute.ts';
import { torqueTrace } from '../src/core/fastener/trace/read.ts';
import { buildMechanism } from '../src/core/mechanism/mechanism.ts';
import { sampleCorners } from '../src/core/mechanism/samples.ts';
import { layouts } from '../src/core/layout/catalogue.ts';
import type { Layout } from '../src/core/layout/types.ts';
import { cornerSweep } from '../src/core/mechanism/sweep.ts';
import { bounce } from '../src/core/ride/bounce.ts';
import { timedCar } from '../src/core/schedule/cars.ts';
import { expectedMinutes, timeline, type TimedCar } from '../src/core/schedule/timeline.ts';
import { finish } from '../src/core/uncertainty/monte-carlo.ts';
import { stepMinutes } from '../src/core/work/minutes.ts';
import { workOrder } from '../src/core/work/order.ts';
import { usualStrategy, type WorkScope } from '../src/core/work/scope.ts';
import { migrate } from '../src/lib/server/db/migrate.ts';
import { openDatabase } from '../src/lib/server/db/pool.ts';
import { launchOptions } from './browser.ts';
import { dragging, draws, jobUrls, percentile, slower, slowPage, typing } from './feel.ts';
import { startApplication } from './application.ts';
import { buildIfChanged } from './build.ts';
import { freePort, startDatabase } from './database.ts';
import { keyFolder } from './settings.ts';
import { root } from './system.js';

const corner = sampleCorners['double-wishbone'];
const bumpMm = Array.from({ length: 201 }, (_, i) => -80 + i * 0.8);

/** Median time of a run, ms, after a warm-up. */
function median(run: () => unknown, runs: number, each = 1): number {
	for (let i = 0; i < Math.max(3, (runs * each) / 5); i++) run();
	const times = Array.from({ length: runs }, () => {
		const started = performance.now();
		for (let i = 0; i < each; i++) run();
		return (performance.now() - started) / each;
	});
	return times.sort((a, b) => a - b)[runs >> 1]!;
}

/** The same corner as a general package sees it: six unknowns, lengths of five rods and the height. */
function generalSweep(): number {
	const p = corner.points as Record<string, [number, number, number]>;
	const c = corner.wheelCentre;
	const rods = [
		['lowerFrontPivot', 'lowerBallJoint'],
		['lowerRearPivot', 'lowerBallJoint'],
		['upperFrontPivot', 'upperBallJoint'],
		['upperRearPivot', 'upperBallJoint'],
		['tieRodInner', 'tieRodOuter']
	].map(([a, b]) => {
		const [from, to] = [p[a!]!, p[b!]!];
		return {
			from,
			arm: to.map((v, i) => v - c[i]!) as [number, number, number],
			length: Math.hypot(...to.map((v, i) => v - from[i]!))
		};
	});
	const place = ([x, y, z, a, b, g]: number[], v: readonly [number, number, number]) => {
		const [sa, ca, sb, cb, sg, cg] = [a!, b!, g!].flatMap((t) => [Math.sin(t), Math.cos(t)]) as [
			number,
			number,
			number,
			number,
			number,
			number
		];
		const x1 = cg * v[0] - sg * v[1];
		const y1 = sg * v[0] + cg * v[1];
		const x2 = cb * x1 + sb * v[2];
		const z2 = cb * v[2] - sb * x1;
		return [c[0] + x! + x2, c[1] + y! + ca * y1 - sa * z2, c[2] + z! + sa * y1 + ca * z2];
	};
	const index = [0, 1, 2, 3, 4, 5];
	let worst = 0;
	for (const way of [bumpMm.filter((b) => b >= 0), bumpMm.filter((b) => b < 0).reverse()]) {
		let parameters = [0, 0, 0, 0, 0, 0];
		for (const bump of way) {
			const residual = (u: number[]) => (i: number) => {
				if (i === 5) return u[2]! - bump;
				const { from, arm, length } = rods[i]!;
				return Math.hypot(...place(u, arm).map((v, k) => v - from[k]!)) - length;
			};
			const fit = levenbergMarquardt({ x: index, y: index.map(() => 0) }, residual, {
				initialValues: parameters,
				damping: 1e-3,
				gradientDifference: 1e-6,
				centralDifference: true,
				maxIterations: 20,
				errorTolerance: 1e-14
			});
			parameters = fit.parameterValues;
			worst = Math.max(worst, fit.parameterError);
		}
	}
	return worst;
}

/** Bytes by which the heap grows for each posture when no rows are kept. */
function bytesPerPosture(): number {
	setFlagsFromString('--expose-gc');
	const collect = runInNewContext('gc') as () => void;
	const built = buildMechanism(corner);
	if (!built.ok) throw new Error('the sample corner does not move');
	const turns = 200;
	const travel = () => {
		for (let i = 0; i < turns; i++) for (const bump of bumpMm) built.value.moveTo(bump);
	};
	for (let i = 0; i < 3; i++) travel();
	collect();
	const before = process.memoryUsage().heapUsed;
	travel();
	return Math.max(0, process.memoryUsage().heapUsed - before) / (turns * bumpMm.length);
}

const carExample = findComputation('collar-plan')!.example as never;
const standExample = findComputation('four-corner')!.example as never;

function swing() {
	const timeS = Array.from({ length: 100_000 }, (_, i) => i * 5e-5);
	const heightMm = timeS.map(
		(t, i) => 600 - 40 * Math.exp(-2.4 * t) * Math.cos(7.8 * t) + 0.2 * Math.sin(i * 1.7)
	);
	return { timeS, heightMm };
}
function pull() {
	const angleDeg = Array.from({ length: 100_000 }, (_, i) => i * 0.0025);
	const torqueNm = angleDeg.map((a, i) => 2 + Math.max(0, a - 180) * 1.5 + 0.2 * Math.sin(i));
	return { angleDeg, torqueNm, programme: { targetNm: 105, slopeNmPerDeg: 1.5 } };
}

/** What happens in pages of the demo shop: draws in the worker, a reading typed, a wheel dragged. */
async function inPages() {
	buildIfChanged();
	const folder = mkdtempSync(join(tmpdir(), 'vane-bench-'));
	chmodSync(folder, 0o755);
	const server = await startDatabase(folder);
	await migrate(server.address, join(root, 'db/migrations'));
	const db = openDatabase(server.address);
	const port = await freePort();
	const origin = `http://127.0.0.1:${port}`;
	await loadDemo(db, { folder: keyFolder(folder), origin });
	await db.close();
	const application = await startApplication(server.address, {
		folder,
		host: '127.0.0.1',
		port,
		origin,
		deviceHost: '127.0.0.1',
		devicePort: await freePort()
	});
	const browser = await chromium.launch(launchOptions);
	try {
		const context = await browser.newContext({
			baseURL: origin,
			viewport: { width: 1280, height: 800 }
		});
		const { handle, pin } = people[0]!;
		await context.request.post('/api/v1/session', { data: { handle, secret: pin } });
		const page = await context.newPage();
		// The loader of this script names functions by a helper that the page does not have.
		await page.addInitScript('globalThis.__name = (f) => f');
		await page.goto('/workbench/heights');
		await page.getByRole('region', { name: 'Results' }).locator('dd').first().waitFor();
		const drawn = await draws(page);
		const jobs = await jobUrls(context);
		const keys = await typing(await slowPage(context, `${jobs('2026-0260')}/measure?corner=RR`));
		const frames = await dragging(await slowPage(context, `${jobs('2026-0257')}/set?of=FL`));
		return { drawn, keys, frames };
	} finally {
		await browser.close();
		await application.stop();
		await server.stop();
		rmSync(folder, { recursive: true, force: true });
	}
}

/** A car whose dampers and springs are renewed, both sides together, two people on it. */
function twoPeople(layout: Layout): TimedCar {
	const [axle] = layout.axles;
	const scope: WorkScope = {
		axles: { [axle!]: { damper: true, spring: true, bushes: false } },
		corners: axle === 'front' ? ['FL', 'FR'] : ['RL', 'RR'],
		layouts: { front: layout, rear: layout },
		strategy: { ...usualStrategy, sides: 'together', people: 2 },
		rust: 'light'
	};
	const order = workOrder(scope);
	return timedCar(layout.key, order, stepMinutes(order.steps, scope), 2);
}

/** Search and list schedules of one car of each layout, and a day of two of them on one lift. */
function schedules() {
	const solve = (cars: readonly TimedCar[], bays: number) => {
		const started = performance.now();
		const input = { cars, people: 2, lifts: 1, bays, samples: 100, seed: 1 };
		const answer = finish(timeline(input));
		if (!answer.ok) throw new Error('a car cannot be scheduled');
		return { ms: performance.now() - started, ...answer.value };
	};
	const cars = layouts.map(twoPeople);
	const alone = cars.map((car) => solve([car], 1));
	const started = performance.now();
	const quick = cars.map(expectedMinutes);
	const quickMs = (performance.now() - started) / cars.length;
	const longer = quick.map((minutes, i) => minutes / alone[i]!.makespanMin - 1);
	const gaps = alone.map(({ makespanMin, lowerBoundMin }) => makespanMin / lowerBoundMin - 1);
	const day = solve([cars[0]!, cars.find(({ id }) => id === 'multi-link-rear')!], 2);
	return {
		searchMs: alone.map(({ ms }) => ms).sort((a, b) => a - b)[alone.length >> 1]!,
		proven: alone.filter(({ proven }) => proven).length,
		worstGap: Math.max(...gaps),
		quickMs,
		longest: Math.max(...longer),
		same: longer.filter((share) => share < 1e-6).length,
		day
	};
}

const plans = schedules();
const sweepMs = median(() => cornerSweep(corner, bumpMm), 200);
const generalMs = median(generalSweep, 5);
const standUs = 1000 * median(() => fourCorner(standExample), 100, 100);
const planMs = median(() => collarPlan(carExample), 200);
const trace = swing();
const bounceMs = median(() => bounce(trace), 20);
const tightening = pull();
const traceMs = median(() => torqueTrace(tightening), 20);
const bytes = bytesPerPosture();
const pages = await inPages();

const rows = [
	[
		'double wishbone, 201 postures',
		`${sweepMs.toFixed(2)} ms`,
		'under 4 ms',
		`${(generalMs / sweepMs).toFixed(0)} times faster than ml-levenberg-marquardt on the same rods (${generalMs.toFixed(0)} ms)`
	],
	[
		'garbage per posture beyond the rows',
		`${bytes.toFixed(0)} bytes`,
		'none',
		`boxed numbers of calls the engine does not inline; no object or array is made; ${200 * bumpMm.length} postures`
	],
	[
		'four corners forward',
		`${standUs.toFixed(1)} µs`,
		'under 20 µs',
		`${((1000 * planMs) / standUs).toFixed(0)} of them in a collar plan’s time`
	],
	['collar plan', `${planMs.toFixed(2)} ms`, 'under 5 ms', ''],
	[
		'bounce trace, 100 000 points',
		`${bounceMs.toFixed(1)} ms`,
		'under 100 ms',
		`${(bounceMs / sweepMs).toFixed(1)} sweeps`
	],
	[
		'torque trace, 100 000 points',
		`${traceMs.toFixed(1)} ms`,
		'under 100 ms',
		`${(traceMs / sweepMs).toFixed(1)} sweeps`
	],
	[
		`two people on one car, ${layouts.length} layouts`,
		`${(plans.searchMs / 1000).toFixed(1)} s`,
		'',
		`${plans.proven} proven shortest; the others within ${(100 * plans.worstGap).toFixed(0)} % of a bound`
	],
	[
		'the same by list schedules alone, on the server',
		`${plans.quickMs.toFixed(0)} ms`,
		'under 20 ms',
		`as short in ${plans.same} of ${layouts.length}, at most ${(100 * plans.longest).toFixed(1)} % longer`
	],
	[
		'a day of two cars, two people, one lift',
		`${(plans.day.ms / 1000).toFixed(1)} s`,
		'',
		`${plans.day.makespanMin.toFixed(0)} min, ${plans.day.proven ? 'proven shortest' : `no plan under ${plans.day.lowerBoundMin.toFixed(0)}`}`
	],
	[
		'100 000 draws of a predicted height, in the page’s worker',
		`${pages.drawn.ms.toFixed(0)} ms`,
		'under 1 s',
		`${pages.drawn.frames} frames meanwhile, the longest ${pages.drawn.longestMs.toFixed(0)} ms; idle page ${pages.drawn.idleMs.toFixed(0)} ms a frame`
	],
	[
		`a height typed, device ${slower} times slower`,
		`${percentile(pages.keys, 0.95).toFixed(0)} ms`,
		'under 50 ms',
		`from key to frame, 95 in 100 of ${pages.keys.length} keys; half within ${percentile(pages.keys, 0.5).toFixed(0)} ms`
	],
	[
		`the wheel dragged, device ${slower} times slower`,
		`${((1000 * pages.frames.length) / pages.frames.reduce((sum, ms) => sum + ms, 0)).toFixed(0)} frames/s`,
		'50 and more',
		`${pages.frames.length} frames, 95 in 100 within ${percentile(pages.frames, 0.95).toFixed(0)} ms`
	]
];
const table = [
	'| what | measured | wanted | beside it, in the same run |',
	'| --- | --- | --- | --- |',
	...rows.map((row) => `| ${row.join(' | ')} |`)
].join('\n');
const text = `# Benchmarks

\`npm run bench\` measures and writes this page. Medians of repeated runs after a warm-up, Node ${process.version}, ${cpus().length} × ${cpus()[0]!.model.trim()}; the machine is shared, so read the ratios first.

${table}

The general package gets the same corner as six unknowns with five rod lengths and the height, each posture started from the one before, until the lengths are right to about 1e-6 mm. The draws are measured in headless Chromium from the press of the button to the answer on the page.
`;
writeFileSync(join(root, 'docs/benchmarks.md'), text);
console.log(table);
