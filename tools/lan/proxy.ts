/** nginx before the application and the device line, which themselves listen on loopback only. */
import { spawn } from 'node:child_process';
import { closeSync, existsSync, mkdirSync, writeFileSync } from 'node:fs';
import { connect } from 'node:net';
import { join } from 'node:path';
import { program, tail } from '../database.ts';
import { endOf, type Running } from '../keep-running.ts';
import { openLog } from '../log-file.ts';
import { isRunning, problem, stopProcess } from '../process.ts';
import type { LanSettings, Settings } from '../settings.ts';
import type { Tls } from './authority.ts';

/** Where Debian's libnginx-mod-stream puts it. */
const streamModule = '/usr/lib/nginx/modules/ngx_stream_module.so';

function configuration(folder: string, settings: Settings, lan: LanSettings, tls: Tls): string {
	const at = (name: string) => join(folder, name);
	const temporary = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi'].map(
		(name) => `	${name}_temp_path ${at(`tmp-${name}`)};`
	);
	const certificate = `ssl_certificate ${tls.certificate};
		ssl_certificate_key ${tls.key};
		ssl_protocols TLSv1.2 TLSv1.3;`;
	return `load_module ${streamModule};
daemon off;
worker_processes 1;
pid ${at('nginx.pid')};
error_log stderr warn;
events {}
http {
	access_log off;
	server_tokens off;
	types { text/html html; application/x-x509-ca-cert crt; }
${temporary.join('\n')}
	server {
		listen ${lan.listen}:${lan.port} ssl http2;
		${certificate}
		client_max_body_size 8m;
		client_header_timeout 30s;
		client_body_timeout 30s;
		location / {
			proxy_pass http://127.0.0.1:${settings.port};
			proxy_http_version 1.1;
			proxy_set_header Host $http_host;
			proxy_set_header Connection "";
			# What the client says of itself is not passed on.
			proxy_set_header X-Forwarded-For $remote_addr;
			proxy_buffering off;
			proxy_read_timeout 1h;
		}
	}
	# How a tablet comes to trust the shop's authority: the one page that is not over TLS.
	server {
		listen ${lan.listen}:${lan.trustPort};
		root ${at('public')};
	}
}
stream {
	server {
		listen ${lan.listen}:${lan.devicePort} ssl;
		${certificate}
		proxy_pass 127.0.0.1:${settings.devicePort};
		proxy_timeout 10m;
	}
}
`;
}

export async function startProxy(
	folder: string,
	settings: Settings,
	lan: LanSettings,
	tls: Tls
): Promise<Running & { pid: number }> {
	if (!existsSync(streamModule)) {
		throw problem('nginx has no stream module: sudo apt-get install libnginx-mod-stream');
	}
	mkdirSync(folder, { recursive: true });
	const file = join(folder, 'nginx.conf');
	writeFileSync(file, configuration(folder, settings, lan, tls));
	const [path, log] = openLog(settings.folder, 'proxy.log', 'a');
	const server = spawn(program('nginx'), ['-p', folder, '-c', file, '-e', 'stderr'], {
		detached: true,
		stdio: ['ignore', log, log]
	});
	closeSync(log);
	let over = false;
	const pid = server.pid ?? 0;
	const ended = endOf(server).then((how) => {
		over = true;
		killWorkers(pid);
		return how;
	});
	for (let tries = 0; !(await listens(lan.address, lan.port)); tries++) {
		if (over || tries > 200) {
			await stopProcess(pid, 5_000);
			throw problem(`nginx did not start. Its log: ${path}\n${tail(path)}`);
		}
		await new Promise((done) => setTimeout(done, 50));
	}
	return { pid, ended, stop: () => stopProcess(pid, 8_000) };
}

/** One that a killed launcher left behind holds the ports. */
export async function stopLeftProxy(pid: number | undefined): Promise<void> {
	if (pid && isRunning(pid, 'nginx')) await stopProcess(pid, 8_000);
}

/** A master that was killed leaves workers that go on with its ports; they are of its group. */
function killWorkers(master: number): void {
	try {
		process.kill(-master, 'SIGKILL');
	} catch {
		// None is left.
	}
}

const listens = (host: string, port: number): Promise<boolean> =>
	new Promise((done) => {
		const socket = connect(port, host, () => {
			socket.destroy();
			done(true);
		});
		socket.once('error', () => done(false));
	});
