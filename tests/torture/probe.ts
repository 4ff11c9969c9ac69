/** Asks the health page every 50 ms, from a thread of its own, for as long as the torture lasts. */
import { once } from 'node:events';
import { Worker } from 'node:worker_threads';

export interface Health {
	asked: number;
	/** How many answers took longer than 100 ms. */
	over100: number;
	/** The longest an answer took, ms; of those that came. */
	worst: number;
	/** The longest that nobody answered at all, ms: while what was killed came back. */
	longestAway: number;
}

export class HealthProbe {
	readonly #worker: Worker;

	constructor(url: string) {
		this.#worker = new Worker(program, { eval: true, workerData: url });
	}

	async end(): Promise<Health> {
		this.#worker.postMessage('end');
		const [found] = (await once(this.#worker, 'message')) as [Health];
		await this.#worker.terminate();
		return found;
	}
}

const program = `
const { parentPort, workerData } = require('node:worker_threads');
let going = true;
const found = { asked: 0, over100: 0, worst: 0, longestAway: 0 };
parentPort.once('message', () => (going = false));
(async () => {
	// What this thread needs for its first request is not the server's.
	await (await fetch(workerData)).text();
	let heard = performance.now();
	while (going) {
		const asked = performance.now();
		found.asked++;
		try {
			const answer = await fetch(workerData, { headers: { connection: 'close' } });
			await answer.text();
			const now = performance.now();
			if (answer.ok) {
				if (now - asked > 100) found.over100++;
				found.worst = Math.max(found.worst, now - asked);
				found.longestAway = Math.max(found.longestAway, asked - heard);
				heard = now;
			}
		} catch {}
		await new Promise((done) => setTimeout(done, 50 - Math.min(50, performance.now() - asked)));
	}
	parentPort.postMessage(found);
})();`;
