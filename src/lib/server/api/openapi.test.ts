import Ajv2020 from 'ajv/dist/2020.js';
import addFormats from 'ajv-formats';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { compute, computations } from '../../../core/compute';
import { openApi } from './openapi';
import { operationOf, operations } from './operations';

interface Media {
	content: Record<string, { schema: object }>;
}
const { paths } = openApi() as {
	paths: Record<string, { post: { requestBody: Media; responses: Record<string, Media> } }>;
};
const ajv = new Ajv2020({ strict: false });
addFormats(ajv);

/** The published schemas are judged by a validator that knows nothing of those they were made from. */
describe.each(computations.map((c) => [c.name, c] as const))(
	'%s in OpenAPI',
	(name, computation) => {
		const { requestBody, responses } = paths[`/compute/${name}`]!.post;
		const json = 'application/json';

		it('takes the example, and refuses what it does not know', () => {
			const check = ajv.compile(requestBody.content[json]!.schema);
			expect(check(computation.example), JSON.stringify(check.errors)).toBe(true);
			expect(check({ ...computation.example, nonsense: 1 })).toBe(false);
		});

		it('describes the answer', () => {
			const result = compute(computation, computation.example);
			const check = ajv.compile(responses['2XX']!.content[json]!.schema);
			const answer = result.ok ? (JSON.parse(JSON.stringify(result.value)) as object) : result;
			expect(check(answer), JSON.stringify(check.errors)).toBe(true);
		});
	}
);

it('every schema of the document is a valid JSON Schema', () => {
	for (const [path, methods] of Object.entries(paths)) {
		for (const operation of Object.values(methods)) {
			const { requestBody, responses } = operation as (typeof paths)[string]['post'];
			for (const { content } of [requestBody, ...Object.values(responses)].filter(Boolean)) {
				for (const { schema } of Object.values(content ?? {})) {
					expect(() => ajv.compile(schema), path).not.toThrow();
				}
			}
		}
	}
});

describe('the document and the routes', () => {
	const root = 'src/routes/api/v1';
	const routes = readdirSync(root, { recursive: true, encoding: 'utf8' })
		.filter((file) => file.endsWith('+server.ts'))
		.map((file) => {
			const source = readFileSync(join(root, file), 'utf8');
			const methods = [...source.matchAll(/export const (GET|POST|PUT|PATCH|DELETE)\b/g)];
			return {
				id: `/api/v1/${file.replace(/\/?\+server\.ts$/, '')}`,
				source,
				methods: methods.map(([, method]) => method!)
			};
		});
	const pathOf = (id: string) => id.replace('/api/v1', '').replace(/\[(\w+)\]/g, '{$1}');

	it('are the same list', () => {
		const there = routes
			.filter(({ id }) => !id.endsWith('compute/[name]'))
			.flatMap(({ id, methods }) =>
				methods.map((method) => `${method.toLowerCase()} ${pathOf(id)}`)
			);
		const said = operations
			.filter(({ path }) => !path.startsWith('/compute/'))
			.map(({ method, path }) => `${method} ${path}`);
		expect(there.toSorted()).toEqual(said.toSorted());
	});

	it('have one schema: a route checks what it is sent with the one that is published for it', () => {
		for (const { id, source, methods } of routes) {
			expect(source, id).not.toMatch(/^import (?!type).*schema\//m);
			for (const method of methods) {
				const published = operations.find(
					({ method: m, path }) => m === method.toLowerCase() && path === pathOf(id)
				);
				if (!published?.input) continue;
				expect(source, id).toMatch(/\b(body|textOf)\b.*\(event\)/);
				const event = { request: { method }, route: { id }, params: {} };
				expect(operationOf(event as never).input).toBe(published.input);
			}
		}
	});
});
