import { findLayout } from '$core/layout/catalogue';
import { Problem } from '$core/problem';
import { endpoint, json } from '$lib/server/api/endpoint';

/** How one axle's corners are built. A page asks with the version it was built as, for which it never changes. */
export const GET = endpoint(({ params: { key }, url }) => {
	const layout = findLayout(key!);
	if (!layout) throw new Problem(404, `No layout is called '${key}'.`);
	return json(
		layout,
		200,
		url.searchParams.has('version')
			? { 'cache-control': 'private, max-age=31536000, immutable' }
			: {}
	);
});
