/**
 * The round on this screen: which joint is in hand, how its corner stands, what it waits for, and with which
 * wrench it is pulled. What is shown of it is in the components beside.
 */
import { actionsOf } from '$core/fastener/joint-programme';
import { pickWrenches, type RackWrench } from '$core/fastener/rack';
import type { Corner } from '$core/height/corners';
import { atWork } from '$core/job/joints';
import type { Joint } from '$core/job/model';
import { onGround, questionBefore, stopWaitsFor, type Question } from '$core/job/turn';
import { loadedStanding } from '$core/job/loaded';
import type { CarState, LoadMethod } from '$core/procedure/facts';
import {
	roundStops,
	stopDone,
	stopIn,
	type RoundPart,
	type RoundStop
} from '$core/procedure/round';
import type { WorkStep } from '$core/work/step';
import { rightNow } from '$lib/client/api';
import type { JobState } from '$lib/client/job-state.svelte';

/** How a corner stands while something is tightened there. */
export interface Standing {
	readonly carState: CarState;
	/** How it is loaded; undefined while it hangs. */
	readonly method: LoadMethod | undefined;
	/** Hub to arch with its unit; empty while it hangs. */
	readonly hubToArch: string;
}

const hanging: Standing = { carState: 'hanging', method: undefined, hubToArch: '' };

const keyOf = (stop: RoundStop): string => (stop.phase === 'load' ? stop.corner : stop.jointId);

export class Round {
	/** What was picked, and how often it had been pulled or read by then. */
	#pick = $state.raw<{ stop: RoundStop; times: number }>();
	/** What was said of rubber that was clamped elsewhere, for the joint in hand. */
	loosened = $state<boolean>();
	/** Why it is tightened before its turn. */
	ahead = $state<string>();
	readonly #job: JobState;
	readonly #part: () => RoundPart;
	readonly #rack: () => readonly RackWrench[];

	/** @param part which part of the car; @param rack the shop's wrenches, told anew at each change */
	constructor(job: JobState, part: () => RoundPart, rack: () => readonly RackWrench[]) {
		this.#job = job;
		this.#part = part;
		this.#rack = rack;
	}

