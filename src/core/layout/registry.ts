/**
 * Layouts that are at hand, by key: all of them in the server, the shell and the workers, which have the
 * catalogue; those of its car in a job's page, which fetches no others.
 */
import type { Layout } from './types.ts';

const atHand = new Map<string, Layout>();

export function registerLayouts(layouts: readonly Layout[]): void {
	for (const layout of layouts) atHand.set(layout.key, layout);
}

export const findLayout = (key: string): Layout | undefined => atHand.get(key);
