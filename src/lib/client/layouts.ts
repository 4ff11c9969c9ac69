/** The layouts of a job's car, fetched as data: a page needs two of them, and none of the others. */
import { version } from '$app/environment';
import type { Entry } from '$core/job/book/entry';
import { findLayout, registerLayouts } from '$core/layout/registry';
import type { Layout } from '$core/layout/types';
import type { Vehicle } from '$core/job/model';

/** Where each is served: kept by the browser for as long as the program is this one. */
export const layoutUrls = (keys: readonly string[]): string[] =>
	keys.map((key) => `/api/v1/layouts/${encodeURIComponent(key)}?version=${version}`);

/**
 * Fetches the layouts that are not at hand yet.
 *
 * @throws where the network is gone or the server has no answer
 */
export async function fetchLayouts(
	keys: readonly string[],
	get: typeof fetch = fetch
): Promise<void> {
	const missing = [...new Set(keys)].filter((key) => !findLayout(key));
	registerLayouts(
		await Promise.all(
			layoutUrls(missing).map(async (url) => {
				const answer = await get(url);
				if (!answer.ok) throw new Error(`The car's layout could not be loaded (${answer.status}).`);
				return (await answer.json()) as Layout;
			})
		)
	);
}

/** Each once: both axles may be built alike. */
export const layoutsOfCar = ({ axles: { front, rear } }: Pick<Vehicle, 'axles'>): string[] => [
	...new Set([front.layout, rear.layout])
];

/** Layouts that entries speak of: a car may turn out to be built otherwise. */
export const layoutsIn = (entries: readonly Entry[]): string[] =>
	entries.flatMap((entry) =>
		entry.kind === 'car' ? layoutsOfCar((entry as Entry<'car'>).data.vehicle) : []
	);
