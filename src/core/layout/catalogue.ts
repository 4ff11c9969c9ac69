import type { Axle } from '../height/corners.ts';
import doubleWishbone from './data/double-wishbone.json' with { type: 'json' };
import macphersonFront from './data/macpherson-front.json' with { type: 'json' };
import trailingArmRear from './data/trailing-arm-rear.json' with { type: 'json' };
import type { Layout } from './types.ts';

/**
 * Every layout the program knows. Joint lists and assumed geometry are common practice, no source; a
 * new layout is a new data file and a line here.
 */
export const layouts: readonly Layout[] = [
	macphersonFront,
	doubleWishbone,
	trailingArmRear
] as Layout[];

export const layoutKeys = layouts.map((layout) => layout.key);

export function findLayout(key: string): Layout | undefined {
	return layouts.find((layout) => layout.key === key);
}

export function layoutsFor(axle: Axle): Layout[] {
	return layouts.filter((layout) => layout.axles.includes(axle));
}
