import { endpoint } from '$lib/server/api/endpoint';
import { openApi } from '$lib/server/api/openapi';

export const GET = endpoint(() => openApi());
