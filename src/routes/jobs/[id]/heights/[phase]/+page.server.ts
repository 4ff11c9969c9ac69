import { corners, type Corner } from '$core/height/corners';
import { error } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, url }) => {
	if (params.phase !== 'before' && params.phase !== 'after') error(404, 'There is no such page.');
	const corner = url.searchParams.get('corner') as Corner | null;
	return {
		phase: params.phase as 'before' | 'after',
		corner: corner && corners.includes(corner) ? corner : null
	};
};
