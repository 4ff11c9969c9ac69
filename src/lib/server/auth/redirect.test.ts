import { expect, it } from 'vitest';
import { ownPath } from './redirect';

const origin = 'http://10.0.0.5:4180';

it.each([
	['/', '/'],
	['/jobs/x?corner=FL#top', '/jobs/x?corner=FL#top'],
	['/cars?search=a%2F%2Fb', '/cars?search=a%2F%2Fb'],
	['/\tjobs', '/jobs']
])('%j stays where it is', (to, path) => {
	expect(ownPath(to, origin)).toBe(path);
});

it.each([
	null,
	'',
	'jobs',
	'//evil.example',
	'/\\evil.example',
	'\\\\evil.example',
	'/\t/evil.example',
	'/\n/evil.example',
	'/\r\n//evil.example',
	'\t//evil.example',
	'/.//evil.example',
	'/..//evil.example',
	'/x/..//evil.example',
	'/%2e//evil.example',
	'/%09/\\evil.example/..//evil.example',
	'https://evil.example',
	'http:evil.example',
	'javascript:alert(1)',
	'data:text/html,x',
	' https://evil.example',
	'/\u0000/\\evil.example'
])('%j leads nowhere else', (to) => {
	const path = ownPath(to, origin);
	expect(new URL(path, origin).origin).toBe(origin);
	// And once more, as the browser reads what it is given.
	expect(path).toMatch(/^\/(?![/\\])/);
});
