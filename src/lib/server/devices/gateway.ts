/**
 * Where devices connect: one JSON object a line over TCP. docs/devices.md is the protocol for those who
 * build a device; the schemas are in lib/schema/device.ts.
 */
import { createServer, type Server, type Socket } from 'node:net';
import { createInterface } from 'node:readline';
import type { Logger } from 'pino';
import type { Entry } from '../../../core/job/book/entry.ts';
import { Problem } from '../../../core/problem.ts';
import { faultLine, validate } from '../../../core/validate.ts';
import type { DeviceTask, SentReading } from '../../devices/model.ts';
import { helloSchema, sentReadingSchema } from '../../schema/device.ts';
import { parseJson } from '../api/body.ts';
import { tokenHash } from '../auth/secrets.ts';
import { findDevice, findDeviceByToken, setSeen } from '../db/devices.ts';
import type { Database } from '../db/pool.ts';
import type { Disk } from '../disk.ts';
import { passOver, takeReading } from './readings.ts';

/** A line longer than this is no reading; the connection is ended. */
const mostBytes = 512 * 1024;
/** Who has not said yet who it is has little to say. */
const mostOfStranger = 1024;
/** A device that says nothing at all for this long is taken for gone. */
const silenceMs = 90_000;
/** A stranger has this long to say who it is. */
const helloMs = 5_000;

export interface GatewayOptions {
	db: Database;
	log: Pick<Logger, 'info' | 'warn' | 'error'>;
	/** A reading came in for this job, and became these entries of its book. */
	announce: (jobId: string, readingId: string, entries: readonly Entry[]) => void;
	/** Nothing is taken while it is full. */
	disk: Disk;
	/** Lets connected devices be told of their tasks. */
	lines: DeviceLines;
}

/** The devices connected to this process. */
export class DeviceLines {
	readonly #sockets = new Map<string, Socket>();
	/** What each connection was told last. */
	readonly #told = new WeakMap<Socket, DeviceTask | null>();

	connected(deviceId: string): boolean {
		return this.#sockets.has(deviceId);
	}

	/** The newest connection of a device counts; an older one is ended. */
	open(deviceId: string, socket: Socket): void {
		this.#sockets.get(deviceId)?.destroy();
		this.#sockets.set(deviceId, socket);
	}

