import { endpoint } from '$lib/server/api/endpoint';
import { sealedSheet } from '$lib/server/exchange/sealed-sheet';

/** A sheet as it was when its job was signed. */
export const GET = endpoint(async ({ params }) => {
	const { sheet } = await sealedSheet(params.id!, params.seq!);
	return { sheet };
});
