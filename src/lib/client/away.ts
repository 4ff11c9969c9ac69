import type { Refusal } from './api';

/**
 * Whether what was refused is to be sent again later: nobody answered, the server cannot now (its database, its
 * disk, too many at once), or whoever made it is not signed in. Anything else is refused for what it says.
 */
export const isAway = ({ status, notTheirs }: Refusal): boolean =>
	status === 0 || status === 401 || status === 429 || status >= 500 || notTheirs === true;
