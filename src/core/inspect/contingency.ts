/** Is a part worth having on the shelf before the job? */

export interface ContingencyInput {
	/** That the fastener or part does not survive, 0 to 1. */
	breaks: number;
	/** Price of the part. */
	price: number;
	/** Share of the price lost when it is not needed: handling, return. 0 to 1. */
	returnLoss: number;
	/** Hours until the part is here when it was not ordered. */
	waitHours: number;
	/** What an hour of a car waiting on the lift costs. */
	waitPerHour: number;
}

export interface ContingencyAnswer {
	/** Of the car that waits for it, and of the part sent back for nothing. */
	waiting: number;
	lost: number;
	/** Expected cost of not having it. */
	withoutCost: number;
	/** Expected cost of having it for nothing. */
	withCost: number;
	stock: boolean;
	/** From this chance of breaking on it is worth having. */
	breakEven: number;
}

/** Expected cost against expected cost: elementary decision under risk. */
export function contingency(input: ContingencyInput): ContingencyAnswer {
	const { breaks, price, returnLoss, waitHours, waitPerHour } = input;
	const waiting = waitHours * waitPerHour;
	const lost = price * returnLoss;
	const withoutCost = breaks * waiting;
	const withCost = (1 - breaks) * lost;
	return {
		waiting,
		lost,
		withoutCost,
		withCost,
		stock: withoutCost > withCost,
		breakEven: waiting + lost > 0 ? lost / (waiting + lost) : 1
	};
}
