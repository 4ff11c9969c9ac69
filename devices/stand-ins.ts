/**
 * The simulated devices that ship with Vane Set: a transducer wrench, a height gauge and four wheel
 * scales. They speak the line protocol like any device, and are worked from a little page of their own.
 */
import { readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import { behaviours, pull, soundJoint, type Behaviour } from './joint-model.ts';
import { LineClient, type LineAddress } from './line-client.ts';

export interface StandInTokens {
	wrench: string;
	gauge: string;
	scales: string;
}

export class StandIns {
	readonly wrench: LineClient;
	readonly gauge: LineClient;
	readonly scales: LineClient;
	#seed = 1;

	constructor(gateway: LineAddress, tokens: StandInTokens) {
		const client = (token: string) => new LineClient({ ...gateway, token });
		this.wrench = client(tokens.wrench);
		this.gauge = client(tokens.gauge);
		this.scales = client(tokens.scales);
	}

	/** Pulls the wrench at the joint it was asked for, or at 100 N·m where nobody has asked. */
	pull(behaviour: Behaviour): void {
		const { task } = this.wrench;
		const joint = soundJoint(task?.targetNm ?? 100, task?.prevailingNm ?? undefined);
		const { angleDeg, torqueNm, complete } = pull(joint, behaviour, this.#seed++);
		const turned = task?.angleDeg ?? angleDeg[angleDeg.length - 1]!;
		const reading = {
			kind: 'torque',
			torqueNm: Number(Math.max(...torqueNm).toFixed(2)),
			angleDeg: behaviour === 'early' ? Number((0.6 * turned).toFixed(1)) : turned,
			complete,
			battery: behaviour === 'battery' ? 0 : 0.83,
			trace: { angleDeg, torqueNm }
		};
		switch (behaviour) {
			case 'wrong-joint':
				this.wrench.report(reading, '00000000-0000-7000-8000-000000000000');
				break;
			case 'battery':
				// It falls silent; with a new battery it reports what it still had.
				this.wrench.sleep();
				this.wrench.report(reading);
				setTimeout(() => this.wrench.wake(), 800);
				break;
			case 'duplicate': {
				const seq = this.wrench.report(reading);
				this.wrench.repeat(seq);
				break;
			}
			case 'reconnect':
				this.wrench.report(reading);
				this.wrench.drop();
				break;
			case 'out-of-order':
				this.wrench.reportTurned(reading, reading);
				break;
			default:
				this.wrench.report(reading);
		}
	}

	measure(heightMm: number): void {
		this.gauge.report({ kind: 'height', heightMm });
	}

	weigh(loadsN: Record<string, number>): void {
		this.scales.report({ kind: 'loads', loadsN });
	}

	end(): void {
		for (const client of [this.wrench, this.gauge, this.scales]) client.end();
	}
}

const page = new URL('control.html', import.meta.url);
const view = (client: LineClient) => ({
	name: client.name,
	connected: client.connected,
	task: client.task,
	waiting: client.waiting,
	answers: client.answers.slice(-6).reverse()
});

/** The page the stand-ins are worked from, and the requests behind its buttons. */
export function serveControls(standIns: StandIns, port: number): Promise<Server> {
	const server = createServer((request, response) => {
		const url = new URL(request.url ?? '/', 'http://localhost');
		const answer = (status: number, body: object) => {
			response.writeHead(status, { 'content-type': 'application/json' });
			response.end(JSON.stringify(body));
		};
		if (request.method === 'GET' && url.pathname === '/') {
			response.writeHead(200, { 'content-type': 'text/html; charset=utf-8' });
			return void response.end(readFileSync(page));
		}
		if (request.method === 'GET' && url.pathname === '/state') {
			return answer(200, {
				behaviours,
				wrench: view(standIns.wrench),
				gauge: view(standIns.gauge),
				scales: view(standIns.scales)
			});
		}
		if (request.method !== 'POST') return answer(404, { title: 'There is no such page.' });
		const number = (name: string) => Number(url.searchParams.get(name));
		if (url.pathname === '/pull') {
			const behaviour = url.searchParams.get('how') ?? 'good';
			if (!(behaviour in behaviours)) return answer(422, { title: `no such pull: ${behaviour}` });
			standIns.pull(behaviour as Behaviour);
		} else if (url.pathname === '/measure' && number('mm') > 0) {
			standIns.measure(number('mm'));
		} else if (url.pathname === '/weigh') {
			const corners = ['FL', 'FR', 'RL', 'RR'];
			standIns.weigh(Object.fromEntries(corners.map((corner) => [corner, number(corner)])));
		} else {
			return answer(422, { title: 'nothing that could be measured' });
		}
		answer(202, {});
	});
	return new Promise((done, broken) => {
		server.once('error', broken);
		server.listen(port, '127.0.0.1', () => done(server));
	});
}
