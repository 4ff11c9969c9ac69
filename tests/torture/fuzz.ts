/** Every route that takes a body, with bodies that it takes, and with thousands that it should not. */
import { operations } from '../../src/lib/server/api/operations.ts';
import type { Api } from './api.ts';
import { bodies, type Request } from './bodies.ts';
import { mutated } from './mutate.ts';
import type { Random } from './random.ts';

export interface FuzzFigures {
	routes: number;
	requests: number;
	/** How many answers of each status. */
	answers: Record<string, number>;
	/** Routes that took no good body: they were not really tried. */
	never: string[];
	/** What should not have been answered so. */
	found: string[];
	/** The slowest of what was refused, ms. */
	slowestRefusal: number;
	slowest: string;
}

const wrongTypes = ['text/plain', 'application/x-www-form-urlencoded', 'application/json; q=1'];

export async function fuzz(
	api: Api,
	to: { devicePort: number; own: { pin: string } },
	random: Random,
	perBody: number
): Promise<FuzzFigures> {
	const taking = operations
		.filter(({ input }) => input)
		.map(({ method, path }) => `${method} ${path}`);
	const passed = new Set<string>();
	const refused = new Map<string, string>();
	const figures: FuzzFigures = {
		routes: taking.length,
		requests: 0,
		answers: {},
		never: [],
		found: [],
		slowestRefusal: 0,
		slowest: ''
	};
	const send = async (
		{ method, path, route }: Request,
		body: unknown,
		headers?: Record<string, string>
	) => {
		const { status, text, ms } = await api.ask(method, path, body, headers);
		figures.requests++;
		figures.answers[status] = (figures.answers[status] ?? 0) + 1;
		const said = () => (typeof body === 'string' ? body : JSON.stringify(body)).slice(0, 400);
		if (
			status === 0 ||
			status >= 500 ||
			/\bat .*\.(js|ts):\d|\bSELECT \b|\bINSERT INTO\b/.test(text)
		) {
			figures.found.push(`${method} ${route}: ${status} ${text.slice(0, 200)} to ${said()}`);
		}
		if (status >= 400 && ms > figures.slowestRefusal) {
			figures.slowestRefusal = ms;
			figures.slowest = `${method} ${route}: ${status} to ${said().slice(0, 120)}`;
		}
		return { status, text };
	};
	for (const make of await bodies(api, to)) {
		const good = await make();
		const { status, text } = await send(good, good.body);
		const route = `${good.method.toLowerCase()} ${good.route}`;
		if (status >= 200 && status < 300) passed.add(route);
		else refused.set(route, `${status} ${text.slice(0, 200)}`);
		// Not taken yet: it would be answered as what is there already, whatever else it says.
		const fresh = await make();
		for (let i = 0; i < perBody; i++) {
			const headers =
				random.below(50) === 0 ? { 'content-type': random.of(wrongTypes) } : undefined;
			await send(fresh, mutated(fresh.body, random), headers);
		}
	}
	figures.never = taking
		.filter((route) => !passed.has(route))
		.map((route) => `${route}: ${refused.get(route) ?? 'no body'}`);
	return figures;
}
