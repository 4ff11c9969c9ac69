/**
 * The device's end of the line protocol (docs/devices.md): says hello, keeps each reading until the
 * server has acknowledged it, sends again after a break or when asked to, and hears of its tasks.
 */
import { connect, type Socket } from 'node:net';
import { connect as connectTls } from 'node:tls';
import { createInterface } from 'node:readline';
import { v7 as uuidv7 } from 'uuid';

export interface Task {
	id: string;
	kind: 'torque' | 'height' | 'loading' | 'loads';
	label: string;
	corner?: string;
	targetNm?: number | null;
	angleDeg?: number | null;
	prevailingNm?: number | null;
}

export interface Answer {
	seq: number;
	result: string;
	reason: string;
}

interface Kept {
	seq: number;
	line: Record<string, unknown>;
}

/** @property ca the shop's authority, PEM: the line is over TLS then */
export interface LineAddress {
	host: string;
	port: number;
	ca?: string;
}

const againMs = 400;

export class LineClient {
	task: Task | null = null;
	name = '';
	connected = false;
	/** How often it has called the server. */
	tries = 0;
	/** Answers of the server, newest last. */
	readonly answers: Answer[] = [];
	/** Told at every change. */
	onchange: () => void = () => {};
	#socket: Socket | undefined;
	#kept: Kept[] = [];
	#seq = 0;
	#ended = false;
	#away = false;
	readonly #to: LineAddress & { token: string };

	constructor(to: LineAddress & { token: string }) {
		this.#to = to;
		this.#open();
	}

	/** Readings that the server has not acknowledged. */
	get waiting(): number {
		return this.#kept.length;
	}

	/** True until this reading is acknowledged. */
	holds(seq: number): boolean {
		return this.#kept.some((one) => one.seq === seq);
	}

	/** Keeps a reading and sends it. @returns its number */
	report(measured: Record<string, unknown>, task: string | null = this.task?.id ?? null): number {
		const seq = (this.#seq += 1);
		const line = {
			type: 'reading',
			id: uuidv7(),
			seq,
			takenAt: new Date().toISOString(),
			task,
			...measured
		};
		this.#kept.push({ seq, line });
		this.#send(line);
		this.onchange();
		return seq;
	}

	/** Sends a kept reading once more, as a device does that did not hear the answer. */
	repeat(seq: number): void {
		const kept = this.#kept.find((one) => one.seq === seq);
		if (kept) this.#send(kept.line);
	}

	/** Keeps two readings and sends the later one first. */
	reportTurned(first: Record<string, unknown>, second: Record<string, unknown>): void {
		const away = this.#away;
		this.#away = true;
		const [a, b] = [this.report(first), this.report(second)];
		this.#away = away;
		this.repeat(b);
		this.repeat(a);
	}

	/** The line breaks; the client comes back by itself. */
	drop(): void {
		this.#socket?.destroy();
	}

	/** Off, as with an empty battery, until `wake`. */
	sleep(): void {
		this.#away = true;
		this.drop();
	}

	wake(): void {
		this.#away = false;
		if (!this.connected) this.#open();
	}

	end(): void {
		this.#ended = true;
		this.drop();
	}

	#send(line: object): void {
		if (this.connected && !this.#away) this.#socket?.write(`${JSON.stringify(line)}\n`);
	}

	#open(): void {
		if (this.#ended || this.#away) return;
		this.tries++;
		const { host, port, ca } = this.#to;
		const socket = ca === undefined ? connect(port, host) : connectTls({ host, port, ca });
		this.#socket = socket;
		socket.setNoDelay(true);
		const alive = setInterval(() => this.#send({ type: 'ping' }), 30_000);
		socket.once(ca === undefined ? 'connect' : 'secureConnect', () =>
			socket.write(`${JSON.stringify({ type: 'hello', protocol: 1, token: this.#to.token })}\n`)
		);
		const lines = createInterface({ input: socket });
		lines.on('line', (line) => this.#hear(JSON.parse(line) as Record<string, unknown>));
		// The server is away or went away: the close below comes back to it.
		lines.on('error', () => socket.destroy());
		socket.on('error', () => socket.destroy());
		socket.once('close', () => {
			clearInterval(alive);
			if (this.#socket !== socket) return;
			this.connected = false;
			this.onchange();
			if (!this.#ended && !this.#away) setTimeout(() => this.#open(), againMs);
		});
	}

	#hear(message: Record<string, unknown>): void {
		switch (message.type) {
			case 'welcome':
				this.connected = true;
				this.name = String(message.device);
				this.task = message.task as Task | null;
				this.#seq = Math.max(this.#seq, Number(message.lastSeq));
				this.#settle(Number(message.lastSeq));
				for (const { line } of this.#kept) this.#send(line);
				break;
			case 'task':
				this.task = message.task as Task | null;
				break;
			case 'ack':
				this.answers.push({
					seq: Number(message.seq),
					result: String(message.result),
					reason: String(message.reason ?? '')
				});
				this.#kept = this.#kept.filter(({ seq }) => seq !== message.seq);
				break;
			case 'resend':
				for (const { seq, line } of this.#kept) if (seq >= Number(message.from)) this.#send(line);
				break;
			case 'refused':
				this.answers.push({
					seq: Number(message.seq ?? 0),
					result: 'refused',
					reason: String(message.reason)
				});
				this.#kept = this.#kept.filter(({ seq }) => seq !== message.seq);
				break;
		}
		if (this.answers.length > 40) this.answers.shift();
		this.onchange();
	}

	/** The server has everything up to this number: its answers were lost on the way. */
	#settle(lastSeq: number): void {
		for (const { seq } of this.#kept.filter((one) => one.seq <= lastSeq))
			this.answers.push({ seq, result: 'stored', reason: 'the answer had been lost' });
		this.#kept = this.#kept.filter(({ seq }) => seq > lastSeq);
	}
}
