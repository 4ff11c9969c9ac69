/** What is typed of how a coilover is set. */
import { numberOf } from '$core/units/parse';
import { clickKeys, mostClicks, mostPreloadMm, type Setting } from '$core/bench/setting';
import { typedNumber, type TypedNumber } from './typed-number';

export const settingKeys = ['preloadMm', ...clickKeys] as const;
export type SettingKey = (typeof settingKeys)[number];
type Typed = Record<SettingKey, string>;

export class SettingForm {
	typed = $state<Typed>({ preloadMm: '', rebound: '', compression: '' });
	readonly #unit: string;

	/** @param unit of a length where none is typed */
	constructor(unit: string, kept?: Setting & { typed: Readonly<Record<string, string>> }) {
		this.#unit = unit;
		for (const key of settingKeys)
			this.typed[key] =
				kept?.typed[key] ??
				(kept?.[key] === undefined ? '' : `${kept[key]}${key === 'preloadMm' ? ' mm' : ''}`);
	}

	read(key: SettingKey): TypedNumber {
		const text = this.typed[key];
		if (key === 'preloadMm')
			return typedNumber(text, { dimension: 'length', unit: this.#unit, max: mostPreloadMm });
		if (!text.trim()) return {};
		const clicks = numberOf(text);
		return Number.isInteger(clicks) && clicks >= 0 && clicks <= mostClicks
			? { si: clicks }
			: { fault: `‘${text}’: whole clicks from full stiff, 0 to ${mostClicks}` };
	}

	/** Once something is typed and nothing of it is wrong. */
	get said(): (Setting & { typed: Record<string, string> }) | undefined {
		const read = settingKeys.map((key) => [key, this.read(key)] as const);
		const known = read.filter(([, { si }]) => si !== undefined);
		if (known.length === 0 || read.some(([, { fault }]) => fault)) return undefined;
		return {
			...Object.fromEntries(known.map(([key, { si }]) => [key, si])),
			typed: Object.fromEntries(known.map(([key]) => [key, this.typed[key].trim()]))
		};
	}
}
