/**
 * One pull of a joint as it is entered: what is asked, with which wrench and in which unit it is read, what
 * is typed, what waits for the one-time hardware, and what is told of it.
 */
import { actionsOf } from '$core/fastener/joint-programme';
import { hardwareOpen, type HardwarePiece } from '$core/fastener/hardware';
import { calibrationState, pickWrenches, wrenchFor } from '$core/fastener/rack';
import { atWork } from '$core/job/joints';
import type { Joint, Torque } from '$core/job/model';
import { questionBefore } from '$core/job/turn';
import { sightsFor, type Sight } from '$core/procedure/facts';
import { convert, findUnit, siUnit } from '$core/units/dimensions';
import { formatNumber, formatQuantity } from '$core/units/format';
import { parseQuantity, withMeantUnit } from '$core/units/parse';
import type { Refusal } from '$lib/client/api';
import type { JobState } from '$lib/client/job-state.svelte';
import type { PersonalUnits } from '$core/units/personal';
import type { ShopWrench } from '$lib/rack/model';
import type { Standing } from '$lib/ui/round/round.svelte';
import { wrenchUnit } from './step-words';

/** What stands around a pull. */
interface Around {
	joint: Joint;
	/** Step of its programme; the one that comes next if absent. */
	action?: number | undefined;
	car: Standing;
	/** The wrench planned for this step; the rack's own pick if absent. */
	plannedWrench?: string | undefined;
	loosenedFirst: boolean | undefined;
	aheadReason: string | undefined;
	rack: readonly ShopWrench[];
	/** Today in the shop, YYYY-MM-DD. */
	today: string;
}

/** What is said of a step. */
export type Said =
	| { torque: string }
	| { angle: string }
	| { seen: Sight }
	| { skipReason: string }
	| { withdraw: true };

export class Pull {
	readonly #job: JobState;
	readonly #units: PersonalUnits;
	readonly #around: () => Around;

	text = $state('');
	/** Chosen by hand; until then the one that is planned, or fits what is asked or typed. */
	#chosen = $state<string>();
	otherWrench = $state('');
	overrideReason = $state('');
	skipReason = $state('');
	skipping = $state(false);
	busy = $state(false);
	refusal = $state<Refusal>();
	correcting = $state<Torque>();
	/** Waits until it is said what became of the one-time hardware. */
	#waiting = $state.raw<{ said: Said; seen: number }>();

	/** While a component is made: what is asked stands ready, so that Enter alone records a joint that clicked. */
	constructor(job: JobState, units: PersonalUnits, around: () => Around) {
		this.#job = job;
		this.#units = units;
		this.#around = around;
		this.text = this.#asked();
	}

	get joint(): Joint {
		return this.#around().joint;
	}

	get car(): Standing {
		return this.#around().car;
	}

	readonly status = $derived.by(() => this.#job.view.standing.joints.get(this.joint.id)!);

	/** Every step of its programme. */
	readonly list = $derived.by(() => actionsOf(atWork(this.joint)));

	readonly index = $derived.by(() =>
		Math.min(this.#around().action ?? this.status.next, this.list.length - 1)
	);

	readonly step = $derived.by(() => this.list[this.index]!);

	/** It is turned by an angle, not to a torque. */
	readonly turned = $derived.by(() => this.step.kind === 'angle' || this.step.kind === 'slacken');

	/** A rubber cushion has no number: it is seen. */
	readonly numbered = $derived.by(() => this.joint.kind !== 'cushion');

	readonly question = $derived.by(() => {
		if (this.#job.record.signedAt) return undefined;
		const { joint, car, loosenedFirst, aheadReason } = this.#around();
		return questionBefore(this.#job.record, this.#job.work, this.status, joint, {
			action: this.index,
			carState: car.carState,
			method: car.method,
			loosenedFirst,
			aheadReason
		});
	});

	readonly sights = $derived.by(() => {
		const { joint, car } = this.#around();
		const only = joint.kind === 'cushion' ? joint.programme?.cushionTo : undefined;
		return sightsFor(joint.kind, car.carState).filter((sight) => !only || sight === only);
	});

	// The rack: what is planned, else what fits.
	readonly #demand = $derived.by(() => {
		const { torqueNm } = this.step;
		return torqueNm === undefined
			? undefined
			: { torqueNm, adapter: this.joint.programme?.adapter };
	});