	readonly stops: RoundStop[] = $derived.by(() =>
		roundStops(this.#job.view.facts.joints, this.#part())
	);
	/**
	 * A joint or a corner picked out of the order, until the book says that it was done since; a joint with steps
	 * left stays in hand. It rests on the book alone: an answer that comes late changes nothing.
	 */
	readonly picked: RoundStop | undefined = $derived.by(() => {
		const pick = this.#pick;
		if (!pick || !stopIn(pick.stop, this.#part())) return undefined;
		return this.#times(pick.stop) > pick.times && !this.#begun(pick.stop) ? undefined : pick.stop;
	});
	readonly #toDo: RoundStop[] = $derived.by(() =>
		this.stops.filter((stop) => !this.done(stop) && !this.passedOver(stop))
	);
	readonly #next: RoundStop | undefined = $derived.by(() =>
		this.#toDo.find((stop) => !this.waits(stop))
	);
	/** Nothing can be done before this step. */
	readonly held: WorkStep | undefined = $derived.by(() =>
		this.#next || !this.#toDo[0] ? undefined : this.waits(this.#toDo[0])
	);
	readonly stop: RoundStop | undefined = $derived.by(() => {
		const { picked } = this;
		if (!picked) return this.#next;
		if (picked.phase === 'load') return picked;
		// The step of a picked joint that comes next.
		const status = this.#job.view.standing.joints.get(picked.jointId);
		return status ? { ...picked, action: status.next } : this.#next;
	});
	readonly joint: Joint | undefined = $derived.by(() => {
		const { stop } = this;
		return stop && stop.phase !== 'load'
			? this.#job.record.joints.find(({ id }) => id === stop.jointId)
			: undefined;
	});
	/** Acts that are left in this part of the round. */
	readonly left: number = $derived.by(
		() => this.stops.filter((one) => one.phase !== 'load' && !this.done(one)).length
	);
	/** Of the stage, in this part: the same count as everywhere. */
	readonly toSet: number = $derived.by(
		() =>
			this.#job.view.standing.owed.filter(
				(item) => item.stage === 'set' && stopIn(item, this.#part())
			).length
	);
	readonly skipped: Joint[] = $derived.by(() =>
		this.#job.record.joints.filter(
			(one) =>
				stopIn(one, this.#part()) &&
				this.lastRow(one.id)?.skipReason != null &&
				this.#job.view.standing.joints.get(one.id)!.owed
		)
	);

	/** How the car stands at the stop in hand: from the looks on record, or as the phase needs it. */
	readonly standing: Standing = $derived.by(() => {
		const { stop, joint } = this;
		const down = stop?.phase === 'ground' || (joint && onGround(this.#job.work, joint));
		if (down) return { carState: 'loaded', method: 'on-wheels', hubToArch: '' };
		const look = stop && this.look(stop.corner);
		if (!look) return hanging;
		const { method, hubToArchMm } = look;
		return { carState: 'loaded', method, hubToArch: `${hubToArchMm} mm` };
	});

	/** What is to be said of the joint in hand before it is pulled. */
	readonly question: Question | undefined = $derived.by(() => {
		const { joint, stop, standing } = this;
		if (!joint || !stop || stop.phase === 'load') return undefined;
		const { record, work, view } = this.#job;
		const { carState, method } = standing;
		const how = { action: stop.action, carState, method, ...this.answers };
		return questionBefore(record, work, view.standing.joints.get(joint.id)!, joint, how);
	});

	/** Wrenches for everything that is left, with as few changes as can be. */
	readonly wrenches: { picks: Record<string, string | undefined>; changes: number } = $derived.by(
		() => {
			const ahead = this.stops.flatMap((one) => {
				if (one.phase === 'load' || this.done(one)) return [];
				const of = this.#job.record.joints.find(({ id }) => id === one.jointId)!;
				const torqueNm = actionsOf(atWork(of))[one.action]?.torqueNm;
				return torqueNm === undefined
					? []
					: [{ key: `${of.id}/${one.action}`, torqueNm, adapter: of.programme?.adapter }];
			});
			const { picks, changes } = pickWrenches(ahead, this.#rack(), rightNow().slice(0, 10));
			return { picks: Object.fromEntries(ahead.map(({ key }, i) => [key, picks[i]])), changes };
		}
	);

	/** The wrench planned for the stop in hand. */
	get wrench(): string | undefined {
		const { stop } = this;
		if (!stop || stop.phase === 'load') return undefined;
		return this.wrenches.picks[`${stop.jointId}/${stop.action}`];
	}

	/** What names the stop in hand: changes with its joint and its step. */
	get key(): string | undefined {
		const { stop } = this;
		return stop && `${stop.phase} ${keyOf(stop)} ${stop.phase === 'load' ? '' : stop.action}`;
	}

	/** As the API wants them, with what is recorded here. */
	get answers(): { loosenedFirst?: boolean; aheadReason?: string } {
		return {
			...(this.loosened !== undefined && { loosenedFirst: this.loosened }),
			...(this.ahead && { aheadReason: this.ahead })
		};
	}

	/** How the corner stands, as the API wants it. */
	get sent(): Record<string, string> {
		const { carState, method, hubToArch } = this.standing;
		return { carState, ...(method && { method }), ...(hubToArch && { hubToArch }) };
	}

	/** The last look at a corner while it was loaded; undefined where it hangs, or hangs again. */
	look(corner: Corner) {
		const last = this.#job.record.loadings.findLast((look) => look.corner === corner);
		const hangs = this.#job.work.book.get('hangs', corner);
		return last && hangs?.loadingId !== last.id ? last : undefined;
	}

	/** The corner was let down since it was read: what is pulled there now is pulled hanging. */
	async letHang(corner: Corner): Promise<void> {
		const look = this.look(corner);
		if (look) await this.#job.tell('hangs', corner, { loadingId: look.id });
	}

	lastRow(jointId: string) {
		return this.#job.record.torques.findLast((row) => row.jointId === jointId);
	}

	passedOver(stop: RoundStop): boolean {
		return stop.phase !== 'load' && this.lastRow(stop.jointId)?.skipReason != null;
	}

	loaded(corner: Corner) {
		return loadedStanding(this.#job.record, corner, this.#job.limits);
	}

	done(stop: RoundStop): boolean {
		if (stopDone(stop, this.#job.view.standing, this.#job.view.facts.joints)) return true;
		if (stop.phase !== 'load') return false;
		return !!this.look(stop.corner) && this.loaded(stop.corner)?.verdict === 'in-band';
	}

	/** The step that a stop waits for: its part is not back, or its turn has not come. */
	waits(stop: RoundStop): WorkStep | undefined {
		return stopWaitsFor(this.#job.work, stop, this.#job.record.joints);
	}

	/** Takes this in hand, out of the order; undefined: back to the order. */
	pick(stop: RoundStop | undefined): void {
		this.#pick = stop && { stop, times: this.#times(stop) };
	}

	pickJoint(jointId: string): void {
		this.pick(this.stops.find((stop) => stop.phase !== 'load' && stop.jointId === jointId));
	}

	/** How often it was pulled, passed over or read, whoever did it: it only ever grows. */
	#times(stop: RoundStop): number {
		const { loadings, torques } = this.#job.record;
		return stop.phase === 'load'
			? loadings.filter(({ corner }) => corner === stop.corner).length
			: torques.filter(({ jointId, withdrawn }) => jointId === stop.jointId && !withdrawn).length;
	}

	#begun(stop: RoundStop): boolean {
		return (
			stop.phase !== 'load' && this.#job.view.standing.joints.get(stop.jointId)?.state === 'begun'
		);
	}

	/** Takes back the newest entry of a person, by a row of its own; its joint is in hand again. */
	async undo(personId: string | undefined): Promise<void> {
		const mine = this.newestOf(personId);
		if (!mine) return;
		const { id, jointId, carState, method } = mine;
		// Before it is said: by the time the server has answered another joint may be in hand.
		this.pickJoint(jointId);
		const said = { withdraw: true, carState, ...(method ? { method } : {}) };
		await this.#job.tell('torque', jointId, said, { corrects: id });
	}

	/** The newest row of a person, to be taken back by a row of its own. */
	newestOf(personId: string | undefined) {
		const replaced = this.#job.record.torques.map((row) => row.correctsId);
		return this.#job.record.torques.findLast(
			(row) => !row.withdrawn && !replaced.includes(row.id) && row.personId === personId
		);
	}
}
