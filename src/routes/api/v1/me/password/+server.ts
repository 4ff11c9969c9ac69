import { body, endpoint, lead } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { changePassword } from '$lib/server/auth/sign-in';

/** Sets or takes away a lead's own password, the second way in. */
export const PUT = endpoint(async (event) => {
	const who = lead(event);
	const said = await body<{ secret: string; password: string | null }>(event);
	await changePassword(db, who, said);
	return { hasPassword: said.password !== null };
});
