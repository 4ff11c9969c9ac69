/** Settings of the shell commands, from the environment. README.md lists them for people. */
import Joi from 'joi';
import { join } from 'node:path';
import { faultLine, validate } from '../src/core/validate.ts';
import { secret } from '../src/lib/schema/secret.ts';
import { problem } from './process.ts';
import { root } from './system.js';

export interface Settings {
	/** Folder of one instance: demo data and the shop's own never share one. */
	folder: string;
	host: string;
	port: number;
	/** Where devices connect; the simulated ones are worked from the port after it. */
	devicePort: number;
	deviceHost: string;
	/** Address that people open; https when a proxy in front of it speaks TLS. */
	origin: string;
	firstLead?: { name: string; pin: string };
}

/** Where an instance keeps the key it seals with. */
export const keyFolder = (folder: string): string => join(folder, 'keys');

/** WHATWG Fetch standard, “port blocking”, from 1024 up. */
const portsBrowsersRefuse = [
	1719, 1720, 1723, 2049, 3659, 4045, 4190, 5060, 5061, 6000, 6566, 6665, 6666, 6667, 6668, 6669,
	6679, 6697, 10080
];

const schema = Joi.object({
	VANE_DATA_DIR: Joi.string().default(join(root, 'data')),
	VANE_HOST: Joi.string().hostname().default('127.0.0.1'),
	VANE_PORT: Joi.number()
		.port()
		.invalid(...portsBrowsersRefuse)
		.default(4180)
		.messages({ 'any.invalid': 'is a port that browsers refuse to open; choose another' }),
	VANE_DEVICE_HOST: Joi.string().hostname().default('127.0.0.1'),
	VANE_DEVICE_PORT: Joi.number()
		.port()
		.default(Joi.ref('VANE_PORT', { adjust: (port: number) => port + 1 })),
	VANE_ORIGIN: Joi.string().uri({ scheme: ['http', 'https'] }),
	VANE_FIRST_LEAD_NAME: Joi.string().trim().min(1).max(120),
	VANE_FIRST_LEAD_PIN: secret()
})
	.and('VANE_FIRST_LEAD_NAME', 'VANE_FIRST_LEAD_PIN')
	.prefs({ convert: true });

export type InstanceName = 'demo' | 'shop';

export function readSettings(instance: InstanceName): Settings {
	const keys = Object.keys(schema.describe().keys as object);
	const given = Object.fromEntries(
		keys.filter((k) => process.env[k]).map((k) => [k, process.env[k]])
	);
	const checked = validate<Record<string, string>>(schema, given);
	if (!checked.ok) throw problem(`wrong setting: ${checked.faults.map(faultLine).join('; ')}`);
	const value = checked.value;
	const port = Number(value.VANE_PORT);
	const host = value.VANE_HOST!;
	return {
		folder: join(value.VANE_DATA_DIR!, instance),
		host,
		port,
		deviceHost: value.VANE_DEVICE_HOST!,
		devicePort: Number(value.VANE_DEVICE_PORT),
		origin: value.VANE_ORIGIN ?? `http://${host === '0.0.0.0' ? '127.0.0.1' : host}:${port}`,
		...(value.VANE_FIRST_LEAD_NAME
			? { firstLead: { name: value.VANE_FIRST_LEAD_NAME, pin: value.VANE_FIRST_LEAD_PIN! } }
			: {})
	};
}
