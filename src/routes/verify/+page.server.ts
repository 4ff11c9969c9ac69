import { db } from '$lib/server/app';
import { proveMark, readMark } from '$lib/server/proof/mark';
import { takeTurn } from '$lib/server/proof/turns';
import type { PageServerLoad } from './$types';

/** What the square on a sealed sheet opens. No account is needed. */
export const load: PageServerLoad = async ({ url, getClientAddress, locals }) => {
	const mark = readMark(url.searchParams);
	if (mark) await takeTurn(getClientAddress());
	return {
		title: 'Proof of a sheet',
		shopName: locals.shop?.name ?? '',
		asked: url.searchParams.has('sig'),
		proof: mark ? await proveMark(db, mark) : null
	};
};
