import Joi from 'joi';
import { faultLine, validate } from '../../core/validate.ts';

/** Settings of the server, from the environment. README.md lists them for people. */
export interface Config {
	database: { host: string; port: number; user: string; password: string; database: string };
	/** Only send the session cookie over HTTPS; set it when the application is behind TLS. */
	secureCookies: boolean;
	sessionHours: number;
	logLevel: string;
	/** What signatures are sealed with: the folder of the key, and where its proof is opened. */
	sealer: { folder: string; origin: string };
	/** Space on the disk that writes leave free, MB. */
	diskReserveMb: number;
	/** Folder of the built programs that run on threads and in processes of their own. */
	programs: string;
	http: {
		host: string;
		port: number;
		/** A request that is not all there by then is ended. */
		requestSeconds: number;
		/** Addresses or networks whose word on the client's address is taken. */
		trustedProxies: string[];
	};
	/** Where devices connect; undefined: nowhere. */
	devices?: { host: string; port: number };
}

const schema = Joi.object({
	VANE_DB_HOST: Joi.string().required(),
	VANE_DB_PORT: Joi.number().port().required(),
	VANE_DB_USER: Joi.string().required(),
	VANE_DB_PASSWORD: Joi.string().allow('').required(),
	VANE_DB_NAME: Joi.string().pattern(/^\w+$/).required(),
	VANE_ORIGIN: Joi.string()
		.uri({ scheme: ['http', 'https'] })
		.required(),
	VANE_KEY_DIR: Joi.string().required(),
	VANE_PROGRAMS: Joi.string().required(),
	VANE_HOST: Joi.string().hostname().default('127.0.0.1'),
	VANE_PORT: Joi.number().port().default(4180),
	VANE_REQUEST_SECONDS: Joi.number().min(1).max(600).default(60),
	VANE_TRUSTED_PROXY: Joi.string()
		.pattern(/^[\da-f.:/]+(,[\da-f.:/]+)*$/i)
		.messages({ 'string.pattern.base': 'must be IP addresses or networks with commas between' }),
	VANE_DISK_RESERVE_MB: Joi.number().min(0).max(1_000_000).default(256),
	VANE_SESSION_HOURS: Joi.number().min(0.01).max(720).default(12),
	VANE_DEVICE_HOST: Joi.string().hostname().default('127.0.0.1'),
	VANE_DEVICE_PORT: Joi.number().port(),
	VANE_LOG_LEVEL: Joi.string().valid('fatal', 'error', 'warn', 'info', 'debug').default('info')
});

/** Reads and checks the settings; a wrong one is an error of one line that names it. */
export function readConfig(env: Record<string, string | undefined>): Config {
	const keys = Object.keys(schema.describe().keys as object);
	const given = Object.fromEntries(keys.filter((k) => env[k]).map((k) => [k, env[k]]));
	const checked = validate<Record<string, string>>(schema.prefs({ convert: true }), given);
	if (!checked.ok) {
		const message = `wrong setting: ${checked.faults.map(faultLine).join('; ')}`;
		throw Object.assign(new Error(message), { forPeople: true });
	}
	const value = checked.value;
	return {
		database: {
			host: value.VANE_DB_HOST!,
			port: Number(value.VANE_DB_PORT),
			user: value.VANE_DB_USER!,
			password: value.VANE_DB_PASSWORD!,
			database: value.VANE_DB_NAME!
		},
		secureCookies: value.VANE_ORIGIN!.startsWith('https:'),
		sessionHours: Number(value.VANE_SESSION_HOURS),
		logLevel: value.VANE_LOG_LEVEL!,
		diskReserveMb: Number(value.VANE_DISK_RESERVE_MB),
		programs: value.VANE_PROGRAMS!,
		http: {
			host: value.VANE_HOST!,
			port: Number(value.VANE_PORT),
			requestSeconds: Number(value.VANE_REQUEST_SECONDS),
			trustedProxies: value.VANE_TRUSTED_PROXY?.split(',') ?? []
		},
		sealer: { folder: value.VANE_KEY_DIR!, origin: value.VANE_ORIGIN! },
		...(value.VANE_DEVICE_PORT && {
			devices: { host: value.VANE_DEVICE_HOST!, port: Number(value.VANE_DEVICE_PORT) }
		})
	};
}
