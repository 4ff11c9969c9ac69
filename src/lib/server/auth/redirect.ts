/**
 * Where to go after signing in: a path of this application, never another site, however it is spelled.
 *
 * @param to as it stands in the address of the sign-in page
 * @param origin of this application
 * @returns a path that begins with one slash, with its search and fragment
 */
export function ownPath(to: string | null, origin: string): string {
	// Read as a browser reads it (WHATWG URL): tabs and newlines fall out, backslashes are slashes.
	if (!to?.startsWith('/') || !URL.canParse(to, origin)) return '/';
	const target = new URL(to, origin);
	if (target.origin !== origin || target.pathname.startsWith('//')) return '/';
	return target.pathname + target.search + target.hash;
}
