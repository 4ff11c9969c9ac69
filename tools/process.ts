/** Processes of ours: whether one still runs, and how it is stopped. */
import { readFileSync } from 'node:fs';

/** An error whose message is written for the person at the shell: shown without a stack. */
export function problem(message: string): Error {
	return Object.assign(new Error(message), { forPeople: true });
}

/** True when `pid` runs and its command line holds `mark`: a reused pid is not taken for ours. */
export function isRunning(pid: number, mark: string): boolean {
	try {
		return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(mark);
	} catch {
		return false;
	}
}

function exists(pid: number): boolean {
	try {
		process.kill(pid, 0);
		return !/^State:\s+Z/m.test(readFileSync(`/proc/${pid}/status`, 'utf8'));
	} catch {
		return false;
	}
}

/** SIGTERM, then SIGKILL once `patienceMs` have passed; resolves when the process is gone. */
export async function stopProcess(pid: number, patienceMs: number): Promise<void> {
	const deadline = Date.now() + patienceMs;
	if (!pid || !exists(pid)) return;
	process.kill(pid, 'SIGTERM');
	while (exists(pid)) {
		if (Date.now() > deadline) process.kill(pid, 'SIGKILL');
		await new Promise((done) => setTimeout(done, 40));
	}
}
