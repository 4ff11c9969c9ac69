import { customerPage } from '$core/job/sheet/customer';
import { unitChoice } from '$core/units/format';
import { momentsOf } from '$core/units/moments';
import { unitsOf } from '$core/units/personal';
import { endpoint, person as signedIn } from '$lib/server/api/endpoint';
import { db, threads } from '$lib/server/app';
import { readJob } from '$lib/server/jobs/book';
import { findPicture } from '$lib/server/db/pictures';

/** The customer's page as it comes to now. */
export const GET = endpoint(async (event) => {
	const person = signedIn(event);
	const shop = event.locals.shop!;
	const job = await readJob(db, event.params.id!);
	const sheet = customerPage(job, {
		shopName: shop.name,
		units: unitsOf(() => unitChoice(shop.units)),
		times: momentsOf(() => shop.clock)
	});
	const ids = sheet.blocks.flatMap((block) =>
		block.kind === 'photos' ? block.photos.map(({ id }) => id) : []
	);
	const photos = Object.fromEntries(
		await Promise.all(
			ids.map(async (id) => {
				// Of a job that came as a file the pictures stayed where it came from.
				const jpeg = await findPicture(db, job.name.id, id);
				return [id, jpeg ? `data:image/jpeg;base64,${jpeg.toString('base64')}` : ''] as const;
			})
		)
	);
	const mark = { drawnAt: new Date().toISOString(), photos };
	const pdf = await threads.run(
		'drawSheet',
		{ sheet, mark },
		{ who: person.id, signal: event.request.signal }
	);
	return new Response(new Uint8Array(pdf), {
		headers: {
			'content-type': 'application/pdf',
			'content-disposition': `inline; filename="customer-${job.name.number}.pdf"`,
			'cache-control': 'private, no-store'
		}
	});
});
