/**
 * `npm run torture [-- SEED WRITES BODIES]`: kills and fuzz against the application as it is started by a person.
 * Ends with code 1 where anything was found. docs/reliability.md says what is promised and what was measured.
 */
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildIfChanged } from '../../tools/build.ts';
import { freePort } from '../../tools/database.ts';
import { Shell } from '../integration/shell.ts';
import { Api } from './api.ts';
import { fuzz } from './fuzz.ts';
import { torment } from './kills.ts';
import { HealthProbe, type Health } from './probe.ts';
import { Random } from './random.ts';

const [seed = Date.now() % 1_000_000, writes = 3000, perBody = 150] = process.argv
	.slice(2)
	.map(Number);
const random = new Random(seed);
const ms = (value: number) => `${Math.round(value)} ms`;
const health = ({ asked, over100, worst, longestAway }: Health) =>
	`health: asked ${asked} times, worst answer ${ms(worst)}, ${over100} above 100 ms; longest without any ${ms(longestAway)}`;
let wrong = 0;
const tell = (found: readonly string[], words: string) => {
	wrong += found.length;
	console.log(`  ${words}: ${found.length}`);
	for (const line of found.slice(0, 20)) console.log(`    ${line}`);
};

/** An instance of its own, for as long as `work` lasts. */
async function against(
	name: string,
	start: string[],
	work: (at: { shell: Shell; api: Api; folder: string; devicePort: number }) => Promise<void>
): Promise<void> {
	const folder = mkdtempSync(join(tmpdir(), `vane-torture-`));
	chmodSync(folder, 0o755);
	const [port, devicePort] = [await freePort(), await freePort()];
	const shell = new Shell(folder, {
		VANE_PORT: String(port),
		VANE_DEVICE_PORT: String(devicePort),
		VANE_FIRST_LEAD_NAME: 'Lea Holm',
		VANE_FIRST_LEAD_PIN: '471926'
	});
	const api = new Api(`http://127.0.0.1:${port}`);
	try {
		await shell.serve(start);
		const probe = new HealthProbe(`${api.origin}/api/v1/health`);
		console.log(`${name}, seed ${seed}`);
		await work({ shell, api, folder, devicePort });
		console.log(`  ${health(await probe.end())}`);
		const log = readFileSync(
			join(folder, start[0] === 'demo' ? 'demo' : 'shop', 'logs/application.log'),
			'utf8'
		);
		const secrets = log.match(/argon2|471926|vane_session|vane_tablet|INSERT INTO|SELECT .* FROM/g);
		tell([...new Set(secrets ?? [])], 'secrets in the log');
	} finally {
		await shell.end();
		rmSync(folder, { recursive: true, force: true });
	}
}

buildIfChanged();
if (writes > 0)
	await against('Kills', ['start'], async ({ shell, api, folder }) => {
		await api.signIn('lea', '471926');
		const { kills, retries, lost, twice, broken } = await torment(
			{ shell, api, folder, random },
			writes
		);
		console.log(
			`  ${writes} writes; killed: application ${kills.application}, database ${kills.database}, launcher ${kills.launcher}; ${retries} tries made again`
		);
		tell(lost, 'lost');
		tell(twice, 'stored twice');
		tell(broken, 'books that do not hold');
	});
await against('Fuzz', ['demo'], async ({ shell, api, devicePort }) => {
	await api.signIn('mara', '471926');
	const figures = await fuzz(api, { devicePort, own: { pin: '471926' } }, random, perBody);
	const { routes, requests, answers, never, found, slowestRefusal, slowest } = figures;
	console.log(`  ${requests} requests to ${routes} routes: ${JSON.stringify(answers)}`);
	console.log(`  slowest refusal ${ms(slowestRefusal)} (${slowest})`);
	tell(found, 'answered as nothing should be');
	tell(never, 'routes that took no good body');
	const { stdout } = await shell.vane(['verify', '--demo']);
	tell(
		stdout.split('\n').filter((line) => line && !line.includes('  holds, ')),
		'books that do not hold'
	);
});
console.log(wrong ? `${wrong} found.` : 'Nothing found.');
process.exitCode = wrong ? 1 : 0;
