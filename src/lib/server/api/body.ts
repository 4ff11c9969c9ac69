/** What came in, read within bounds: bytes before anything is kept, depth and letters before anything is checked. */
import { invalid, Problem } from '../../../core/problem.ts';
import type { Fault } from '../../../core/result.ts';

/** Nothing that is taken here is nested deeper, or has more members in one object. */
const mostDepth = 32;
const mostMembers = 1000;

/**
 * The text of a request.
 *
 * @param most bytes; what is announced as more is not read at all, what turns out to be more is read no further
 * @throws Problem 413 of one that is larger, 400 of one that broke off
 */
export async function readText(request: Request, most: number): Promise<string> {
	const tooLarge = () =>
		new Problem(413, `That is too large: ${sizeWords(most)} is the most that is taken here.`);
	if (Number(request.headers.get('content-length')) > most) throw tooLarge();
	const chunks: Uint8Array[] = [];
	let bytes = 0;
	try {
		for await (const chunk of request.body ?? []) {
			bytes += chunk.byteLength;
			if (bytes > most) break;
			chunks.push(chunk);
		}
	} catch (error) {
		if ((error as { status?: number }).status === 413) throw tooLarge();
		throw new Problem(400, 'The request broke off before its end.');
	}
	if (bytes > most) throw tooLarge();
	return Buffer.concat(chunks).toString('utf8');
}

const sizeWords = (bytes: number): string =>
	bytes >= 1024 * 1024 ? `${bytes / 1024 / 1024} MB` : `${bytes / 1024} KB`;

/**
 * JSON that can be walked through without care.
 *
 * @throws Problem 400 of what is no JSON, nested too deep or too wide, 422 of text with half a letter in it
 */
export function parseJson(text: string): unknown {
	const much = tooMuch(text);
	if (much) throw new Problem(400, `That is ${much}: nothing of the kind is taken here.`);
	let data: unknown;
	try {
		data = JSON.parse(text);
	} catch {
		throw new Problem(400, 'That is not JSON.');
	}
	// Only an escape brings half a surrogate pair into JSON: the bytes were UTF-8.
	const faults = /\\u[dD][89a-fA-F]/.test(text) ? halfLetters(data) : [];
	if (faults.length) throw invalid(faults.slice(0, 50));
	return data;
}

const code = (sign: string) => sign.charCodeAt(0);
const signs = {
	quote: code('"'),
	backslash: code('\\'),
	colon: code(':'),
	open: [code('['), code('{')],
	close: [code(']'), code('}')]
};

/**
 * What of the shape of a JSON text is too much to take it apart; undefined: nothing. Looked at sign by sign,
 * before it is parsed: an object of half a million members takes seconds to make.
 */
function tooMuch(text: string): string | undefined {
	/** Members of each object that is open. */
	const members: number[] = [];
	let quoted = false;
	for (let i = 0; i < text.length; i++) {
		const sign = text.charCodeAt(i);
		if (sign === signs.quote) quoted = !quoted;
		else if (quoted) i += Number(sign === signs.backslash);
		else if (signs.open.includes(sign)) {
			if (members.push(0) > mostDepth) return `nested deeper than ${mostDepth} levels`;
		} else if (signs.close.includes(sign)) members.pop();
		else if (sign === signs.colon && ++members[members.length - 1]! > mostMembers)
			return `an object of more than ${mostMembers} members`;
	}
	return undefined;
}

function halfLetters(data: unknown, path: readonly string[] = []): Fault[] {
	const fault = (field: string): Fault => ({
		field,
		message: 'holds half of a surrogate pair: send whole characters'
	});
	if (typeof data === 'string')
		return data.isWellFormed() ? [] : [fault(path.join('.') || 'input')];
	if (typeof data !== 'object' || data === null) return [];
	return Object.entries(data).flatMap(([key, value]) =>
		key.isWellFormed()
			? halfLetters(value, [...path, key])
			: [fault([...path, key.toWellFormed()].join('.'))]
	);
}
