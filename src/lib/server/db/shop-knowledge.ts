/** What jobs taught this shop, and what other shops shared. */
import type { Axle } from '../../../core/height/corners.ts';
import type { OfferedKnowledge } from '../../../core/job/knowledge-offers.ts';
import type { Projected } from '../../../core/job/book/kind.ts';
import type { Knowledge } from '../../../core/work/shop-knowledge.ts';
import type { Database } from './pool.ts';
import type { FactSite } from './fact-site.ts';

/** Of each job the one written last stands, in whatever order they are put. */
export async function putOwn(
	db: Database,
	{ id, subject, corrects, scope, layout, own }: Extract<Projected, { of: 'own-knowledge' }>,
	{ jobId, vehicleId, model, entryId, personId, enteredAt, storedAt }: FactSite
): Promise<void> {
	const later =
		'(VALUES(stored_at) > stored_at OR (VALUES(stored_at) = stored_at AND VALUES(entry_id) >= entry_id))';
	// The moment is set last: the others are held against the one that stood.
	const columns = [
		'scope',
		'scope_key',
		'layout',
		'own',
		'person_id',
		'entered_at',
		'entry_id',
		'stored_at'
	];
	await db.run(
		`INSERT INTO own_knowledge (id, job_id, subject, corrects, first_at, ${columns.join(', ')})
		 VALUES (:id, :jobId, :subject, :corrects, :storedAt, :scope, :key, :layout, :own, :personId, :enteredAt, :entryId, :storedAt)
		 ON DUPLICATE KEY UPDATE first_at = LEAST(first_at, VALUES(first_at)), ${columns.map((name) => `${name} = IF(${later}, VALUES(${name}), ${name})`).join(', ')}`,
		{
			id,
			subject,
			corrects,
			scope,
			key: { job: '', car: vehicleId, model, layout }[scope],
			layout,
			own: own && JSON.stringify(own),
			jobId,
			personId,
			enteredAt: new Date(enteredAt),
			entryId,
			storedAt: new Date(storedAt)
		}
	);
}

/**
 * What stands of each piece: what its job or those that correct it said last. A piece belongs to the job that taught
 * it first; or to the shop that shared it; what another teaches under the same id is that job's own affair.
 */
const standing = `(
	SELECT said.*, ROW_NUMBER() OVER (PARTITION BY said.id ORDER BY said.stored_at DESC, said.entry_id DESC) AS place
	  FROM own_knowledge said
	 WHERE said.scope <> 'job' AND (said.corrects OR NOT (
	       EXISTS (SELECT 1 FROM own_knowledge earlier
	                WHERE earlier.id = said.id AND NOT earlier.corrects
	                  AND (earlier.first_at < said.first_at
	                       OR (earlier.first_at = said.first_at AND earlier.job_id < said.job_id)))
	       OR EXISTS (SELECT 1 FROM shared_knowledge given
	                   WHERE given.id = said.id AND given.taken_in_at < said.first_at))))`;

/** What is known of a car, of its model and of its layouts; the nearest first. */
export async function listOwn(
	db: Database,
	{ vehicleId, model, layouts }: { vehicleId: string; model: string; layouts: Record<Axle, string> }
): Promise<OfferedKnowledge[]> {
	const rows = await db.rows(
		`SELECT o.id, o.scope, o.layout, o.own, j.number, NULL AS shop, p.name, o.entered_at AS at
		   FROM ${standing} o JOIN jobs j ON j.id = o.job_id JOIN people p ON p.id = o.person_id
		  WHERE o.place = 1 AND o.own IS NOT NULL AND ((o.scope = 'car' AND o.scope_key = :vehicleId)
		     OR (o.scope = 'model' AND o.scope_key = :model AND o.scope_key <> '')
		     OR (o.scope = 'layout' AND o.scope_key IN (:layouts)))
		 UNION ALL
		 SELECT s.id, s.scope, s.layout, s.own, NULL, s.shop, p.name, s.taken_in_at
		   FROM shared_knowledge s JOIN people p ON p.id = s.person_id
		  WHERE ((s.scope = 'model' AND s.scope_key = :model AND s.scope_key <> '')
		     OR (s.scope = 'layout' AND s.scope_key IN (:layouts)))
		    AND s.id NOT IN (SELECT id FROM ${standing} own)
		  ORDER BY FIELD(scope, 'car', 'model', 'layout'), at, id`,
		{ vehicleId, model, layouts: Object.values(layouts) }
	);
	const known = rows.map((row) => ({
		id: row.id as string,
		scope: row.scope as OfferedKnowledge['scope'],
		layout: row.layout as string,
		own: JSON.parse(row.own as string) as Knowledge,
		jobNumber: row.number as string | null,
		shop: row.shop as string | null,
		person: row.name as string,
		at: (row.at as Date).toISOString()
	}));
	// A step of one layout means nothing on another, whatever it was kept for.
	return known.filter(({ layout, own: { where } }) => where === 'car' || layout === layouts[where]);
}

/** Of models and layouts; what is known of one car alone stays in its shop. */
export interface SharedOwn {
	id: string;
	scope: 'model' | 'layout';
	/** Make and model, or the layout. */
	of: string;
	layout: string;
	own: Knowledge;
}

/** All that this shop may share: its own, and what it was given. */
export async function listShared(db: Database): Promise<SharedOwn[]> {
	const rows = await db.rows(
		`SELECT id, scope, scope_key, layout, own FROM ${standing} o
		  WHERE place = 1 AND own IS NOT NULL AND scope <> 'car'
		 UNION ALL
		 SELECT id, scope, scope_key, layout, own FROM shared_knowledge
		  WHERE id NOT IN (SELECT id FROM ${standing} own)
		  ORDER BY scope, scope_key, id`
	);
	return rows.map((row) => ({
		id: row.id as string,
		scope: row.scope as SharedOwn['scope'],
		of: row.scope_key as string,
		layout: row.layout as string,
		own: JSON.parse(row.own as string) as Knowledge
	}));
}

/** Takes in what another shop shared; what is here under the same id already stays as it is. @returns how many are new */
export async function takeIn(
	db: Database,
	items: readonly SharedOwn[],
	{ shop, personId }: { shop: string; personId: string }
): Promise<number> {
	let added = 0;
	for (const { id, scope, of, layout, own } of items) {
		added += await db.run(
			`INSERT IGNORE INTO shared_knowledge (id, scope, scope_key, layout, own, shop, person_id, taken_in_at)
			 SELECT :id, :scope, :of, :layout, :own, :shop, :personId, UTC_TIMESTAMP(3) FROM DUAL
			  WHERE NOT EXISTS (SELECT 1 FROM own_knowledge WHERE id = :id AND scope <> 'job')`,
			{ id, scope, of, layout, own: JSON.stringify(own), shop, personId }
		);
	}
	return added;
}

/** A lead no longer wants what was shared. @returns whether it was there */
export async function dropShared(db: Database, id: string): Promise<boolean> {
	return (await db.run('DELETE FROM shared_knowledge WHERE id = ?', [id])) > 0;
}