	close(deviceId: string, socket: Socket): void {
		if (this.#sockets.get(deviceId) === socket) this.#sockets.delete(deviceId);
	}

	/** Tells the device what to measure next, if it is there to hear it. */
	tell(deviceId: string, task: DeviceTask | null): void {
		const socket = this.#sockets.get(deviceId);
		if (!socket) return;
		this.#told.set(socket, task);
		say(socket, { type: 'task', task: task && forDevice(task) });
	}

	/** What this connection was told; undefined while nothing was. */
	told(socket: Socket): DeviceTask | null | undefined {
		return this.#told.get(socket);
	}

	endAll(): void {
		for (const socket of this.#sockets.values()) socket.destroy();
	}
}

/** A device that reads none of its answers is ended once so much waits for it. */
const mostUnread = 64 * 1024;

const say = (socket: Socket, message: object): void => {
	if (!socket.writable) return;
	socket.write(`${JSON.stringify(message)}\n`);
	if (socket.writableLength > mostUnread) socket.destroy();
};

/** What a device needs to know of its task. */
function forDevice(task: DeviceTask): object {
	const { id, kind, label } = task;
	if (task.kind === 'torque') {
		const { targetNm, prevailingNm, angleDeg } = task;
		return { id, kind, label, targetNm, prevailingNm, angleDeg };
	}
	return 'corner' in task ? { id, kind, label, corner: task.corner } : { id, kind, label };
}

/** Listens for devices. @returns the server; close it, and `lines.endAll()`, at the end */
export function openGateway(options: GatewayOptions, port: number, host: string): Server {
	const server = createServer((socket) => {
		void serve(socket, options).catch((error: unknown) => {
			options.log.error({ err: error }, 'device line failed');
			socket.destroy();
		});
	});
	server.on('error', (error) => options.log.error({ err: error }, 'device port failed'));
	server.listen(port, host);
	return server;
}

async function serve(
	socket: Socket,
	{ db, log, announce, disk, lines }: GatewayOptions
): Promise<void> {
	socket.setNoDelay(true);
	socket.setTimeout(silenceMs, () => socket.destroy());
	socket.on('error', () => socket.destroy());
	const early = setTimeout(() => socket.destroy(), helloMs);
	let deviceId: string | undefined;
	guardLength(socket, () => (deviceId === undefined ? mostOfStranger : mostBytes));
	const input = createInterface({ input: socket, crlfDelay: Infinity });
	// A line that breaks ends the loop below; it is no fault of ours.
	input.on('error', () => socket.destroy());
	try {
		// One line after the other: a device's readings are taken in the order it sent them.
		for await (const line of input) {
			if (!line.trim()) continue;
			const message = parse(line);
			if (deviceId === undefined) {
				deviceId = await hello(socket, message, db, lines);
				if (deviceId === undefined) return;
				clearTimeout(early);
				log.info({ device: deviceId }, 'device connected');
				continue;
			}
			const active = (await findDevice(db, deviceId))?.active;
			if (!active) {
				say(socket, { type: 'refused', reason: 'this device is switched off in the shop' });
				return;
			}
			await answer(socket, deviceId, message, { db, log, announce, disk, lines });
		}
	} finally {
		clearTimeout(early);
		if (deviceId !== undefined) {
			lines.close(deviceId, socket);
			log.info({ device: deviceId }, 'device gone');
		}
		socket.destroy();
	}
}

function guardLength(socket: Socket, most: () => number): void {
	let since = 0;
	socket.on('data', (chunk: Buffer) => {
		const last = chunk.lastIndexOf(10);
		since = last < 0 ? since + chunk.length : chunk.length - last - 1;
		if (since > most()) {
			say(socket, { type: 'refused', reason: `a line is at most ${most()} bytes` });
			socket.destroy();
		}
	});
}

function parse(line: string): Record<string, unknown> | undefined {
	try {
		const value = parseJson(line);
		return typeof value === 'object' && value !== null && !Array.isArray(value)
			? (value as Record<string, unknown>)
			: undefined;
	} catch {
		return undefined;
	}
}

async function hello(
	socket: Socket,
	message: Record<string, unknown> | undefined,
	db: Database,
	lines: DeviceLines
): Promise<string | undefined> {
	const checked = validate<{ token: string }>(helloSchema, message ?? null);
	if (!checked.ok) {
		say(socket, { type: 'refused', reason: checked.faults.map(faultLine).join('; ') });
		return undefined;
	}
	const device = await findDeviceByToken(db, tokenHash(checked.value.token).toString('hex'));
	if (!device) {
		say(socket, { type: 'refused', reason: 'no active device of this shop has this token' });
		return undefined;
	}
	lines.open(device.id, socket);
	await setSeen(db, device.id, new Date());
	// Read again: while it came in, its last reading may have been taken and something new been asked.
	const now = (await findDevice(db, device.id)) ?? device;
	const told = lines.told(socket);
	const task = told === undefined ? now.task : told;
	say(socket, {
		type: 'welcome',
		device: now.name,
		lastSeq: now.lastSeq,
		task: task && forDevice(task)
	});
	return device.id;
}

interface Refused {
	refused: string;
}
const wordsOf = ({ message, faults }: Problem): string =>
	faults.length ? faults.map(faultLine).join('; ') : message;

async function answer(
	socket: Socket,
	deviceId: string,
	message: Record<string, unknown> | undefined,
	{ db, log, announce, disk, lines }: GatewayOptions
): Promise<void> {
	if (message?.type === 'ping') return say(socket, { type: 'pong' });
	if (message?.type === 'lost' && Number.isSafeInteger(message.seq)) {
		const passed = await passOver(db, deviceId, message.seq as number);
		log.warn({ device: deviceId, seq: message.seq, passed }, 'device lost a reading');
		return say(socket, { type: 'ack', seq: message.seq, result: passed ? 'lost' : 'duplicate' });
	}
	const checked = validate<SentReading & { type: string }>(sentReadingSchema, message ?? null, {
		now: Date.now()
	});
	if (!checked.ok) {
		const reason = checked.faults.map(faultLine).join('; ');
		return say(socket, { type: 'refused', seq: message?.seq, id: message?.id, reason });
	}
	const { type: _, ...sent } = checked.value;
	// Not acknowledged, so the device keeps it and sends it again when it connects the next time.
	await disk.hasSpace();
	const taken = await takeReading(db, deviceId, sent).catch((error: unknown): Refused => {
		// What was said is to blame, and would be refused again: the device is told.
		if (error instanceof Problem && error.status < 500) return { refused: wordsOf(error) };
		throw error;
	});
	if ('refused' in taken)
		return say(socket, { type: 'refused', seq: sent.seq, id: sent.id, reason: taken.refused });
	if ('resendFrom' in taken) return say(socket, { type: 'resend', from: taken.resendFrom });
	const { result, reason } = taken;
	// Stored and committed: only now may the device forget it.
	say(socket, { type: 'ack', seq: sent.seq, id: sent.id, result, reason });
	if (taken.taskDone) lines.tell(deviceId, null);
	await setSeen(db, deviceId, new Date());
	if (taken.jobId) announce(taken.jobId, sent.id, taken.entries ?? []);
}
