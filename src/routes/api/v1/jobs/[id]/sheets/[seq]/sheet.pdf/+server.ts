import { endpoint } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { findJob } from '$lib/server/db/jobs';
import { sealedSheet } from '$lib/server/exchange/sealed-sheet';

/** The same as it was sealed, byte for byte. */
export const GET = endpoint(async ({ params }) => {
	const { pdf } = await sealedSheet(params.id!, params.seq!);
	const { number } = (await findJob(db, params.id!))!;
	return new Response(new Uint8Array(pdf), {
		headers: {
			'content-type': 'application/pdf',
			'content-disposition': `inline; filename="sheet-${number}-${params.seq}.pdf"`,
			'cache-control': 'private, no-store'
		}
	});
});
