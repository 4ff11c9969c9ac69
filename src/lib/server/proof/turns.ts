/** Anybody may have a file or a seal checked; nobody may keep the server busy with it. */
import { RateLimiterMemory, type RateLimiterRes } from 'rate-limiter-flexible';
import { Problem } from '../../../core/problem.ts';

const limiter = new RateLimiterMemory({ points: 30, duration: 60 });

/** @throws Problem 429 after 30 checks of one address in a minute */
export async function takeTurn(address: string): Promise<void> {
	try {
		await limiter.consume(address);
	} catch (refused) {
		if (refused instanceof Error) throw refused;
		const retryAfterSeconds = Math.ceil((refused as RateLimiterRes).msBeforeNext / 1000);
		throw new Problem(429, `Too many checks: wait ${retryAfterSeconds} s.`, [], {
			retryAfterSeconds
		});
	}
}
