import { endpoint } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { loadJob } from '$lib/server/jobs/load';
import { proveChain } from '$lib/server/proof/chain';

/** Goes along the chain of the job's record. */
export const GET = endpoint(async (event) => proveChain(await loadJob(db, event.params.id!)));
