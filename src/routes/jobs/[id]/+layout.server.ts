import { packBook } from '$lib/book/packed';
import { layoutsOfCar } from '$lib/client/layouts';
import { db } from '$lib/server/app';
import { listEntries } from '$lib/server/db/entries';
import { findJob } from '$lib/server/db/jobs';
import { listOwn } from '$lib/server/db/shop-knowledge';
import { listPeople } from '$lib/server/db/people';
import {
	listCarNotes,
	listLinksUndone,
	listSpecifications,
	listTimedKinds
} from '$lib/server/db/projections';
import { listWrenches } from '$lib/server/db/wrenches';
import { modelOf } from '$lib/server/jobs/projections';
import { carAt } from '$core/job/book/entry';
import { nearestKnown } from '$core/job/joints';
import { error } from '@sveltejs/kit';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ params }) => {
	const row = await findJob(db, params.id);
	if (!row) error(404, 'There is no such job.');
	const [entries, everyone, rack, timed, carNotes] = await Promise.all([
		listEntries(db, row.id),
		listPeople(db),
		listWrenches(db),
		listTimedKinds(db),
		listCarNotes(db, row.vehicleId)
	]);
	const people = everyone.map(({ id, name, role, active }) => ({ id, name, role, active }));
	const { id, number } = row;
	const vehicle = carAt(entries);
	const closed =
		entries.findLast(({ kind }) => kind === 'signed' || kind === 'addendum')?.kind === 'signed';
	// Nothing is specified and nothing is taken in any more in a job that is signed.
	const of = { vehicleId: row.vehicleId, model: modelOf(vehicle) };
	const layouts = layoutsOfCar(vehicle);
	const { front, rear } = vehicle.axles;
	const [specifications, known, linksUndone] = closed
		? [[], [], []]
		: await Promise.all([
				listSpecifications(db, { ...of, layouts }),
				listOwn(db, { ...of, layouts: { front: front.layout, rear: rear.layout } }),
				listLinksUndone(db)
			]);
	return {
		title: `${vehicle.plate} ${number}`,
		job: { id, number, people, book: packBook(entries) },
		layouts,
		wrenches: rack.filter(({ retired }) => !retired),
		// Where nothing is planned any more, no minutes are told.
		timed: closed && !entries.some(({ kind }) => kind === 'scope') ? [] : timed,
		carNotes,
		known,
		linksUndone,
		// What this job itself specifies stands in its book.
		specifications: nearestKnown(vehicle, specifications, number)
	};
};
