/** Positions as on a clock face. */

/** From the middle, x to the right and y down, at so great a radius. */
export function hourPoint(hour: number, radius: number): { x: number; y: number } {
	const angle = (hour / 12) * 2 * Math.PI;
	return { x: radius * Math.sin(angle), y: -radius * Math.cos(angle) };
}

/** What was set, in words; nothing until every one is. */
export const clockWords = (bushes: readonly { name: string; hour: number | undefined }[]): string =>
	bushes.length && bushes.every(({ hour }) => hour !== undefined)
		? bushes.map(({ name, hour }) => `${name} at ${hour} o’clock`).join('; ')
		: '';
