import type { Axle } from '../../../core/height/corners.ts';
import type { Vehicle, VehicleAxle } from '../../../core/job/model.ts';
import type { Database, Row } from './pool.ts';

function toVehicle(row: Row, axleRows: Row[]): Vehicle {
	const axle = (which: Axle): VehicleAxle => {
		const a = axleRows.find((r) => r.vehicle_id === row.id && r.axle === which)!;
		return {
			layout: a.layout as string,
			trackMm: a.track_mm as number,
			tyreSize: a.tyre_size as string,
			armLengthMm: a.arm_length_mm as number | null,
			outerBelowInnerMm: a.outer_below_inner_mm as number | null,
			referenceHubToArchMm: a.reference_hub_to_arch_mm as number | null,
			wheelRateNPerMm: a.wheel_rate_n_per_mm as number | null,
			makerHeightMm: a.maker_height_mm as number | null,
			makerHeightSchool: a.maker_height_school as VehicleAxle['makerHeightSchool'],
			tape: a.tape ? (JSON.parse(a.tape as string) as VehicleAxle['tape']) : null,
			hardpoints: a.hardpoints
				? (JSON.parse(a.hardpoints as string) as VehicleAxle['hardpoints'])
				: null
		};
	};
	return {
		id: row.id as string,
		plate: row.plate as string,
		vin: row.vin as string | null,
		make: row.make as string,
		model: row.model as string,
		modelYear: row.model_year as number | null,
		owner: row.owner as string,
		...(row.phone && { phone: row.phone as string }),
		wheelbaseMm: row.wheelbase_mm as number,
		modifications: row.modifications as string,
		axles: { front: axle('front'), rear: axle('rear') },
		entered: JSON.parse(row.entered as string),
		version: row.version as number
	};
}

export async function findVehicle(db: Database, id: string): Promise<Vehicle | undefined> {
	const row = await db.row('SELECT * FROM vehicles WHERE id = ?', [id]);
	return row && toVehicle(row, await db.rows('SELECT * FROM axles WHERE vehicle_id = ?', [id]));
}

/** The job in which a car's measures were last taken. */
export async function findMeasuredIn(db: Database, id: string): Promise<string | undefined> {
	const row = await db.row('SELECT measured_in FROM vehicles WHERE id = ?', [id]);
	return (row?.measured_in as string | null) ?? undefined;
}

export interface VehicleLine {
	id: string;
	plate: string;
	make: string;
	model: string;
	modelYear: number | null;
	owner: string;
	jobs: number;
	openJobs: number;
}

/** Cars whose plate, make, model, owner or VIN holds every word of the search; latest first. */
export async function searchVehicles(
	db: Database,
	search: string,
	limit: number
): Promise<VehicleLine[]> {
	const words = searchWords(search);
	const where = words.map(
		() =>
			`CONCAT_WS(' ', v.plate, REPLACE(v.plate, ' ', ''), v.make, v.model, v.owner, v.vin) LIKE ?`
	);
	const rows = await db.rows(
		`SELECT v.id, v.plate, v.make, v.model, v.model_year, v.owner,
		        COUNT(l.job_id) AS jobs, COALESCE(SUM(NOT l.closed), 0) AS open_jobs
		   FROM vehicles v LEFT JOIN job_lines l ON l.vehicle_id = v.id
		  ${where.length ? `WHERE (${where.join(' AND ')}) OR ${bare('v.plate')} LIKE ?` : ''}
		  GROUP BY v.id ORDER BY v.updated_at DESC, v.id DESC LIMIT ?`,
		[...words, ...(words.length ? [`%${plateLetters(search)}%`] : []), limit]
	);
	return rows.map((row) => ({
		id: row.id as string,
		plate: row.plate as string,
		make: row.make as string,
		model: row.model as string,
		modelYear: row.model_year as number | null,
		owner: row.owner as string,
		jobs: Number(row.jobs),
		openJobs: Number(row.open_jobs)
	}));
}

/** A plate without what stands between its letters, in SQL and of a search. */
const bare = (column: string): string => `REGEXP_REPLACE(${column}, '[^[:alnum:]]', '')`;
const plateLetters = (text: string): string => text.replace(/[^\p{L}\p{N}]/gu, '') || '\0';

/** LIKE patterns, one for each word, with the user's own % and _ taken literally. */
function searchWords(search: string): string[] {
	return search
		.split(/\s+/)
		.filter(Boolean)
		.slice(0, 6)
		.map((word) => `%${word.replace(/[\\%_]/g, '\\$&')}%`);
}

export async function insertVehicle(db: Database, vehicle: Vehicle): Promise<void> {
	await db.run(
		`INSERT INTO vehicles (id, plate, vin, make, model, model_year, owner, phone, wheelbase_mm, modifications, entered, version)
		 VALUES (:id, :plate, :vin, :make, :model, :modelYear, :owner, :phone, :wheelbaseMm, :modifications, :entered, :version)`,
		{ ...vehicle, phone: vehicle.phone ?? '', entered: JSON.stringify(vehicle.entered) }
	);
	await putAxles(db, vehicle);
}

/** @returns false when the version is no longer the current one */
export async function updateVehicle(
	db: Database,
	vehicle: Vehicle,
	measuredIn: string | null = null
): Promise<boolean> {
	const changed = await db.run(
		`UPDATE vehicles
		    SET plate = :plate, vin = :vin, make = :make, model = :model, model_year = :modelYear,
		        owner = :owner, phone = :phone, wheelbase_mm = :wheelbaseMm, modifications = :modifications,
		        entered = :entered, measured_in = COALESCE(:measuredIn, measured_in), version = version + 1
		  WHERE id = :id AND version = :version`,
		{ ...vehicle, phone: vehicle.phone ?? '', measuredIn, entered: JSON.stringify(vehicle.entered) }
	);
	if (changed === 0) return false;
	await putAxles(db, vehicle);
	return true;
}

const json = (value: object | null): string | null => value && JSON.stringify(value);

async function putAxles(db: Database, vehicle: Vehicle): Promise<void> {
	for (const axle of ['front', 'rear'] as const) {
		await db.run(
			`REPLACE INTO axles
			   (vehicle_id, axle, layout, track_mm, tyre_size, arm_length_mm, outer_below_inner_mm,
			    reference_hub_to_arch_mm, wheel_rate_n_per_mm, maker_height_mm, maker_height_school, tape, hardpoints)
			 VALUES
			   (:vehicleId, :axle, :layout, :trackMm, :tyreSize, :armLengthMm, :outerBelowInnerMm,
			    :referenceHubToArchMm, :wheelRateNPerMm, :makerHeightMm, :makerHeightSchool, :tape, :hardpoints)`,
			{
				vehicleId: vehicle.id,
				axle,
				...vehicle.axles[axle],
				tape: json(vehicle.axles[axle].tape),
				hardpoints: json(vehicle.axles[axle].hardpoints)
			}
		);
	}
}
