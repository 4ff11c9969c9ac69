/**
 * What earlier versions left in a tablet's outbox, as entries of today: nobody measures again because the
 * server was brought up to date in between. They stood in the browser's storage, without their maker.
 */
export interface Kept {
	id: string;
	path: string;
	body: Record<string, unknown> & { id: string };
}

const kinds: Record<string, string> = {
	readings: 'reading',
	torques: 'torque',
	loadings: 'loading'
};

/** The entry as it is kept today; one of today's is given back as it is. */
export function ofToday<E extends Kept>(entry: E): E {
	const [, jobId, door] =
		/^\/jobs\/([^/]+)\/(readings|torques|loadings|work)$/.exec(entry.path) ?? [];
	if (!jobId || !door) return entry;
	const { id, takenAt: enteredAt, correctsId: corrects, ...rest } = entry.body;
	const common = { id, enteredAt, ...(corrects ? { corrects } : {}) };
	const path = `/jobs/${jobId}/entries`;
	if (door === 'work') return { ...entry, path, body: { ...common, ...rest } };
	const { corner, jointId, skipReason, lastSeenId: _, ...data } = rest;
	const subject = door === 'torques' ? jointId : corner;
	const { carState, method, hubToArch, action, overrideReason } = data;
	const stood = { carState, method, hubToArch, action, overrideReason };
	const said = skipReason
		? { kind: 'skip', data: { reason: skipReason, ...stood } }
		: { kind: kinds[door], data };
	// What is undefined does not travel.
	const body = JSON.parse(JSON.stringify({ ...common, subject, ...said })) as Kept['body'];
	return { ...entry, path, body };
}

const listKey = 'vane-outbox';
const isKey = (key: string) => key.startsWith(`${listKey}:`);

/** Takes what is there out of the browser's storage, in the order of the work. */
export function leftBefore(): Kept[] {
	let keys: string[];
	try {
		keys = Object.keys(localStorage).filter((key) => key === listKey || isKey(key));
	} catch {
		return [];
	}
	const found = keys.flatMap((key) => {
		const kept = readable(localStorage.getItem(key));
		localStorage.removeItem(key);
		return Array.isArray(kept) ? (kept as Kept[]) : kept ? [kept as Kept] : [];
	});
	return found.map(ofToday).sort((a, b) => (a.id < b.id ? -1 : 1));
}

/** Undefined where there is nothing that can be read. */
function readable(text: string | null): unknown {
	try {
		return JSON.parse(text ?? 'null') as unknown;
	} catch {
		return undefined;
	}
}
