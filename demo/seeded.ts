/** Keys and scatter that come out the same every time the demo is told. */

/** Keys of version 7 whose time is the row's own and whose rest counts up. */
let count = 0;
export function key(at: string): string {
	const time = Date.parse(at).toString(16).padStart(12, '0');
	const tail = (++count).toString(16).padStart(12, '0');
	return `${time.slice(0, 8)}-${time.slice(8)}-7000-8000-${tail}`;
}

/** Park and Miller's generator: the same scatter every time. */
let seed = 20_261_124;
export function scatter(spread: number): number {
	seed = (seed * 48_271) % 2_147_483_647;
	return Math.round((seed / 2_147_483_647 - 0.5) * 2 * spread);
}
