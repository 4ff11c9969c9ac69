import { endpoint } from '$lib/server/api/endpoint';
import { jobFileJsonSchema } from '$lib/server/api/openapi';

/** JSON Schema of the job file. */
export const GET = endpoint(() => jobFileJsonSchema());
