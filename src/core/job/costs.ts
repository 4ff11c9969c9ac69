import type { Undone } from '../fastener/survival.ts';

/** What a shop reckons with; changed on the shop's page. */
export interface ShopCosts {
	/** Shown after every amount. */
	currency: string;
	labourPerHour: number;
	/** What an hour of a car waiting on the lift costs. */
	waitPerHour: number;
	/** Hours until a part is here that was not ordered. */
	partWaitHours: number;
	/** A drop link, for reckoning what belongs on the shelf. */
	linkPrice: number;
	/** Share of a price lost on a part sent back, 0 to 1. */
	returnLoss: number;
	/** The shop's spring compressor: rated load, N per hook; its screws, and the hooks at each end of one. */
	compressorHookN: number;
	compressorScrews: number;
	compressorHooksPerScrew: number;
	/** What has come of the drop links that were undone here. */
	links?: readonly Undone[];
}

/** Until a shop says its own: own choice, to be changed. */
export const usualCosts: ShopCosts = {
	currency: 'EUR',
	labourPerHour: 85,
	waitPerHour: 60,
	partWaitHours: 4,
	linkPrice: 25,
	returnLoss: 0.2,
	compressorHookN: 8000,
	compressorScrews: 2,
	compressorHooksPerScrew: 1
};

export const showMoney = (amount: number, { currency }: Pick<ShopCosts, 'currency'>): string =>
	`${new Intl.NumberFormat('en', { minimumFractionDigits: 2, maximumFractionDigits: 2 }).format(amount)} ${currency}`;
