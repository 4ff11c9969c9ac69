/** What stands in the way on a job's car: said of it, and known of cars like it. */
import type { Axle } from '../height/corners.ts';
import type { Layout } from '../layout/types.ts';
import { carFault } from '../work/shop-knowledge-fault.ts';
import { isOfCar } from '../work/shop-knowledge.ts';
import { saidOf, type OfferedKnowledge } from './knowledge-offers.ts';
import type { WorkBook } from './work-book.ts';

/** What is known of cars like this one, in the way or not there, and is not said of it yet. */
export function offeredOfCar(
	book: WorkBook,
	layouts: Readonly<Record<Axle, Layout>>,
	known: readonly OfferedKnowledge[]
): OfferedKnowledge[] {
	const here = saidOf(book);
	return known.filter(
		({ id, own }) => !here.has(id) && isOfCar(own) && carFault(own, layouts) === undefined
	);
}
