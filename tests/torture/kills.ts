/** Writes go on while application, database and launcher are killed at random: none is lost, none stored twice. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { v7 as uuidv7 } from 'uuid';
import type { Entry } from '../../src/core/job/book/entry.ts';
import { runningDatabase } from '../../tools/database.ts';
import type { Shell } from '../integration/shell.ts';
import type { Api } from './api.ts';
import type { Random } from './random.ts';

const victims = ['application', 'database', 'launcher'] as const;

export interface KillFigures {
	writes: number;
	kills: Record<(typeof victims)[number], number>;
	/** Tries that were not answered, or by 5xx, and were made again. */
	retries: number;
	lost: string[];
	twice: string[];
	/** What `./vane verify` said of books that do not hold. */
	broken: string[];
}

const writers = 6;

export async function torment(
	{ shell, api, folder, random }: { shell: Shell; api: Api; folder: string; random: Random },
	writes: number
): Promise<KillFigures> {
	const figures: KillFigures = {
		writes,
		kills: { application: 0, database: 0, launcher: 0 },
		retries: 0,
		lost: [],
		twice: [],
		broken: []
	};
	const jobs: string[] = [];
	for (let i = 0; i < 3; i++) jobs.push(await api.newJob());

	let next = 0;
	let done = 0;
	/** As the outbox of a page does: the same entry again until it is answered. */
	const write = async () => {
		while (next < writes) {
			const job = jobs[next % jobs.length]!;
			const text = `write ${next++}`;
			const said = {
				id: uuidv7(),
				kind: 'note',
				subject: 'car',
				enteredAt: new Date().toISOString(),
				data: { text }
			};
			for (;;) {
				const { status, body } = await api.ask('POST', `/jobs/${job}/entries`, said);
				if (status === 201) break;
				if (status >= 400 && status < 500) throw new Error(`${status} ${JSON.stringify(body)}`);
				figures.retries++;
				await pause(100);
			}
			done++;
		}
	};
	let over = false;
	const kill = async () => {
		const every = writes / 28;
		for (let at = every; !over && at < writes; at += every) {
			while (!over && done < at) await pause(5);
			if (over) return;
			const victim = random.of(victims);
			const { application, launcher } = JSON.parse(
				readFileSync(join(folder, 'shop/running.json'), 'utf8')
			) as { application: number; launcher: number };
			const database = runningDatabase(join(folder, 'shop'))?.pid;
			const pid = { application, launcher, database }[victim];
			if (!pid) continue;
			if (victim === 'launcher') {
				await shell.end('SIGKILL');
				await pause(random.below(500));
				await shell.serve(['start']);
			} else process.kill(pid, 'SIGKILL');
			figures.kills[victim]++;
			await api.untilReady();
		}
	};
	const killing = kill();
	await Promise.all(Array.from({ length: writers }, write)).finally(() => (over = true));
	await killing;

	const count = new Map<string, number>();
	for (const job of jobs) {
		const { body } = await api.ask('GET', `/jobs/${job}/entries`);
		for (const { kind, data } of (body as { entries: Entry[] }).entries) {
			if (kind !== 'note') continue;
			const { text } = data as unknown as { text: string };
			count.set(text, (count.get(text) ?? 0) + 1);
		}
	}
	for (let i = 0; i < writes; i++) {
		const found = count.get(`write ${i}`) ?? 0;
		if (found === 0) figures.lost.push(`write ${i}`);
		if (found > 1) figures.twice.push(`write ${i}`);
	}
	const { stdout } = await shell.vane(['verify']);
	figures.broken = stdout.split('\n').filter((line) => line && !line.includes('  holds, '));
	return figures;
}
