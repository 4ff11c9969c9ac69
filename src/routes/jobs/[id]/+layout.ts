import { browser } from '$app/environment';
import { fetchLayouts } from '$lib/client/layouts';
import type { LayoutLoad } from './$types';

/** A page of a job stands with the layouts of its car; the server has them all. */
export const load: LayoutLoad = async ({ data }) => {
	if (browser) await fetchLayouts(data.layouts);
	return data;
};
