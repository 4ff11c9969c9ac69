import { vi } from 'vitest';

/** Ends what hangs; no test passes or fails by how fast the machine is. */
const hangMs = 240_000;

/** Waits until something is so, and gives it. @param what said where it never comes */
export const until = <T>(look: () => T | Promise<T>, what: string): Promise<NonNullable<T>> =>
	vi.waitFor(
		async () => {
			const seen = await look();
			if (!seen) throw new Error(`never happened: ${what}`);
			return seen as NonNullable<T>;
		},
		{ timeout: hangMs, interval: 15 }
	);
