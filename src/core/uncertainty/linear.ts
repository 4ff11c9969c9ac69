/**
 * Law of propagation of uncertainty for independent inputs (JCGM 100:2008, 5.1.2), with the
 * sensitivity of each input taken as a central difference over one standard uncertainty to each
 * side, as 5.1.3 note 2 allows.
 *
 * @param model returns the result, or undefined where it has none
 * @param inputs value and standard uncertainty of each
 * @returns the combined standard uncertainty, or undefined if the model fails within the inputs' range
 */
export function propagate(
	model: (values: readonly number[]) => number | undefined,
	inputs: readonly { value: number; u: number }[]
): number | undefined {
	const values = inputs.map((input) => input.value);
	let variance = 0;
	for (const [i, { value, u }] of inputs.entries()) {
		if (u === 0) continue;
		const at = (x: number) => model(values.with(i, x));
		const [high, low] = [at(value + u), at(value - u)];
		if (high === undefined || low === undefined) return undefined;
		variance += ((high - low) / 2) ** 2;
	}
	return Math.sqrt(variance);
}
