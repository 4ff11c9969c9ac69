import type Joi from 'joi';
import toJsonSchema from 'joi-to-json';
import { computations } from '../../../core/compute.ts';
import * as device from '../../schema/device.ts';
import * as job from '../../schema/job.ts';
import { jobFileSchema } from '../../schema/job-file.ts';
import * as shop from '../../schema/shop.ts';
import * as work from '../../schema/work.ts';
import { vehicleChangeSchema, vehicleSchema } from '../../schema/vehicle.ts';

interface Operation {
	path: string;
	method: 'get' | 'post' | 'put' | 'patch' | 'delete';
	summary: string;
	input?: Joi.Schema;
	output?: Joi.Schema;
	/** Works without a session. */
	open?: boolean;
	/** Content type of the answer when it is not JSON. */
	type?: string;
}

const op = (
	method: Operation['method'],
	path: string,
	summary: string,
	more: Partial<Operation> = {}
): Operation => ({ method, path, summary, ...more });

/** Every route of the API; a test holds it against the route files. */
export const operations: readonly Operation[] = [
	op('get', '/health', 'The process answers', { open: true }),
	op('get', '/ready', 'The database answers; 503 until it does', { open: true }),
	op('post', '/session', 'Sign in; sets the session cookie', {
		input: shop.signInSchema,
		open: true
	}),
	op('delete', '/session', 'Sign out; ?everywhere=1 on every device'),
	op('patch', '/me', 'Change one’s own units and theme', { input: shop.preferencesSchema }),
	op('post', '/people', 'Add a person (leads)', { input: shop.newPersonSchema }),
	op('patch', '/people/{id}', 'Change a person (leads)', { input: shop.personChangeSchema }),
	op('put', '/shop', 'Change the shop’s settings (leads)', { input: shop.shopSchema }),
	op('get', '/vehicles', 'Cars that match ?search='),
	op('post', '/vehicles', 'Add a car', { input: vehicleSchema }),
	op('get', '/vehicles/{id}', 'One car'),
	op('put', '/vehicles/{id}', 'Change a car', { input: vehicleChangeSchema }),
	op('get', '/jobs', 'Jobs that match ?search='),
	op('post', '/jobs', 'Open a job', { input: job.newJobSchema }),
	op('get', '/jobs/{id}', 'The whole record of a job'),
	op('patch', '/jobs/{id}', 'Change the head of a job', { input: job.jobChangeSchema }),
	op('post', '/jobs/{id}/readings', 'Add a height reading, correction or withdrawal', {
		input: job.readingSchema
	}),
	op('put', '/jobs/{id}/heights/{phase}', 'Record how the car stood', {
		input: job.heightSetSchema
	}),
	op('put', '/jobs/{id}/targets', 'Choose a corner’s target height', { input: job.targetSchema }),
	op('put', '/jobs/{id}/offsets', 'State how readings become hub to arch', {
		input: job.offsetSchema
	}),
	op('post', '/jobs/{id}/joints', 'Add a joint', { input: job.newJointSchema }),
	op('patch', '/jobs/{id}/joints/{joint}', 'Change a joint', { input: job.jointChangeSchema }),
	op('delete', '/jobs/{id}/joints/{joint}', 'Remove a joint without a record', {
		input: job.removeSchema
	}),
	op('post', '/jobs/{id}/torques', 'Add a torque, correction or withdrawal', {
		input: job.torqueSchema
	}),
	op('post', '/jobs/{id}/loadings', 'Add a look at a loaded corner', { input: job.loadingSchema }),
	op('post', '/jobs/{id}/work', 'Add an entry to the book of the work', {
		input: work.workEntrySchema
	}),
	op('post', '/jobs/{id}/photos', 'Keep a photo with the job', { input: work.photoSchema }),
	op('get', '/jobs/{id}/photos/{photo}', 'A photo’s picture', { type: 'image/jpeg' }),
	op('patch', '/jobs/{id}/photos/{photo}', 'Take a photo out of sight, or back', {
		input: work.photoChangeSchema
	}),
	op('get', '/jobs/{id}/parts.csv', 'Parts of the job as a table', { type: 'text/csv' }),
	op('put', '/jobs/{id}/bay', 'Put a car into a bay', { input: work.slotSchema }),
	op('delete', '/jobs/{id}/bay', 'Take a car out of the plan of the bays'),
	op('put', '/bays', 'Put several cars into their bays, all or none', { input: work.slotsSchema }),
	op('get', '/bays.ics', 'The plan of the bays for a calendar', { type: 'text/calendar' }),
	op('get', '/jobs/{id}/device-readings', 'What devices sent for the job, and what waits'),
	op('get', '/wrenches', 'The rack with its calibrations'),
	op('post', '/wrenches', 'Add a wrench (leads)', { input: device.newWrenchSchema }),
	op('put', '/wrenches/{id}', 'Change or retire a wrench (leads)', {
		input: device.wrenchChangeSchema
	}),
	op('post', '/wrenches/{id}/calibrations', 'Keep a calibration; its verdict is computed', {
		input: device.calibrationSchema
	}),
	op('get', '/devices', 'Devices, and their readings that wait for a person'),
	op('post', '/devices', 'Add a device (leads); answers with its token once', {
		input: device.newDeviceSchema
	}),
	op('patch', '/devices/{id}', 'Switch a device on or off (leads)', {
		input: device.deviceChangeSchema
	}),
	op('put', '/devices/{id}/task', 'Say where the next reading belongs', {
		input: device.taskSchema
	}),
	op('post', '/device-readings/{id}/place', 'Place a held reading', { input: device.placeSchema }),
	op('post', '/device-readings/{id}/set-aside', 'Set a held reading aside, with a reason', {
		input: device.setAsideSchema
	}),
	op('post', '/jobs/{id}/sign-off', 'Sign the job', { input: job.signOffSchema }),
	op('get', '/jobs/{id}/events', 'Server-sent events: `changed` at each write of the job', {
		type: 'text/event-stream'
	}),
	op('get', '/jobs/{id}/proof', 'Whether readings and torques are as they were written'),
	op('get', '/retorques', 'Cars whose wheel fasteners are still to be checked'),
	op('post', '/jobs/{id}/retorques', 'Record that the wheels were checked', {
		input: job.retorqueSchema
	}),
	op('get', '/jobs/{id}/retorque.ics', 'The day to come back', { type: 'text/calendar' }),
	op('get', '/jobs/{id}/job.json', 'The job as a file', { output: jobFileSchema }),
	op('get', '/jobs/{id}/readings.csv', 'Every height reading', { type: 'text/csv' }),
	op('get', '/jobs/{id}/torques.csv', 'Every torque', { type: 'text/csv' }),
	op('post', '/import', 'Recreate a job from its file', { input: jobFileSchema }),
	op('get', '/compute', 'The named computations with examples'),
	...computations.map(({ name, summary, input, output }) =>
		op('post', `/compute/${name}`, summary, { input, output })
	),
	op('get', '/openapi.json', 'This document'),
	op('get', '/schema/job.json', 'JSON Schema of the job file')
];

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

/** The OpenAPI 3.1 document, made from the schemas that check the requests. */
export function openApi(): object {
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
				'Heights in mm, torques in N·m. A typed quantity (`75 ft-lb`) may stand for any number that has a unit.'
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
