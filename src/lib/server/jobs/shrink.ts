/** Pictures made small by a process of their own. */
import { execFile } from 'node:child_process';
import pLimit from 'p-limit';
import { Problem, refuse } from '../../../core/problem.ts';

interface Picture {
	jpeg: Buffer;
	/** Pixels. */
	width: number;
	height: number;
}

/** Makes a picture upright and small. */
export type Shrink = (bytes: Buffer) => Promise<Picture>;

const signatures: readonly (readonly [at: number, bytes: string])[][] = [
	[[0, 'ffd8ff']],
	[[0, '89504e470d0a1a0a']],
	[
		[0, '52494646'],
		[8, '57454250']
	]
];

/** JPEG, PNG or WebP by its first bytes, whatever its name says (PNG 3rd ed. 5.2, RFC 9649, JFIF). */
const isPicture = (bytes: Buffer): boolean =>
	signatures.some((parts) =>
		parts.every(([at, hex]) => bytes.subarray(at, at + hex.length / 2).toString('hex') === hex)
	);

const unreadable = () =>
	refuse('image', 'cannot be read as a picture: take it again, or choose a JPEG, PNG or WebP');

/**
 * @param program of picture.ts, built
 * @throws Problem 422 of what is no JPEG, PNG or WebP or cannot be read as one within its bounds, 503 when too
 * many wait
 */
export function shrinker(
	program: string,
	{ atOnce = 2, mostWaiting = 20, limitMs = 20_000 } = {}
): Shrink {
	const turn = pLimit(atOnce);
	return async (bytes) => {
		if (!isPicture(bytes)) throw unreadable();
		if (turn.pendingCount >= mostWaiting)
			throw new Problem(503, 'Many photos are being taken in: this one is sent again by itself.');
		return turn(() => shrinkIn(program, bytes, limitMs));
	};
}

const shrinkIn = (program: string, bytes: Buffer, limitMs: number): Promise<Picture> =>
	new Promise((done, broken) => {
		const child = execFile(
			process.execPath,
			['--max-old-space-size=256', program],
			{
				encoding: 'buffer',
				timeout: limitMs,
				killSignal: 'SIGKILL',
				maxBuffer: 16 * 1024 * 1024,
				env: {}
			},
			(error, out) => {
				if (error) return broken(unreadable());
				const line = out.indexOf('\n');
				const [width, height] = out.subarray(0, line).toString().split(' ').map(Number);
				done({ jpeg: out.subarray(line + 1), width: width!, height: height! });
			}
		);
		// It may end before it has read all.
		child.stdin!.on('error', () => undefined);
		child.stdin!.end(bytes);
	});
