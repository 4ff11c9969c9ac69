import { describe, expect, it } from 'vitest';
import { Problem } from '../../../core/problem';
import { parseJson, readText } from './body';

const refusal = async (work: () => unknown): Promise<Problem> => {
	try {
		await work();
	} catch (error) {
		if (error instanceof Problem) return error;
		throw error;
	}
	throw new Error('nothing was refused');
};
const post = (body: BodyInit, headers: Record<string, string> = {}) =>
	new Request('http://shop.test/', {
		method: 'POST',
		body,
		headers,
		duplex: 'half'
	} as RequestInit);

describe('the text of a request', () => {
	it('is read up to its limit', async () => {
		expect(await readText(post('räder'), 6)).toBe('räder');
		const { status, message } = await refusal(() => readText(post('räder'), 5));
		expect([status, message]).toEqual([413, expect.stringContaining('most that is taken here')]);
	});

	it('what is announced as too large is not read; what turns out to be is read no further', async () => {
		let given = 0;
		const endless = () =>
			new ReadableStream({
				pull(controller) {
					given++;
					controller.enqueue(new Uint8Array(1000));
				}
			});
		const announced = post(endless(), { 'content-length': '7700000' });
		expect(await refusal(() => readText(announced, 2048))).toMatchObject({
			status: 413,
			message: 'That is too large: 2 KB is the most that is taken here.'
		});
		given = 0;
		expect((await refusal(() => readText(post(endless()), 2048))).status).toBe(413);
		expect(given).toBeLessThan(8);
	});

	it('one that breaks off says so', async () => {
		const broken = new ReadableStream({
			pull: (controller) => controller.error(new Error('reset'))
		});
		expect((await refusal(() => readText(post(broken), 100))).status).toBe(400);
	});
});

describe('JSON', () => {
	it('is what it is', () => {
		const data = { a: [1, { b: 'x"]}[{:\\' }], c: null, '{': 'é😀' };
		expect(parseJson(JSON.stringify(data))).toEqual(data);
		expect(parseJson('"\\ud83d\\ude00"')).toBe('😀');
	});

	it('nested deeper than anything that is taken is refused', async () => {
		const nested = (depth: number) => '['.repeat(depth) + ']'.repeat(depth);
		expect(parseJson(nested(32))).toBeTruthy();
		expect((await refusal(() => parseJson(nested(33)))).message).toContain('deeper than 32');
		expect((await refusal(() => parseJson('{"a":'.repeat(1e6)))).status).toBe(400);
	});

	it('an object of more members than anything that is taken is refused before it is made', async () => {
		const members = (n: number) =>
			`{${Array.from({ length: n }, (_, i) => `"key${i}":{"a":1}`).join(',')}}`;
		expect(Object.keys(parseJson(members(1000)) as object)).toHaveLength(1000);
		expect((await refusal(() => parseJson(members(1001)))).message).toContain('1000 members');
		// Broken on purpose behind its thousandth member: it is not looked at any more.
		const parts = `{${'"a":1,'.repeat(1001)}`;
		expect((await refusal(() => parseJson(parts))).message).toContain('1000 members');
	});

	it('half of a surrogate pair is named by its field', async () => {
		const { status, faults } = await refusal(() =>
			parseJson('{"name":"\\ud800","list":["ok","\\udc00x"],"\\ud800":1}')
		);
		expect(status).toBe(422);
		expect(faults.map(({ field }) => field)).toEqual(['name', 'list.1', '\ufffd']);
	});

	it('what is no JSON is a 400', async () => {
		for (const text of ['', '{', '{a:1}', '"', '\\', '["'])
			expect((await refusal(() => parseJson(text))).status, text).toBe(400);
	});
});
