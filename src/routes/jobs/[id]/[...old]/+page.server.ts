import { error, redirect } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

/** Where pages stood before the way through a car had its seven stages: links of then go on. */
const moved: readonly (readonly [from: RegExp, to: string])[] = [
	[/^inspect$/, 'look'],
	[/^heights\/before$/, 'measure'],
	[/^heights\/after$/, 'check'],
	[/^bench$/, 'work/bench'],
	[/^round$/, 'set'],
	[/^(?:corners|set)\/(FL|FR|RL|RR)$/, 'set?of=$1'],
	[/^(?:set\/)?joints$/, 'set'],
	[/^sheet$/, 'hand-over'],
	[/^retorque$/, 'hand-over/retorque']
];

const withSearch = (to: string, search: string): string =>
	to.includes('?') ? to + search.replace('?', '&') : to + search;

export const load: PageServerLoad = ({ params, url }) => {
	const found = moved.find(([from]) => from.test(params.old));
	if (!found) error(404, 'There is no such page.');
	redirect(308, `/jobs/${params.id}/${withSearch(params.old.replace(...found), url.search)}`);
};
