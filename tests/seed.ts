/**
 * What tests draw by: another one each day, so that over the days they meet what no single run has the time for.
 * It is printed, and `VANE_SEED` repeats a run.
 */
export function seedOfTheDay(of: string): number {
	const seed = Number(process.env.VANE_SEED ?? Math.floor(Date.now() / 86_400_000));
	console.log(`${of}: drawn by VANE_SEED=${seed}`);
	return seed;
}
