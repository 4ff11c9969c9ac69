/** What somebody types of their own knowledge at a step, and what it becomes. */
import { numberOf } from '$core/units/parse';
import type { OfferedKnowledge } from '$core/job/knowledge-offers';
import type { Data as KnowledgeData } from '$core/job/kinds/own/data';
import {
	anchorOf,
	placeOf,
	type KnowledgeScope,
	type KnowledgeWhat
} from '$core/work/shop-knowledge';
import type { WorkStep } from '$core/work/step';

/** As many steps ahead as a person looks over. */
const ahead = 12;

export class KnowledgeForm {
	what = $state<KnowledgeWhat>('step');
	text = $state('');
	whom = $state<KnowledgeScope>('model');
	before = $state('');
	minutes = $state('5');
	look = $state('');
	/** What of an earlier job is corrected. */
	of = $state<string>();
	readonly #step: WorkStep;

	constructor(step: WorkStep, order: readonly WorkStep[], { model }: { model: string }) {
		this.#step = step;
		if (!model) this.whom = 'car';
		this.choices = followers(step, order);
		this.before = this.choices[0]?.value ?? '';
	}

	/** Steps that it may come before, the nearest first. */
	readonly choices: readonly { value: string; name: string }[];

	/** What is wrong, by field. */
	get faults(): Partial<Record<'text' | 'minutes', string>> {
		const minutes = numberOf(this.minutes);
		const wrong = this.what === 'step' && !(minutes >= 1 && minutes <= 480);
		return {
			...(this.text.trim() ? {} : { text: 'say it in a few words' }),
			...(wrong && { minutes: `‘${this.minutes}’: 1 to 480 minutes` })
		};
	}

	/** As it is kept. */
	get said(): KnowledgeData {
		const isStep = this.what === 'step';
		return {
			what: this.what,
			text: this.text.trim(),
			where: placeOf(this.#step),
			anchor: anchorOf(this.#step),
			for: this.whom,
			...(isStep && this.before && { before: this.before }),
			...(isStep && { minutes: numberOf(this.minutes) }),
			...(isStep && this.look.trim() && { look: this.look.trim() }),
			...(this.of && { of: this.of })
		};
	}

	/** Starts from what an earlier job taught, to correct it. */
	correct({ id, scope, own }: OfferedKnowledge): void {
		this.of = id;
		this.whom = scope;
		this.what = own.what;
		this.text = own.text;
		this.before = own.before ?? '';
		this.minutes = String(own.minutes ?? 5);
		this.look = own.look ?? '';
	}
}

/** Steps of the same place that come after one, by what they are known by. */
function followers(step: WorkStep, order: readonly WorkStep[]): { value: string; name: string }[] {
	const from = order.findIndex(({ id }) => id === step.id);
	const found = order
		.slice(from + 1)
		.filter(
			({ kind, at, corners }) =>
				kind !== 'own' &&
				(at === step.at || step.at === 'car' || corners.some((one) => one === step.at))
		);
	const named = new Map(found.map((one) => [anchorOf(one), one.title] as const).reverse());
	return [...named]
		.reverse()
		.slice(0, ahead)
		.map(([value, name]) => ({ value, name }));
}
