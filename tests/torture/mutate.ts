/** What becomes of a body in careless and in hostile hands. */
import type { Random } from './random.ts';

/** Values that have stopped programs before. */
const hostile: readonly unknown[] = [
	null,
	true,
	'',
	' ',
	0,
	-0,
	-1,
	1.5,
	1e308,
	-1e308,
	Number.MAX_SAFE_INTEGER + 2,
	'1e999',
	'NaN',
	'-Infinity',
	'0x10',
	'1,2,3',
	'12 parsecs',
	'−5 mm',
	'٣٦٥',
	'\u0000',
	'a\u0000b',
	'\ud800',
	'\udc00x',
	'\u202e\u200f',
	'👩‍👩‍👧‍👦'.repeat(40),
	'x'.repeat(70_000),
	"' OR 1=1 --",
	'"; DROP TABLE entries; --',
	'<script>alert(1)</script>',
	'${7*7}{{7*7}}',
	'../../etc/passwd',
	'=1+1',
	'9999-12-31T23:59:59.999Z',
	'-271821-04-20T00:00:00.000Z',
	'2026-02-31',
	'2026-11-27T25:61:00Z',
	'{0199b000-0000-7000-8000-000000000000}',
	'0199b000-0000-7000-8000-000000000000',
	'data:image/png;base64,AAAA',
	'data:image/svg+xml;base64,PHN2Zy8+',
	[],
	[[[[[[]]]]]],
	{},
	{ toString: 1, valueOf: 2, constructor: 3 },
	{ $ne: null },
	Array.from({ length: 3000 }, (_, i) => i),
	Object.fromEntries(Array.from({ length: 300 }, (_, i) => [`k${i}`, i]))
];
const names = ['__proto__', 'constructor', 'toString', 'id', 'x'.repeat(5000), '', '0', '\u0000'];

type Place = { in: Record<string, unknown>; key: string };

function placesOf(value: unknown): Place[] {
	if (typeof value !== 'object' || value === null) return [];
	const here = value as Record<string, unknown>;
	return Object.keys(here).flatMap((key) => [{ in: here, key }, ...placesOf(here[key])]);
}

/** @returns the text of a request that differs from a good one in one or a few places */
export function mutated(body: unknown, random: Random): string {
	const copy = structuredClone(body);
	const times = 1 + random.below(3);
	for (let i = 0; i < times; i++) {
		const places = placesOf(copy);
		if (!places.length) break;
		const { in: object, key } = random.of(places);
		const how = random.below(10);
		if (how < 5) object[key] = structuredClone(random.of(hostile));
		else if (how === 5) delete object[key];
		else if (how === 6) object[key] = structuredClone(object[random.of(Object.keys(object))]);
		else if (how === 7) object[key] = [object[key]];
		else if (how === 8 && !Array.isArray(object)) {
			Object.defineProperty(object, random.of(names), {
				value: structuredClone(random.of(hostile)),
				enumerable: true,
				configurable: true,
				writable: true
			});
		} else if (typeof object[key] === 'number') object[key] = -object[key] * 10 ** random.below(12);
		else object[key] = JSON.stringify(object[key]).repeat(1 + random.below(4));
	}
	const text = JSON.stringify(copy);
	const whole = random.below(40);
	if (whole === 0) return text.slice(0, random.below(text.length));
	if (whole === 1) return `${'['.repeat(5000)}${text}`;
	if (whole === 2) return text.replace('{', '{"__proto__":{"role":"lead"},');
	if (whole === 3) return `[${text}]`;
	if (whole === 4) return `${text}${text}`;
	return text;
}
