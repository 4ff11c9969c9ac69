import { expect, it } from 'vitest';
import { findLayout } from '$core/layout/registry';
import { fetchLayouts } from './layouts';

const answer = (status: number, body: object) => () =>
	Promise.resolve(new Response(JSON.stringify(body), { status }));

it('an answer that is no layout is not taken for one', async () => {
	const refused = answer(401, { key: 'made-up', title: 'Sign in first.' });
	await expect(fetchLayouts(['made-up'], refused)).rejects.toThrow('could not be loaded (401)');
	expect(findLayout('made-up')).toBeUndefined();
});

it('a layout is asked for once, under the version of the page', async () => {
	const asked: unknown[] = [];
	const get = ((url: unknown) => {
		asked.push(url);
		return answer(200, { key: 'made-up' })();
	}) as typeof fetch;
	await fetchLayouts(['made-up', 'made-up'], get);
	await fetchLayouts(['made-up'], get);
	expect(asked).toEqual(['/api/v1/layouts/made-up?version=test']);
	expect(findLayout('made-up')).toEqual({ key: 'made-up' });
});
