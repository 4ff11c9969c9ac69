import { endpoint } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { dueRetorques } from '$lib/server/jobs/retorques';

/** Cars whose wheel fasteners are still to be checked. */
export const GET = endpoint(async () => ({ due: await dueRetorques(db) }));
