/** Settings of the shell commands, from the environment. README.md lists them for people. */
import Joi from 'joi';
import { isIPv4 } from 'node:net';
import { networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { faultLine, validate } from '../src/core/validate.ts';
import { secret } from '../src/lib/schema/secret.ts';
import { problem } from './process.ts';
import { root } from './system.js';

export interface LanSettings {
	/** What tablets open. */
	address: string;
	/** What nginx listens at. */
	listen: string;
	port: number;
	devicePort: number;
	/** Of the page where a tablet comes to trust the shop; without TLS. */
	trustPort: number;
}

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
	/** Where tablets connect over TLS. */
	lan?: LanSettings;
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
	VANE_DEVICE_HOST: Joi.string()
		.valid('127.0.0.1', '::1', 'localhost')
		.default('127.0.0.1')
		.messages({
			'any.only':
				'must be loopback: the device line is plain there only. ./vane start --lan serves it over TLS'
		}),
	VANE_DEVICE_PORT: Joi.number()
		.port()
		.default(Joi.ref('VANE_PORT', { adjust: (port: number) => port + 1 })),
	VANE_LAN_PORT: Joi.number()
		.port()
		.invalid(...portsBrowsersRefuse)
		.default(4443),
	VANE_ORIGIN: Joi.string().uri({ scheme: ['http', 'https'] }),
	VANE_FIRST_LEAD_NAME: Joi.string().trim().min(1).max(120),
	VANE_FIRST_LEAD_PIN: secret()
})
	.and('VANE_FIRST_LEAD_NAME', 'VANE_FIRST_LEAD_PIN')
	.prefs({ convert: true });

function lanSettings(address: string, port: number): LanSettings {
	const wellFormed = isIPv4(address) || /^[a-z\d]([a-z\d.-]{0,60}[a-z\d])?$/i.test(address);
	if (!wellFormed) {
		throw problem(`--lan takes an IPv4 address or a host name, not '${address}'.`);
	}
	const listen = isIPv4(address) ? address : '0.0.0.0';
	return { address, listen, port, devicePort: port + 1, trustPort: port + 2 };
}

/** This machine's address in the shop's network. */
export function ownAddress(): string {
	const found = Object.values(networkInterfaces())
		.flat()
		.filter((one) => one && one.family === 'IPv4' && !one.internal)
		.map((one) => one!.address);
	if (found.length === 1) return found[0]!;
	throw problem(
		found.length
			? `this machine has several addresses: ./vane start --lan ${found.join(' | ')}`
			: 'this machine has no address in a network.'
	);
}

export type InstanceName = 'demo' | 'shop';

/** @param lanAddress what tablets open, where the instance is served to them over TLS */
export function readSettings(instance: InstanceName, lanAddress?: string): Settings {
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
		...(lanAddress !== undefined && { lan: lanSettings(lanAddress, Number(value.VANE_LAN_PORT)) }),
		origin:
			(value.VANE_ORIGIN ??
				(lanAddress !== undefined && `https://${lanAddress}:${value.VANE_LAN_PORT}`)) ||
			`http://${host === '0.0.0.0' ? '127.0.0.1' : host}:${port}`,
		...(value.VANE_FIRST_LEAD_NAME
			? { firstLead: { name: value.VANE_FIRST_LEAD_NAME, pin: value.VANE_FIRST_LEAD_PIN! } }
			: {})
	};
}
