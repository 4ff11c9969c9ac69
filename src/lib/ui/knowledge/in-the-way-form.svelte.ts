/** What somebody says stands in the way on this car, and what it becomes. */
import { numberOf } from '$core/units/parse';
import type { Axle } from '$core/height/corners';
import type { Data as KnowledgeData } from '$core/job/kinds/own/data';
import { coversOf, jointsAt, type CoverReach } from '$core/layout/covers';
import type { CoverFastener, Layout, LayoutCover, LayoutPart } from '$core/layout/types';
import { mayClear } from '$core/work/in-the-way';
import type { KnowledgeScope } from '$core/work/shop-knowledge';

/** A cover that the catalogue does not know. */
export const another = 'another';

/** How one kind of fastener is typed. */
interface TypedFastener {
	what: string;
	count: string;
	hidden: string;
}

const asTyped = ({ what, count, hidden = '' }: CoverFastener): TypedFastener => ({
	what,
	count: count === undefined ? '' : String(count),
	hidden
});
const wrongCount = (count: string) =>
	count.trim() !== '' &&
	!(/^\d+$/.test(count.trim()) && numberOf(count) >= 1 && numberOf(count) <= 40);

export class InTheWayForm {
	/** `cover:parcel-shelf`, `part:caliper`, or another cover. */
	pick = $state('');
	name = $state('');
	where = $state<LayoutCover['where']>('boot');
	reach = $state<CoverReach>('top');
	shared = $state<'each' | 'both'>('each');
	held = $state<TypedFastener[]>([]);
	whom = $state<KnowledgeScope>('model');

	/** Covers of this axle that are not on the car yet, as they are known. */
	readonly covers: readonly LayoutCover[];
	readonly parts: readonly LayoutPart[];

	/**
	 * @param layout with the covers of this car
	 * @param cleared parts that come off besides already
	 */
	constructor(
		private readonly layout: Layout,
		private readonly axle: Axle,
		cleared: readonly string[],
		{ model }: { model: string }
	) {
		const here = layout.assembly.covers.map(({ key }) => key);
		this.covers = coversOf(layout, axle).filter(({ key }) => !here.includes(key));
		this.parts = mayClear(layout).filter(({ key }) => !cleared.includes(key));
		if (!model) this.whom = 'car';
	}

	get isCover(): boolean {
		return this.pick === another || this.pick.startsWith('cover:');
	}

	/** The cover that was picked, of those that are known. */
	get known(): LayoutCover | undefined {
		return this.covers.find(({ key }) => this.pick === `cover:${key}`);
	}

	/** Starts from how such a cover usually is: over nothing of its own where what it lies on is here. */
	choose(pick: string): void {
		this.pick = pick;
		const { known } = this;
		const on = known?.liesOn?.some((key) =>
			this.layout.assembly.covers.some((cover) => cover.key === key)
		);
		this.name = known?.name ?? '';
		this.where = known?.where ?? (this.axle === 'rear' ? 'boot' : 'bonnet');
		this.reach = on ? 'none' : known?.where === 'under' ? 'pivots' : 'top';
		this.shared = known?.shared ? 'both' : 'each';
		this.held = (known?.held ?? [{ what: 'clips' }]).map(asTyped);
	}

	more(): void {
		this.held.push({ what: '', count: '', hidden: '' });
	}

	/** What is wrong, by field. */
	get faults(): { name?: string; held?: string } {
		if (!this.isCover) return {};
		const count = this.held.find((one) => wrongCount(one.count));
		const nameless = this.held.some(({ what, count, hidden }) => !what.trim() && (count || hidden));
		return {
			...(!this.name.trim() && { name: 'say what it is called' }),
			...(count && { held: `‘${count.count}’: how many, 1 to 40, or nothing` }),
			...(nameless && { held: 'say what they are, such as clips' })
		};
	}

	/** As it is kept. */
	get said(): KnowledgeData {
		const base = { where: this.axle, for: this.whom } as const;
		if (!this.isCover) {
			const key = this.pick.replace('part:', '');
			const part = this.parts.find((one) => one.key === key)!;
			return { ...base, what: 'part', text: part.name, anchor: `part:${key}` };
		}
		const cover = this.#cover;
		return { ...base, what: 'cover', text: cover.name, anchor: `cover:${cover.key}`, cover };
	}

	get #cover(): LayoutCover {
		const { known } = this;
		const name = this.name.trim();
		const held = this.held
			.filter(({ what }) => what.trim())
			.map(({ what, count, hidden }): CoverFastener => ({
				...known?.held?.find((one) => one.what === what.trim()),
				what: what.trim(),
				...(count.trim() && { count: numberOf(count) }),
				...(hidden.trim() && { hidden: hidden.trim() })
			}));
		return {
			key: known?.key ?? keyOf(name),
			name,
			where: this.where,
			over: jointsAt(this.layout, this.reach),
			...(this.reach === 'none' && known?.liesOn && { liesOn: known.liesOn }),
			...(this.shared === 'both' && { shared: true }),
			...(held.length && { held }),
			...(known?.plugs && { plugs: known.plugs }),
			...(known?.traps && { traps: known.traps })
		};
	}
}

/** A name as the key of a cover: small letters and dashes, never one that the catalogue has. */
export const keyOf = (name: string): string =>
	`own-${name
		.toLowerCase()
		.normalize('NFD')
		.replace(/[^a-z0-9]+/g, '-')
		.replace(/^-|-$/g, '')}`.slice(0, 40);
