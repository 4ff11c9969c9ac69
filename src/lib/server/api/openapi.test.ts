import Ajv2020 from 'ajv/dist/2020.js';
import addFormats from 'ajv-formats';
import { describe, expect, it } from 'vitest';
import { compute, computations } from '../../../core/compute';
import { openApi } from './openapi';

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
