import { body, endpoint, json, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { calibrateWrench, type CalibrationInput } from '$lib/server/rack';

/** Keeps a calibration; its verdict is computed. The same id twice is one calibration. */
export const POST = endpoint(async (event) => {
	const who = person(event);
	const input = await body<CalibrationInput>(event);
	return json(await calibrateWrench(db, event.params.id!, input, who.id), 201);
});
