import { setTimeout as pause } from 'node:timers/promises';

/** Ends what hangs; no test passes or fails by how fast the machine is. */
const hangMs = 240_000;

/** Waits until something is so, and gives it. @param what said where it never comes */
export async function until<T>(look: () => T | Promise<T>, what: string): Promise<NonNullable<T>> {
	const end = Date.now() + hangMs;
	let cause: unknown;
	while (Date.now() < end) {
		try {
			const seen = await look();
			if (seen) return seen as NonNullable<T>;
			cause = undefined;
		} catch (error) {
			cause = error;
		}
		await pause(15);
	}
	throw new Error(`never happened: ${what}`, { cause });
}
