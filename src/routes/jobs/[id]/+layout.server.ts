import { packBook } from '$lib/book/packed';
import { db } from '$lib/server/app';
import { listEntries } from '$lib/server/db/entries';
import { findJob } from '$lib/server/db/jobs';
import { listPeople } from '$lib/server/db/people';
import { listCarNotes, listSpecifications, listTimedKinds } from '$lib/server/db/projections';
import { listWrenches } from '$lib/server/db/wrenches';
import { modelOf } from '$lib/server/jobs/projections';
import { carAt } from '$core/job/book/entry';
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
	const wrenches = rack.filter(({ retired }) => !retired);
	const { id, number } = row;
	const vehicle = carAt(entries);
	const specifications = await listSpecifications(db, {
		vehicleId: row.vehicleId,
		model: modelOf(vehicle),
		layouts: [vehicle.axles.front.layout, vehicle.axles.rear.layout]
	});
	return {
		title: `${vehicle.plate} ${number}`,
		job: { id, number, people, book: packBook(entries) },
		wrenches,
		timed,
		carNotes,
		// What this job itself specifies stands in its book.
		specifications: specifications.filter(({ jobNumber }) => jobNumber !== number)
	};
};
