import { endpoint } from '$lib/server/api/endpoint';

/** The process answers. Asks nothing of the database. */
export const GET = endpoint(() => ({ status: 'up' }));
