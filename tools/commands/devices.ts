/** `./vane devices`: the simulated wrench, gauge and scales against an instance that runs already. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { LineAddress } from '../../devices/line-client.ts';
import { serveControls, StandIns } from '../../devices/stand-ins.ts';
import { problem } from '../process.ts';
import { readSettings } from '../settings.ts';

export async function run(args: string[]): Promise<void> {
	const tls = args.indexOf('--tls');
	const [at] = tls < 0 ? [] : args.splice(tls, 2).slice(1);
	const [wrench, gauge, scales, ...more] = args;
	if (
		!wrench ||
		!gauge ||
		!scales ||
		more.length ||
		(tls >= 0 && !/^[\w.-]+:\d+$/.test(at ?? ''))
	) {
		throw problem(
			'devices takes three tokens, of the wrench, the height gauge and the wheel scales; and --tls HOST:PORT.'
		);
	}
	const { deviceHost, devicePort, folder } = readSettings('shop');
	const line: LineAddress = { host: deviceHost, port: devicePort };
	if (at) {
		const [host, port] = at.split(':');
		const ca = readFileSync(join(folder, 'tls/authority.crt'), 'utf8');
		Object.assign(line, { host, port: Number(port), ca });
	}
	const standIns = new StandIns(line, { wrench, gauge, scales });
	const server = await serveControls(standIns, devicePort + 1);
	console.log(
		`\n  Simulated devices:  http://127.0.0.1:${devicePort + 1}\n\n  Ctrl-C stops them.\n`
	);
	await new Promise<void>((done) => {
		for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const)
			process.once(signal, () => done());
	});
	standIns.end();
	server.closeAllConnections();
	server.close();
}
