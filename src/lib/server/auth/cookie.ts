import type { Cookies } from '@sveltejs/kit';
import { config } from '../app.ts';

export const sessionCookie = 'vane_session';

const options = () =>
	({ path: '/', httpOnly: true, sameSite: 'strict', secure: config.secureCookies }) as const;

export function setSessionCookie(cookies: Cookies, token: string, expiresAt: Date): void {
	cookies.set(sessionCookie, token, { ...options(), expires: expiresAt });
}

export function clearSessionCookie(cookies: Cookies): void {
	cookies.delete(sessionCookie, options());
}
