import { firstGap } from '$core/schedule/bays';
import { closeGaps, insert, queueOf, type Queued } from '$core/schedule/queue';
import type { FloorJob } from '$lib/bays/model';
import { call, type Refusal } from '$lib/client/api';
import { refresh } from '$lib/client/refresh';
import { blockMinutes, minutesFrom, placesOf, queuedOf } from './floor';

/** What the floor is now: its open jobs, its bays, the week its minutes count from, and the minute it is. */
interface Floor {
	jobs: readonly FloorJob[];
	bays: number;
	monday: Date;
	nowMin: number;
}

/** Cars of the floor as they are moved: between queues, later, first, out, and the last move back. */
export class FloorMoves {
	readonly #now: () => Floor;
	/** Of the last move. */
	refusal = $state<Refusal>();
	/** The places before the last move, for undo. */
	before = $state.raw<{ places: Queued[]; out: string[] }>();
	/** The car in hand. */
	picked = $state<string>();

	constructor(now: () => Floor) {
		this.#now = now;
	}

	get slots(): Queued[] {
		const { jobs, monday } = this.#now();
		return jobs.flatMap((job) => queuedOf(job, monday) ?? []);
	}

	/** How many cars stand before it in its queue. */
	indexOf(slot: Queued): number {
		return queueOf(this.slots, slot.bay).findIndex(({ id }) => id === slot.id);
	}

	/** Taken in hand, or put down. */
	pick(id: string): void {
		this.picked = this.picked === id ? undefined : id;
	}

	/** Behind so many cars that stand in this bay's queue; what is in the bay stays there. */
	async move(id: string, bay: number, index: number): Promise<void> {
		const { nowMin } = this.#now();
		const others = this.slots.filter((one) => one.id !== id);
		const begun = queueOf(others, bay).filter(({ startMin }) => startMin <= nowMin).length;
		this.picked = id;
		await this.#put(
			insert(others, this.#block(id), { bay, index: Math.max(begun, index) }, nowMin)
		);
	}

	/** In whichever bay it can begin first. */
	async first(id: string): Promise<void> {
		const { jobs, bays, nowMin } = this.#now();
		const job = this.#block(id);
		const { soakHours } = jobs.find((one) => one.id === id)!;
		const gap = firstGap(this.slots, job, bays, Math.max(0, nowMin) + soakHours * 60);
		this.picked = id;
		if (gap) await this.#put([{ ...job, ...gap }]);
		else this.refusal = { status: 409, title: 'Every bay is taken for four weeks.' };
	}

	/** Back to the yard. */
	async out(id: string): Promise<void> {
		const was = this.slots.filter((one) => one.id === id);
		const answer = await call('DELETE', `/jobs/${id}/bay`);
		this.refusal = answer.ok ? undefined : answer.refusal;
		if (answer.ok) this.before = { places: was, out: [] };
		await refresh();
	}

	/** Not here before this moment; null: it stands in the yard. */
	async comes(id: string, moment: string | null): Promise<void> {
		const { monday, nowMin } = this.#now();
		const slot = this.slots.find((one) => one.id === id)!;
		const { comesMin: _, ...job } = slot;
		const told = { ...job, ...(moment !== null && { comesMin: minutesFrom(monday, moment) }) };
		const others = this.slots.filter((one) => one.id !== id);
		await this.#put(insert(others, told, { bay: slot.bay, index: this.indexOf(slot) }, nowMin));
	}

	closeGaps(bay: number): Promise<void> {
		return this.#put(closeGaps(this.slots, bay, this.#now().nowMin));
	}

	async undo(): Promise<void> {
		const { places, out } = this.before!;
		this.before = undefined;
		for (const id of out) await call('DELETE', `/jobs/${id}/bay`);
		if (places.length) await this.#send(places);
		await refresh();
	}

	#block(id: string): Omit<Queued, 'bay' | 'startMin'> {
		const own = this.slots.find((one) => one.id === id);
		return own ?? { id, minutes: blockMinutes(this.#now().jobs.find((one) => one.id === id)!) };
	}

	async #send(places: readonly Queued[]): Promise<boolean> {
		const { jobs, monday } = this.#now();
		const answer = await call('PUT', '/bays', { slots: placesOf(places, jobs, monday) });
		this.refusal = answer.ok ? undefined : answer.refusal;
		return answer.ok;
	}

	async #put(changed: readonly Queued[]): Promise<void> {
		if (changed.length === 0) return;
		const ids = changed.map(({ id }) => id);
		const slots = this.slots;
		const was = {
			places: slots.filter(({ id }) => ids.includes(id)),
			out: ids.filter((id) => !slots.some((one) => one.id === id))
		};
		if (await this.#send(changed)) this.before = was;
		await refresh();
	}
}
