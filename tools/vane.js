/**
 * Reads the command, installs what that command needs, then runs it.
 * Plain JavaScript without packages: this file runs before `npm ci` has.
 */
import { existsSync } from 'node:fs';
import { fail, findProgram, installDebianPackages, installNodePackages, root } from './system.js';

/** What each command needs on the machine, and one line of help. */
const commands = {
	demo: { needs: ['node', 'mariadb'], help: 'set up and start with the demo shop   [--reset]' },
	start: {
		needs: ['node', 'mariadb'],
		help: 'set up and start for your own shop   [--lan [ADDRESS]: for tablets, over TLS]'
	},
	test: { needs: ['node', 'mariadb', 'chromium', 'nginx'], help: 'run every check   [STEP …]' },
	dev: { needs: ['node', 'mariadb'], help: 'demo data with reload on change, for developers' },
	devices: {
		needs: ['node'],
		help: 'WRENCH GAUGE SCALES: the simulated devices, each with its token   [--tls HOST:PORT]'
	},
	compute: { needs: ['node'], help: 'NAME < in.json > out.json   [--list | --example NAME]' },
	db: { needs: ['node', 'mariadb'], help: 'SQL client on the private database   [--demo]' },
	verify: {
		needs: ['node', 'mariadb'],
		help: '[JOB …]: are the books as they were written?   [--demo]\n           FILE: is a job file as a known shop sealed it?   [--key KEY]'
	},
	rebuild: {
		needs: ['node', 'mariadb'],
		help: 'lists and counts made anew from the books   [--demo]'
	},
	keys: {
		needs: ['node', 'mariadb'],
		help: 'the keys this shop seals with   [rotate] [--demo]'
	},
	backup: {
		needs: ['node', 'mariadb'],
		help: 'FILE: consistent dump   [--demo]\n           --check FILE: is it whole?'
	},
	restore: {
		needs: ['node', 'mariadb'],
		help: 'FILE: look through a dump and put it in place   [--demo] [--replace] [--broken-too]'
	}
};

function help() {
	console.log('Vane Set\n\nUse: ./vane COMMAND\n');
	for (const [name, { help }] of Object.entries(commands)) {
		console.log(`  ${name.padEnd(8)} ${help}`);
	}
	console.log('  help     this text\n\nSettings by environment: see README.md, "Settings".');
}

const [name = 'help', ...args] = process.argv.slice(2);
if (name === 'help' || name === '--help' || name === '-h') {
	help();
} else if (!Object.hasOwn(commands, name)) {
	fail(`there is no command '${name}'. './vane help' lists them.`, 2);
} else {
	const { needs } = commands[/** @type {keyof typeof commands} */ (name)];
	process.chdir(root);
	if (needs.includes('mariadb'))
		installDebianPackages('mariadb-server', ['mariadbd', 'mariadb-install-db']);
	if (needs.includes('chromium') && !findProgram('chromium'))
		installDebianPackages('chromium-headless-shell', ['chromium-headless-shell']);
	if (needs.includes('nginx') || args.includes('--lan')) {
		const files = ['nginx', 'openssl', '/usr/lib/nginx/modules/ngx_stream_module.so'];
		installDebianPackages('nginx libnginx-mod-stream openssl', files, 'nginx');
	}
	installNodePackages();
	if (!existsSync(`${root}/node_modules/tsx`)) fail('the packages did not install; see above.');
	const { register } = await import('tsx/esm/api');
	register();
	const { run } = await import(`./commands/${name}.ts`);
	try {
		await run(args);
	} catch (error) {
		const { message, stack, forPeople } = /** @type {any} */ (error);
		fail(forPeople ? message : (stack ?? String(error)));
	}
}
