/** For each route that takes a body: one that it takes. Made against a running demo shop. */
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import sharp from 'sharp';
import { v7 as uuidv7 } from 'uuid';
import { LineClient } from '../../devices/line-client.ts';
import { computations } from '../../src/core/compute.ts';
import type { JobRecord } from '../../src/core/job/record.ts';
import { makers, saidKinds } from '../integration/makers.ts';
import { until } from '../integration/until.ts';
import type { Api } from './api.ts';

export interface Request {
	/** Of the operation, with its parameters' names. */
	route: string;
	method: string;
	path: string;
	body: unknown;
}
/** Made when its turn comes: what was taken once may not be taken twice. */
export type Maker = () => Promise<Request> | Request;

/** @param own whoever asks: a lead, with this PIN */
export async function bodies(
	api: Api,
	{ devicePort, own }: { devicePort: number; own: { pin: string } }
): Promise<Maker[]> {
	const to = (route: string, method: string, path: string, body: unknown): Request => ({
		route,
		method,
		path,
		body
	});
	const get = async <T>(path: string) => (await api.must('GET', path)).body as T;
	const picture = async () => {
		const background = { r: 120, g: 90, b: 40 };
		const png = sharp({ create: { width: 60, height: 40, channels: 3, background } }).png();
		return `data:image/png;base64,${(await png.toBuffer()).toString('base64')}`;
	};
	const person = () => {
		const id = uuidv7();
		const handle = `p${id.slice(-8)}`;
		return { id, handle, name: 'Somebody', role: 'technician', secret: '471926' };
	};
	const wrench = () => ({
		id: uuidv7(),
		name: `Wrench ${uuidv7().slice(-8)}`,
		kind: 'click',
		lowest: '20',
		highest: '220 N·m'
	});
	const device = () => ({
		id: uuidv7(),
		name: `Gauge ${uuidv7().slice(-8)}`,
		kind: 'height-gauge'
	});
	/** A reading that nobody asked for waits for a person. */
	const heldReading = async () => {
		const added = device();
		const { body } = await api.must('POST', '/devices', added);
		const { token } = body as { token: string };
		const line = new LineClient({ host: '127.0.0.1', port: devicePort, token });
		await until(() => line.connected, 'the line');
		line.report({ kind: 'height', heightMm: 361 });
		await until(() => line.waiting === 0, 'the reading');
		line.end();
		const { held } = await get<{ held: { id: string; device: string; deviceName: string }[] }>(
			'/devices'
		);
		return held.at(-1)!.id;
	};
	const slot = (hour: number) => ({
		bay: 0,
		startsAt: new Date(Date.UTC(2031, 0, 1 + hour, 8)).toISOString(),
		minutes: 60,
		version: 0
	});
	let day = 0;
	const file = async () => get<Record<string, unknown>>(`/jobs/${await api.newJob()}/job.json`);

	const simple: Maker[] = [
		() => to('/session', 'POST', '/session', { handle: 'jo', secret: '137950' }),
		() => to('/me', 'PATCH', '/me', { theme: 'dark' }),
		() =>
			to('/me/password', 'PUT', '/me/password', { secret: own.pin, password: 'the arm at rest' }),
		() => to('/people', 'POST', '/people', person()),
		async () => {
			const added = person();
			await api.must('POST', '/people', added);
			return to('/people/{id}', 'PATCH', `/people/${added.id}`, { name: 'Somebody Else' });
		},
		async () => {
			for (let version = 1; ; version++) {
				const shop = shopAt(version);
				const { status } = await api.ask('PUT', '/shop', shop);
				if (status !== 409) return to('/shop', 'PUT', '/shop', shopAt(version + 1));
			}
		},
		async () => {
			const car = await api.newCar();
			return to('/vehicles', 'POST', '/vehicles', {
				...car,
				id: uuidv7(),
				plate: uuidv7().slice(-12)
			});
		},
		async () => {
			const { id, ...car } = await api.newCar();
			return to('/vehicles/{id}', 'PUT', `/vehicles/${id}`, { ...car, id, owner: 'A', version: 1 });
		},
		async () => {
			const { id: vehicleId } = await api.newCar();
			return to('/jobs', 'POST', '/jobs', {
				id: uuidv7(),
				vehicleId,
				complaint: 'Knock',
				corners: ['RL']
			});
		},
		async () =>
			to('/jobs/{id}/photos', 'POST', `/jobs/${await api.newJob()}/photos`, {
				id: uuidv7(),
				takenAt: new Date().toISOString(),
				image: await picture()
			}),
		async () => to('/jobs/{id}/bay', 'PUT', `/jobs/${await api.newJob()}/bay`, slot(day++)),
		async () => {
			const slots = [{ jobId: await api.newJob(), ...slot(day++) }];
			return to('/bays', 'PUT', '/bays', { slots });
		},
		() => to('/wrenches', 'POST', '/wrenches', wrench()),
		async () => {
			const { id, ...added } = wrench();
			await api.must('POST', '/wrenches', { id, ...added });
			return to('/wrenches/{id}', 'PUT', `/wrenches/${id}`, { ...added, version: 1 });
		},
		async () => {
			const added = wrench();
			await api.must('POST', '/wrenches', added);
			const readings = ['44', '132', '220'].map((set) => ({ set, read: set }));
			return to('/wrenches/{id}/calibrations', 'POST', `/wrenches/${added.id}/calibrations`, {
				id: uuidv7(),
				calibratedOn: '2026-01-10',
				readings
			});
		},
		() => to('/devices', 'POST', '/devices', device()),
		async () => {
			const added = device();
			await api.must('POST', '/devices', added);
			return to('/devices/{id}', 'PATCH', `/devices/${added.id}`, { active: false });
		},
		async () => {
			const added = device();
			await api.must('POST', '/devices', added);
			return to('/devices/{id}/task', 'PUT', `/devices/${added.id}/task`, {
				jobId: await api.newJob(),
				kind: 'height',
				corner: 'FL',
				phase: 'before'
			});
		},
		async () =>
			to('/device-readings/{id}/place', 'POST', `/device-readings/${await heldReading()}/place`, {
				jobId: await api.newJob(),
				corner: 'FL',
				phase: 'before'
			}),
		async () =>
			to(
				'/device-readings/{id}/set-aside',
				'POST',
				`/device-readings/${await heldReading()}/set-aside`,
				{ reason: 'pulled to try it' }
			),
		async () => to('/verify', 'POST', '/verify', await file()),
		async () => {
			const { body } = await api.ask('GET', '/keys');
			const [key] = (body as { keys: { publicKey: string }[] }).keys;
			const publicKey = `${key!.publicKey.slice(0, 30)}${uuidv7().replace(/-/g, '').slice(-13)}`;
			return to('/known-shops', 'POST', '/known-shops', { name: 'The other shop', publicKey });
		},
		async () => to('/import', 'POST', '/import', await file()),
		() => to('/import', 'POST', '/import', firstFormat())
	];
	const computed = computations.map(
		({ name, example }): Maker =>
			() =>
				to(`/compute/${name}`, 'POST', `/compute/${name}`, example)
	);
	const demoJobs = await get<{ jobs: { id: string; signedAt: string | null }[] }>('/jobs');
	const said = saidKinds.map((kind): Maker => async () => {
		const open = demoJobs.jobs[0]!.id;
		const job = kind === 'retorque' || kind === 'addendum' ? open : await api.newJob();
		const [record, book] = [
			await get<JobRecord>(`/jobs/${job}`),
			await get<Pick<JobRecord, 'entries'>>(`/jobs/${job}/entries`)
		];
		const arbitrary = fc.gen().map((g) => makers[kind]!(g, { ...record, ...book }));
		return to('/jobs/{id}/entries', 'POST', `/jobs/${job}/entries`, {
			id: uuidv7(),
			kind,
			enteredAt: new Date().toISOString(),
			...fc.sample(arbitrary, 1)[0]
		});
	});
	return [...simple, ...computed, ...said];
}

/** A file of the first format, from elsewhere. */
const firstFormat = () =>
	JSON.parse(
		gunzipSync(readFileSync(new URL('../fixtures/job-v1.json.gz', import.meta.url))).toString()
	) as unknown;

const shopAt = (version: number) => ({
	version,
	name: 'Tern Street Suspension',
	units: { system: 'metric', torque: 'N·m' },
	twistSetDeg: 2,
	twistAdvisedDeg: 5,
	resetAboveMm: 10,
	bays: 2,
	lifts: 1,
	technicians: 2
});
