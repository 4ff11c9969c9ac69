/** Every route of the API, with the schema that checks what it is sent: one table for the routes and for OpenAPI. */
import type { RequestEvent } from '@sveltejs/kit';
import type Joi from 'joi';
import { computations } from '../../../core/compute.ts';
import { commandSchema } from '../../../core/job/book/command.ts';
import * as bays from '../../schema/bays.ts';
import * as device from '../../schema/device.ts';
import * as job from '../../schema/job.ts';
import { jobFileSchema } from '../../schema/job-file.ts';
import * as own from '../../schema/knowledge-file.ts';
import * as shop from '../../schema/shop.ts';
import { vehicleChangeSchema, vehicleSchema } from '../../schema/vehicle.ts';

export interface Operation {
	path: string;
	method: 'get' | 'post' | 'put' | 'patch' | 'delete';
	summary: string;
	input?: Joi.Schema;
	output?: Joi.Schema;
	/** Bytes of a body that are taken. */
	most: number;
	/** Works without a session. */
	open?: boolean;
	/** Content type of the answer when it is not JSON. */
	type?: string;
}

const KB = 1024;
const MB = 1024 * KB;

const op = (
	method: Operation['method'],
	path: string,
	summary: string,
	more: Partial<Operation> = {}
): Operation => ({ method, path, summary, most: 64 * KB, ...more });

/** Every route of the API; a test holds it against the route files. */
export const operations: readonly Operation[] = [
	op('get', '/health', 'The process answers', { open: true }),
	op('get', '/ready', 'The database answers; 503 until it does', { open: true }),
	op('post', '/session', 'Sign in; sets the session cookie', {
		input: shop.signInSchema,
		most: 2 * KB,
		open: true
	}),
	op('delete', '/session', 'Sign out; ?everywhere=1 on every device'),
	op('patch', '/me', 'Change one’s own units and theme', { input: shop.preferencesSchema }),
	op('put', '/me/password', 'Set or take away one’s own password, beside the PIN (leads)', {
		input: shop.passwordSchema,
		most: 2 * KB
	}),
	op('post', '/people', 'Add a person (leads)', { input: shop.newPersonSchema }),
	op('patch', '/people/{id}', 'Change a person (leads)', { input: shop.personChangeSchema }),
	op('put', '/shop', 'Change the shop’s settings (leads)', { input: shop.shopSchema }),
	op('get', '/vehicles', 'Cars that match ?search='),
	op('post', '/vehicles', 'Add a car', { input: vehicleSchema }),
	op('get', '/vehicles/{id}', 'One car'),
	op('put', '/vehicles/{id}', 'Change a car', { input: vehicleChangeSchema }),
	op('get', '/jobs', 'Jobs that match ?search=, ?page= by page'),
	op('post', '/jobs', 'Open a job', { input: job.newJobSchema }),
	op('get', '/jobs/{id}', 'A job as its book comes to'),
	op('get', '/jobs/{id}/entries', 'The book; ?after= the number of an entry: what came after it'),
	op(
		'post',
		'/jobs/{id}/entries',
		'Say something of the job: one kind of fact, in the words of that kind',
		{
			input: commandSchema(),
			// A signature gives a reason to each thing that is open.
			most: 512 * KB
		}
	),
	op('post', '/jobs/{id}/photos', 'Keep a photo with the job', {
		input: job.photoSchema,
		most: 8 * MB
	}),
	op('get', '/jobs/{id}/photos/{photo}', 'A photo’s picture', { type: 'image/jpeg' }),
	op('get', '/jobs/{id}/book.csv', 'The book as a table', { type: 'text/csv' }),
	op('get', '/jobs/{id}/parts.csv', 'Parts of the job as a table', { type: 'text/csv' }),
	op('put', '/jobs/{id}/bay', 'Put a car into a bay', { input: bays.slotSchema }),
	op('delete', '/jobs/{id}/bay', 'Take a car out of the plan of the bays'),
	op('put', '/bays', 'Put several cars into their bays, all or none', { input: bays.slotsSchema }),
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
	op(
		'get',
		'/jobs/{id}/events',
		'Server-sent events: `entries` with what was written, `device` when a device has sent',
		{
			type: 'text/event-stream'
		}
	),
	op('get', '/jobs/{id}/proof', 'Whether the book is as it was written, and whose seals are on it'),
	op('get', '/jobs/{id}/sheets/{seq}', 'The sheet as it was sealed at this signature'),
	op('get', '/jobs/{id}/sheets/{seq}/sheet.pdf', 'The same as a PDF, byte for byte', {
		type: 'application/pdf'
	}),
	op('get', '/jobs/{id}/customer.pdf', 'The customer’s page as it comes to now', {
		type: 'application/pdf'
	}),
	op('get', '/keys', 'Public keys that this shop has sealed with', { open: true }),
	op('post', '/verify', 'What is to be said of a job file: its chain and its seals', {
		input: jobFileSchema,
		most: 8 * MB,
		open: true
	}),
	op('get', '/known-shops', 'Other shops whose seals are known here'),
	op('post', '/known-shops', 'Take in another shop’s key (leads)', { input: shop.knownShopSchema }),
	op('delete', '/known-shops/{keyId}', 'No longer believe a shop’s seals (leads)'),
	op(
		'get',
		'/own-knowledge',
		'What jobs taught the shop of models and layouts, as a file to share',
		{
			output: own.ownFileSchema
		}
	),
	op('post', '/own-knowledge', 'Take in what another shop shared (leads)', {
		input: own.ownFileSchema,
		most: MB
	}),
	op('delete', '/own-knowledge/{id}', 'No longer offer something that was shared (leads)'),
	op('get', '/retorques', 'Cars whose wheel fasteners are still to be checked'),
	op('get', '/jobs/{id}/retorque.ics', 'The day to come back', { type: 'text/calendar' }),
	op('get', '/jobs/{id}/job.json', 'The job as a file', { output: jobFileSchema }),
	op('get', '/jobs/{id}/readings.csv', 'Every height reading', { type: 'text/csv' }),
	op('get', '/jobs/{id}/torques.csv', 'Every torque', { type: 'text/csv' }),
	op('post', '/import', 'Recreate a job from its file', {
		input: jobFileSchema,
		most: 8 * MB
	}),
	op('get', '/compute', 'The named computations with examples'),
	...computations.map(({ name, summary, input, output }) =>
		op('post', `/compute/${name}`, summary, { input, output, most: 8 * MB })
	),
	op('get', '/openapi.json', 'This document'),
	op('get', '/layouts/{key}', 'How the corners of an axle are built: parts, joints, covers'),
	op('get', '/schema/job.json', 'JSON Schema of the job file')
];

const byRoute = new Map(operations.map((one) => [`${one.method} ${one.path}`, one]));

/** What the table says of the route that is asked. @throws where it is not in it: a programming error */
export function operationOf({ request: { method }, route, params }: RequestEvent): Operation {
	const path = (route.id ?? '')
		.replace('/api/v1', '')
		.replace(/\[(\w+)\]/g, (_, name: string) =>
			name === 'name' ? (params.name ?? '') : `{${name}}`
		);
	const found = byRoute.get(`${method.toLowerCase()} ${path}`);
	if (!found) throw new Error(`${method} ${path} is not in the table of operations`);
	return found;
}
