/** The API of a running instance as a signed-in person has it. */
import { setTimeout as pause } from 'node:timers/promises';
import { v7 as uuidv7 } from 'uuid';

export interface Answer {
	/** 0: nobody answered. */
	status: number;
	body: unknown;
	text: string;
	ms: number;
	cookies: string[];
}

/** Nothing takes as long, ms: whoever has not answered by then never does. */
const patienceMs = 90_000;

export class Api {
	#cookie = '';

	constructor(readonly origin: string) {}

	async ask(
		method: string,
		path: string,
		body?: unknown,
		headers: Record<string, string> = {}
	): Promise<Answer> {
		const started = performance.now();
		const raw = typeof body === 'string' || body instanceof Uint8Array;
		try {
			const answer = await fetch(`${this.origin}/api/v1${path}`, {
				method,
				headers: {
					cookie: this.#cookie,
					origin: this.origin,
					...(body !== undefined && { 'content-type': 'application/json' }),
					...headers
				},
				...(body !== undefined && { body: raw ? (body as BodyInit) : JSON.stringify(body) }),
				signal: AbortSignal.timeout(patienceMs)
			});
			const text = await answer.text();
			const json = answer.headers.get('content-type')?.includes('json');
			return {
				status: answer.status,
				body: json ? (JSON.parse(text) as unknown) : undefined,
				text,
				ms: performance.now() - started,
				cookies: answer.headers.getSetCookie().map((one) => one.split(';')[0]!)
			};
		} catch {
			const ms = performance.now() - started;
			return { status: 0, body: undefined, text: '', ms, cookies: [] };
		}
	}

	async signIn(handle: string, secret: string): Promise<void> {
		const { cookies } = await this.must('POST', '/session', { handle, secret });
		this.#cookie = cookies.join('; ');
	}

	async untilReady(): Promise<void> {
		while ((await this.ask('GET', '/ready')).status !== 200) await pause(50);
	}

	async newCar(): Promise<Record<string, unknown> & { id: string }> {
		const car = {
			id: uuidv7(),
			plate: uuidv7().slice(-12),
			make: 'Halden',
			model: 'Pike',
			owner: '',
			modifications: '',
			wheelbase: '2640',
			front: { layout: 'macpherson-front', track: '1540' },
			rear: { layout: 'trailing-arm-rear', track: '1540' }
		};
		await this.must('POST', '/vehicles', car);
		return car;
	}

	/** @returns its id */
	async newJob(): Promise<string> {
		const { id: vehicleId } = await this.newCar();
		const job = { id: uuidv7(), vehicleId, complaint: 'Knock', corners: ['FL', 'FR'] };
		await this.must('POST', '/jobs', job);
		return job.id;
	}

	async must(method: string, path: string, body?: unknown): Promise<Answer> {
		const answer = await this.ask(method, path, body);
		if (answer.status < 200 || answer.status > 299)
			throw new Error(`${method} ${path}: ${answer.status} ${answer.text.slice(0, 300)}`);
		return answer;
	}
}
