import type Joi from 'joi';
import toJsonSchema from 'joi-to-json';
import { jobFileSchema } from '../../schema/job-file.ts';
import { operations } from './operations.ts';

type Schema = Record<string, unknown>;

/**
 * Joi to JSON Schema; a quantity is text or a number. A limit that is another field's value cannot be
 * said in JSON Schema and is left out: the published schema is then looser than the check.
 */
function schemaOf(schema: Joi.Schema): Schema {
	const limits = ['minimum', 'maximum', 'exclusiveMinimum', 'exclusiveMaximum'];
	return JSON.parse(
		JSON.stringify(toJsonSchema(schema, 'open-api-3.1'), (key, value: unknown) =>
			limits.includes(key) && typeof value === 'object' && !('type' in (value ?? {}))
				? undefined
				: value
		)
	) as Schema;
}

const problem = {
	description: 'What is wrong (RFC 9457)',
	content: {
		'application/problem+json': {
			schema: {
				type: 'object',
				required: ['title', 'status'],
				properties: {
					title: { type: 'string' },
					status: { type: 'integer' },
					faults: {
						type: 'array',
						items: {
							type: 'object',
							required: ['field', 'message'],
							properties: { field: { type: 'string' }, message: { type: 'string' }, value: {} }
						}
					}
				}
			}
		}
	}
};

let document: object | undefined;

/** The OpenAPI 3.1 document, made once from the schemas that check the requests. */
export const openApi = (): object => (document ??= documentOf());

function documentOf(): object {
	const paths: Record<string, Record<string, object>> = {};
	for (const {
		path,
		method,
		summary,
		input,
		output,
		open,
		type = 'application/json'
	} of operations) {
		const names = [...path.matchAll(/\{(\w+)\}/g)].map((match) => match[1]!);
		(paths[path] ??= {})[method] = {
			summary,
			operationId: `${method}${path.replace(/[^a-z]+(\w)?/gi, (_, letter: string) => (letter ?? '').toUpperCase())}`,
			...(open ? { security: [] } : {}),
			...(names.length
				? {
						parameters: names.map((name) => ({
							name,
							in: 'path',
							required: true,
							schema: { type: 'string' }
						}))
					}
				: {}),
			...(input
				? {
						requestBody: {
							required: true,
							content: { 'application/json': { schema: schemaOf(input) } }
						}
					}
				: {}),
			responses: {
				'2XX': {
					description: 'Done',
					...(method === 'get' || output
						? {
								content: {
									[type]: {
										schema: output
											? schemaOf(output)
											: type.startsWith('text/')
												? { type: 'string' }
												: { type: 'object' }
									}
								}
							}
						: {})
				},
				'4XX': problem
			}
		};
	}
	return {
		openapi: '3.1.0',
		info: {
			title: 'Vane Set',
			version: '1',
			description:
				'Heights in mm, torques in N·m. A typed quantity (`62 ft-lb`) may stand for any number that has a unit.'
		},
		servers: [{ url: '/api/v1' }],
		security: [{ session: [] }],
		components: {
			securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'vane_session' } }
		},
		paths
	};
}

/** The published schema of the job file. */
export function jobFileJsonSchema(): Schema {
	return {
		$schema: 'https://json-schema.org/draft/2020-12/schema',
		title: 'Vane Set job file',
		...schemaOf(jobFileSchema)
	};
}
