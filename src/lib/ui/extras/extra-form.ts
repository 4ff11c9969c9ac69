import { numberOf } from '$core/units/parse';
/** What is typed of work found on the way. */
interface Typed {
	what: string;
	price: string;
	minutes: string;
}

interface Said {
	what: string;
	price?: number;
	minutes?: number;
}

/** Reads it, or says by field what is wrong: what in 3 letters or more, a price from 0, minutes from 1 to 2000. */
export function readExtra({ what, price, minutes }: Typed): {
	said?: Said;
	faults: Partial<Record<keyof Typed, string>>;
} {
	const faults: Partial<Record<keyof Typed, string>> = {};
	const read = (field: 'price' | 'minutes', text: string, min: number, max: number) => {
		if (!text.trim()) return undefined;
		const number = numberOf(text);
		if (number >= min && number <= max) return number;
		faults[field] = `‘${text.trim()}’: a number from ${min} to ${max}`;
		return undefined;
	};
	const cost = read('price', price, 0, 1_000_000);
	const takes = read('minutes', minutes, 1, 2000);
	if (what.trim().length < 3) faults.what = 'say what was found';
	if (Object.keys(faults).length) return { faults };
	return {
		said: {
			what: what.trim(),
			...(cost !== undefined && { price: cost }),
			...(takes !== undefined && { minutes: takes })
		},
		faults
	};
}