	readonly #wanted = $derived.by(() => {
		if (this.#demand) return this.#demand;
		const parsed = parseQuantity(this.text, 'torque', {
			field: 'torque',
			defaultUnit: this.#units.choice.torque
		});
		return parsed.ok && !this.turned
			? { torqueNm: parsed.value.si, adapter: this.joint.programme?.adapter }
			: undefined;
	});

	readonly wrenchId = $derived.by(() => {
		const { plannedWrench, rack, today } = this.#around();
		const fitting = this.#wanted && pickWrenches([this.#wanted], rack, today).picks[0];
		return this.#chosen ?? plannedWrench ?? fitting ?? '';
	});

	readonly wrench = $derived.by(() => this.#around().rack.find(({ id }) => id === this.wrenchId));

	/** What is set on it, or why it must not be used. */
	readonly fit = $derived.by(() =>
		this.wrench && this.#wanted
			? wrenchFor(this.wrench, this.#wanted, this.#around().today)
			: undefined
	);

	readonly calibration = $derived.by(
		() => this.wrench && calibrationState(this.wrench, this.#around().today)
	);

	/** Number on the wrench over the torque at the joint: an adapter makes them differ. */
	readonly leverage = $derived.by(() =>
		this.#demand?.adapter && this.fit?.ok ? this.fit.value.settingNm / this.#demand.torqueNm : 1
	);

	/** What is asked is read on the wrench, in the unit it is marked in; what is only typed, as it is said. */
	readonly unit = $derived.by(
		() => (this.#demand && this.wrench && wrenchUnit(this.wrench)) ?? this.#units.choice.torque
	);

	/** A torque in the wrench's unit, without it. */
	bare(nm: number): string {
		const value = convert(nm, siUnit('torque'), findUnit(this.unit, 'torque')!);
		return formatNumber(value, nm < 20 || this.unit === 'kgf·m' ? 1 : 0);
	}

	/** The number to see on the wrench; undefined where none is given. */
	readonly shown = $derived.by(() =>
		this.step.torqueNm === undefined ? undefined : this.bare(this.step.torqueNm * this.leverage)
	);

	#asked(): string {
		if (this.turned) return String(this.step.angleDeg ?? '');
		return this.shown?.replace(/\s/g, '') ?? '';
	}

	/** Another wrench, another number. */
	choose(wrenchId: string): void {
		this.#chosen = wrenchId;
		if (!this.correcting && this.#demand) this.text = this.#asked();
	}

	readonly understood = $derived.by(() => {
		if (!this.text.trim()) return undefined;
		return this.turned
			? parseQuantity(this.text, 'angle', { field: 'angle', defaultUnit: '°', min: 1, max: 720 })
			: parseQuantity(this.text, 'torque', {
					field: 'torque',
					defaultUnit: this.unit,
					min: 0.5,
					max: 1000
				});
	});

	/** A number that was recorded is to be another. */
	correct(row: Torque): void {
		this.correcting = row;
		this.text = row.entered.replace(/\s*N·m$/, this.unit === 'N·m' ? '' : ' N·m');
	}

	/** It waits for an answer on its one-time hardware. */
	get asksHardware(): boolean {
		return this.#waiting !== undefined;
	}

	readonly #hardware = $derived.by(() =>
		hardwareOpen(this.joint, this.#job.record.hardware[this.joint.id])
	);

	/** The last step of a joint that counts wants its hardware known; a bush nipped for later does not yet. */
	readonly #wantsHardware = $derived.by(
		() =>
			this.index === this.list.length - 1 &&
			!(this.joint.rule === 'ride-height' && this.car.carState === 'hanging') &&
			this.#hardware.length > 0
	);

	/**
	 * What was typed, as it is told: at the joint, also where an adapter makes the wrench show another number.
	 * Nothing that can be told leaves its reason in `refusal`.
	 */
	typed(): Said | undefined {
		if (this.skipping) return { skipReason: this.skipReason.trim() };
		if (!this.numbered && this.sights.length === 1) return { seen: this.sights[0]! };
		const { understood } = this;
		if (!understood?.ok) {
			const title =
				understood?.faults[0]!.message ??
				(this.turned ? 'Type the angle it was turned.' : 'Type the torque it reached.');
			this.refusal = { status: 422, title };
			return undefined;
		}
		if (this.turned) return { angle: withMeantUnit(this.text, '°') };
		return {
			torque:
				this.leverage === 1
					? withMeantUnit(this.text, this.unit)
					: formatQuantity(understood.value.si / this.leverage, 'torque', this.unit, {
							decimals: 1
						})
		};
	}

	/** What is to be told now; undefined where it waits for the hardware's answer. */
	ready(said: Said): { said: Said; seen: number } | undefined {
		// What somebody else records while it is asked was not seen at this pull.
		const told = { said, seen: this.#job.seq };
		if (!this.#wantsHardware || this.correcting || 'skipReason' in said) return told;
		this.#waiting = told;
		return undefined;
	}

	/** One piece of the hardware is answered: what waited for it, where it was the last. */
	hardwareSaid(piece: HardwarePiece): { said: Said; seen: number } | undefined {
		const waiting = this.#waiting;
		if (!waiting || this.#hardware.some((one) => one !== piece)) return undefined;
		this.#waiting = undefined;
		return waiting;
	}

	/** @returns why it is not taken; undefined when it is */
	async tell(
		said: Said,
		{
			seen = this.#job.seq,
			corrects = this.correcting?.id
		}: { seen?: number; corrects?: string } = {}
	): Promise<Refusal | undefined> {
		this.busy = true;
		const { joint, loosenedFirst, aheadReason } = this.#around();
		const withdrawn = 'withdraw' in said;
		const stood = {
			action: this.correcting?.action ?? (withdrawn ? 0 : this.index),
			...(this.overrideReason.trim() && { overrideReason: this.overrideReason.trim() }),
			...this.#stands()
		};
		const refused =
			'skipReason' in said
				? await this.#job.tell('skip', joint.id, { ...stood, reason: said.skipReason })
				: await this.#job.tell(
						'torque',
						joint.id,
						{
							...stood,
							...(!this.correcting && !withdrawn && { loosenedFirst, aheadReason }),
							...(!withdrawn && !('seen' in said) && this.#tool()),
							...said
						},
						{ seen, ...(corrects && { corrects }) }
					);
		this.busy = false;
		this.refusal = undefined;
		if (refused) return refused;
		this.correcting = undefined;
		this.skipping = false;
		return undefined;
	}

	/** How the car stands. A correction is of the number: how it stood when it was pulled stays. */
	#stands() {
		const { correcting, car } = this;
		if (correcting) {
			return {
				carState: correcting.carState,
				method: correcting.method ?? undefined,
				hubToArch: correcting.hubToArchEntered ?? undefined
			};
		}
		const height = withMeantUnit(car.hubToArch, this.#units.choice.length);
		return {
			carState: car.carState,
			method: car.method,
			hubToArch: car.method && height ? height : undefined
		};
	}

	#tool() {
		const { wrench, otherWrench } = this;
		if (wrench) return { wrenchId: wrench.id, wrench: wrench.name };
		return otherWrench.trim() ? { wrench: otherWrench.trim() } : {};
	}
}
