/**
 * What the version before the book left in a tablet's outbox, as commands of today: nobody measures again
 * because the server was brought up to date in between.
 */
interface Kept {
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
