import type { Cookies } from '@sveltejs/kit';
import { config } from '../app.ts';
import { tabletDays } from '../db/tablets.ts';

export const sessionCookie = 'vane_session';
/** The mark of a tablet of the shop. It opens nothing: wrong tries there are counted apart from strangers'. */
export const tabletCookie = 'vane_tablet';

const options = () =>
	({ path: '/', httpOnly: true, sameSite: 'strict', secure: config.secureCookies }) as const;

export function setSessionCookie(cookies: Cookies, token: string, expiresAt: Date): void {
	cookies.set(sessionCookie, token, { ...options(), expires: expiresAt });
}

export function clearSessionCookie(cookies: Cookies): void {
	cookies.delete(sessionCookie, options());
}

export function setTabletCookie(cookies: Cookies, mark: string): void {
	cookies.set(tabletCookie, mark, { ...options(), maxAge: tabletDays * 24 * 3600 });
}
