/** How often a wrong PIN may be tried: after a few tries there is a wait, longer each time, for as long as they go on. */
import ipaddr from 'ipaddr.js';
import { RateLimiterMySQL, RateLimiterRes } from 'rate-limiter-flexible';
import type { Database } from '../db/pool.ts';

export interface Limit {
	/** Wrong tries until the next wait. */
	tries: number;
	/** The first wait; each one after it is twice as long, s. */
	firstWait: number;
	longestWait: number;
}

/** Waits are forgotten after a day without one, s. */
const remembered = 24 * 3600;

/** Counted for each of many keys. */
export class GrowingWait {
	readonly #tries: RateLimiterMySQL;
	readonly #waits: RateLimiterMySQL;
	readonly #limit: Limit;

	/** @param name sets its keys apart from those of other limits */
	constructor(db: Database, name: string, limit: Limit) {
		this.#limit = limit;
		const make = (keyPrefix: string, points: number) =>
			new RateLimiterMySQL({
				// The driver's own pool inside the promise wrapper: the only kind the package knows.
				storeClient: db.pool.pool,
				storeType: 'pool',
				dbName: db.name,
				tableName: 'sign_in_attempts',
				tableCreated: true,
				keyPrefix,
				points,
				duration: remembered,
				clearExpiredByTimeout: false
			});
		this.#tries = make(name, limit.tries);
		this.#waits = make(`${name}-waits`, 1_000);
	}

	/** How long there is to wait, s; 0: not at all. Stores nothing. */
	async left(key: string): Promise<number> {
		const found = await this.#tries.get(key);
		if (!found || found.consumedPoints <= this.#limit.tries) return 0;
		return Math.max(1, Math.ceil(found.msBeforeNext / 1000));
	}

	/** One try more. @returns how long there is to wait instead, s; 0: it may be made */
	async count(key: string): Promise<number> {
		try {
			await this.#tries.consume(key);
			return 0;
		} catch (refused) {
			if (!(refused instanceof RateLimiterRes)) throw refused;
			// Of many at once only one has come first after the last that was free: it begins the wait.
			if (refused.consumedPoints !== this.#limit.tries + 1) return this.left(key);
			const { consumedPoints: waits } = await this.#waits.penalty(key);
			const { firstWait, longestWait } = this.#limit;
			const wait = Math.min(longestWait, firstWait * 2 ** Math.min(waits - 1, 20));
			await this.#tries.block(key, wait);
			return wait;
		}
	}

	/** The try was right: as if nothing had been wrong. */
	async forget(key: string): Promise<void> {
		await Promise.all([this.#tries.delete(key), this.#waits.delete(key)]);
	}

	/** The try was right, of which others may have been wrong. */
	async giveBack(key: string): Promise<void> {
		await this.#tries.reward(key);
	}
}

/** Lets go of what is over. */
export async function sweepTries(db: Database): Promise<void> {
	await db.run('DELETE FROM sign_in_attempts WHERE expire < ?', [Date.now()]);
}

/** An address as one household has it: IPv4 whole, of IPv6 the network (RFC 4291: its first 64 bits). */
export function networkOf(address: string): string {
	if (!ipaddr.isValid(address)) return 'unknown';
	const known = ipaddr.process(address);
	if (known.kind() === 'ipv4') return known.toString();
	return `${(known as ipaddr.IPv6).parts
		.slice(0, 4)
		.map((part) => part.toString(16))
		.join(':')}::`;
}
