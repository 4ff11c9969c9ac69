/** How a page feels, by the browser's own clock. */
import type { BrowserContext, Page } from '@playwright/test';

/** A device in a workshop against this one. */
export const slower = 4;

/** The value that this share of them does not exceed. */
export const percentile = (values: readonly number[], share: number): number =>
	[...values].sort((a, b) => a - b)[Math.ceil(share * values.length) - 1]!;

/** Addresses of the demo's jobs, by number. */
export async function jobUrls({ request }: BrowserContext): Promise<(number: string) => string> {
	const { jobs } = (await (await request.get('/api/v1/jobs')).json()) as {
		jobs: { id: string; number: string }[];
	};
	return (number) => `/jobs/${jobs.find((job) => job.number === number)!.id}`;
}

/** A page on a device that is slower. */
export async function slowPage(context: BrowserContext, url: string): Promise<Page> {
	const page = await context.newPage();
	// The loader of these scripts names functions by a helper that the page does not have.
	await page.addInitScript('globalThis.__name = (f) => f');
	await page.goto(url);
	await page.locator('html[data-ready]').waitFor({ state: 'attached' });
	const client = await context.newCDPSession(page);
	await client.send('Emulation.setCPUThrottlingRate', { rate: slower });
	return page;
}

/** From each key of a reading to the frame that shows it, ms; the browser tells it in steps of 8 ms. */
export async function typing(page: Page): Promise<number[]> {
	await page.evaluate(() => {
		const told: number[] = ((globalThis as unknown as { told: number[] }).told = []);
		new PerformanceObserver((list) => {
			for (const { name, duration } of list.getEntries()) if (name === 'input') told.push(duration);
		}).observe({ type: 'event', durationThreshold: 16 } as PerformanceObserverInit);
	});
	const field = page.locator('#reading');
	const keys = 120;
	for (let i = 0; i < keys; i++) {
		if (i % 3 === 0) await field.press('Control+a');
		await field.press('349'[i % 3]!);
	}
	const told = await page.evaluate(() => (globalThis as unknown as { told: number[] }).told);
	// 16 ms is the least that the browser tells of: what was faster counts as that.
	return [...told, ...Array.from({ length: keys - told.length }, () => 16)];
}

/** Between frames while the wheel is dragged up and down, ms. */
export async function dragging(page: Page): Promise<number[]> {
	const wheel = page.locator('g.cursor-ns-resize').first();
	await wheel.scrollIntoViewIfNeeded();
	const box = (await wheel.boundingBox())!;
	const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
	await page.mouse.move(x, y);
	await page.mouse.down();
	await page.evaluate(() => {
		const frames: number[] = ((globalThis as unknown as { frames: number[] }).frames = []);
		const frame = (at: number) => {
			frames.push(at);
			requestAnimationFrame(frame);
		};
		requestAnimationFrame(frame);
	});
	for (let i = 0; i < 240; i++) await page.mouse.move(x, y + 30 * Math.sin(i / 12));
	await page.mouse.up();
	const at = await page.evaluate(() => (globalThis as unknown as { frames: number[] }).frames);
	return at.slice(1).map((time, i) => time - at[i]!);
}

/** Draws of a predicted height asked for on the page, and its frames meanwhile. */
export const draws = (page: Page) =>
	page.evaluate(async () => {
		const frame = () => new Promise<number>(requestAnimationFrame);
		const gaps = async (until: () => boolean, least: number) => {
			const list: number[] = [];
			let last = await frame();
			while (!until() || list.length < least) {
				const now = await frame();
				list.push(now - last);
				last = now;
			}
			return list;
		};
		const idle = await gaps(() => true, 40);
		const started = performance.now();
		[...document.querySelectorAll('button')]
			.find((b) => b.textContent!.trim().startsWith('Draw'))!
			.click();
		const drawn = () =>
			[...document.querySelectorAll('dt')].some((dt) => dt.textContent!.startsWith('By draws'));
		const busy = await gaps(drawn, 1);
		return {
			ms: performance.now() - started,
			frames: busy.length,
			longestMs: Math.max(...busy),
			idleMs: [...idle].sort((a, b) => a - b)[idle.length >> 1]!
		};
	});
