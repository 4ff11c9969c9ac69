import type { Corner } from '../../../core/height/corners.ts';
import type { UnitPreference } from '../../../core/units/format.ts';
import type { HourChoice, ShopClock } from '../../../core/units/moments.ts';
import { usualCosts, type ShopCosts } from '../../../core/job/costs.ts';
import type { Database } from './pool.ts';

export interface Shop {
	name: string;
	units: UnitPreference;
	twistSetDeg: number;
	twistAdvisedDeg: number;
	/** Greater changes of height owe the corner's bushes a re-set, mm. */
	resetAboveMm: number;
	costs: ShopCosts;
	/** How many cars can be worked on at once. */
	bays: number;
	/** Of the bays, those with a lift. */
	lifts: number;
	/** People who work on cars at the same time. */
	technicians: number;
	/** Times are told in it. */
	clock: ShopClock;
	/** The order in which the corners are walked. */
	walk: readonly Corner[];
	version: number;
}

/** A shop that has not said: its server stands in it. */
const serverZone = () => Intl.DateTimeFormat().resolvedOptions().timeZone;

export async function findShop(db: Database): Promise<Shop | undefined> {
	const row = await db.row('SELECT * FROM shop WHERE id = 1');
	return (
		row && {
			name: row.name as string,
			units: JSON.parse(row.units as string),
			twistSetDeg: row.twist_set_deg as number,
			twistAdvisedDeg: row.twist_advised_deg as number,
			resetAboveMm: row.reset_above_mm as number,
			costs: { ...usualCosts, ...(JSON.parse((row.costs as string | null) ?? '{}') as object) },
			bays: row.bays as number,
			lifts: row.lifts as number,
			technicians: row.technicians as number,
			clock: {
				timeZone: (row.time_zone as string | null) ?? serverZone(),
				hours: row.hours as HourChoice
			},
			walk: (row.walk as string).split(' ') as Corner[],
			version: row.version as number
		}
	);
}

export async function createShop(db: Database, name: string, units: UnitPreference): Promise<void> {
	await db.run('INSERT IGNORE INTO shop (id, name, units) VALUES (1, ?, ?)', [
		name,
		JSON.stringify(units)
	]);
}

/** @returns false when `version` is no longer the current one */
export async function updateShop(db: Database, shop: Shop): Promise<boolean> {
	const changed = await db.run(
		`UPDATE shop
		    SET name = :name, units = :units, twist_set_deg = :twistSetDeg,
		        twist_advised_deg = :twistAdvisedDeg, reset_above_mm = :resetAboveMm,
		        costs = :costs, bays = :bays, lifts = :lifts, technicians = :technicians,
		        time_zone = :timeZone, hours = :hours, walk = :walk,
		        version = version + 1
		  WHERE id = 1 AND version = :version`,
		{
			...shop,
			...shop.clock,
			walk: shop.walk.join(' '),
			units: JSON.stringify(shop.units),
			costs: JSON.stringify(shop.costs)
		}
	);
	return changed === 1;
}
