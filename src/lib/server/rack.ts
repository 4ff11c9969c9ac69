/** The rack of torque wrenches: which there are, and when each was last held against a reference. */
import { calibration } from '../../core/fastener/wrench.ts';
import type { WrenchKind } from '../../core/fastener/rack.ts';
import { withUnit, type Quantity } from '../../core/units/parse.ts';
import type { ShopWrench } from '../rack/model.ts';
import { isDuplicate, type Database } from './db/pool.ts';
import { sameOrRefused } from './same.ts';
import {
	findCalibration,
	findWrench,
	insertCalibration,
	insertWrench,
	updateWrench
} from './db/wrenches.ts';
import { notFound, Problem, refuse } from '../../core/problem.ts';

export interface WrenchInput {
	id: string;
	name: string;
	kind: WrenchKind;
	lowest: Quantity;
	highest: Quantity;
	length?: Quantity | null | '';
	retired?: boolean;
}

function toWrench(input: WrenchInput, version: number): ShopWrench {
	if (input.highest.si <= input.lowest.si) {
		throw refuse(
			'highest',
			`must be more than the lowest (${withUnit(input.lowest)})`,
			withUnit(input.highest)
		);
	}
	const entered: Record<string, string> = {
		lowestNm: withUnit(input.lowest),
		highestNm: withUnit(input.highest)
	};
	if (input.length) entered.lengthMm = withUnit(input.length);
	return {
		id: input.id,
		name: input.name,
		kind: input.kind,
		lowestNm: input.lowest.si,
		highestNm: input.highest.si,
		lengthMm: input.length ? input.length.si : null,
		retired: input.retired ?? false,
		entered,
		calibratedOn: null,
		passed: false,
		cycles: 0,
		version
	};
}

async function withNameFault<T>(name: string, work: () => Promise<T>): Promise<T> {
	try {
		return await work();
	} catch (error) {
		if (isDuplicate(error, 'wrenches_name'))
			throw refuse('name', 'is already the name of another wrench', name);
		throw error;
	}
}

/** Adds a wrench; the same id twice is one wrench. */
export async function addWrench(db: Database, input: WrenchInput): Promise<ShopWrench> {
	const wrench = toWrench(input, 1);
	await withNameFault(wrench.name, async () => {
		const here = await findWrench(db, wrench.id);
		const { cycles: _, passed: __, calibratedOn: ___, ...said } = wrench;
		if (here) sameOrRefused(wrench.id, here, said);
		else await insertWrench(db, wrench);
	});
	return (await findWrench(db, wrench.id))!;
}

export async function changeWrench(
	db: Database,
	id: string,
	{ version, ...input }: Omit<WrenchInput, 'id'> & { version: number }
): Promise<{ version: number }> {
	if (!(await findWrench(db, id))) throw notFound('wrench');
	const wrench = toWrench({ ...input, id }, version);
	if (!(await withNameFault(wrench.name, () => updateWrench(db, wrench)))) {
		throw new Problem(409, 'Someone else changed this wrench meanwhile. Reload and look.');
	}
	return { version: version + 1 };
}

export interface CalibrationInput {
	id: string;
	calibratedOn: string;
	readings: { set: Quantity; read: Quantity }[];
	note: string;
}

/** Keeps a calibration with its verdict by ISO 6789-1. */
export async function calibrateWrench(
	db: Database,
	wrenchId: string,
	input: CalibrationInput,
	personId: string
): Promise<{ passed: boolean }> {
	const wrench = await findWrench(db, wrenchId);
	if (!wrench) throw notFound('wrench');
	const readings = input.readings.map(({ set, read }) => ({ setNm: set.si, readNm: read.si }));
	const { passes } = calibration(readings, wrench.highestNm);
	const { id, calibratedOn, note } = input;
	const said = { wrenchId, calibratedOn, readings, note };
	const here = await findCalibration(db, id);
	if (here) sameOrRefused(id, here, said);
	else await insertCalibration(db, { ...said, id, passed: passes, personId });
	return { passed: passes };
}
