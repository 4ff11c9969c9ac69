/** Space on the disk of the shop's server: writes are refused before the database meets its end. */
import { access, statfs } from 'node:fs/promises';
import { dirname } from 'node:path';
import { diskFull } from './db/trouble.ts';

export interface Disk {
	/** @throws Problem 507 while there is less than the reserve */
	hasSpace(): Promise<void>;
}

/** How long an answer of the disk is believed, ms. */
const believedMs = 2_000;

/**
 * @param folder any on that disk
 * @param reserveMb what is left for those who only read: sign-ins, the database's own
 * @param say told once when space runs out, and once when there is some again
 * @param freeMb for tests
 */
export function watchDisk(
	folder: string,
	reserveMb: number,
	say: (line: string) => void,
	freeMb: (folder: string) => Promise<number> = freeOn,
	now: () => number = Date.now
): Disk {
	let asked = -Infinity;
	let full = false;
	return {
		async hasSpace() {
			if (now() - asked >= believedMs) {
				asked = now();
				const free = await freeMb(folder);
				if (free < reserveMb !== full) {
					full = !full;
					say(
						full
							? `the disk is full: ${Math.floor(free)} MB left, less than the ${reserveMb} MB kept free; writes are refused`
							: `the disk has space again: ${Math.floor(free)} MB; writes are taken`
					);
				}
			}
			if (full) throw diskFull();
		}
	};
}

async function freeOn(folder: string): Promise<number> {
	// A folder that is made later lies where the one above it does.
	const there = await access(folder).then(
		() => true,
		() => false
	);
	if (!there && folder !== dirname(folder)) return freeOn(dirname(folder));
	const { bavail, bsize } = await statfs(folder);
	return (bavail * bsize) / 1024 / 1024;
}
