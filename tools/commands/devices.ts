/** `./vane devices`: the simulated wrench, gauge and scales against an instance that runs already. */
import { serveControls, StandIns } from '../../devices/stand-ins.ts';
import { problem } from '../process.ts';
import { readSettings } from '../settings.ts';

export async function run(args: string[]): Promise<void> {
	const [wrench, gauge, scales, ...more] = args;
	if (!wrench || !gauge || !scales || more.length) {
		throw problem(
			'devices takes three tokens: of the wrench, the height gauge and the wheel scales.'
		);
	}
	const { deviceHost, devicePort } = readSettings('shop');
	const standIns = new StandIns({ host: deviceHost, port: devicePort }, { wrench, gauge, scales });
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
