import { corners, type Corner } from '$core/height/corners';
import { error } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params }) => {
	const corner = params.corner as Corner;
	if (!corners.includes(corner)) error(404, 'There is no such corner: FL, FR, RL or RR.');
	return { corner };
};
