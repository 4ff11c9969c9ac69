/**
 * A 17-character vehicle identification number: letters but I, O, Q, and digits (ISO 3779). The ninth
 * is a check digit only where 49 CFR 565.15 applies, so a mismatch is a doubt, not a fault.
 */
export interface VinCheck {
	wellFormed: boolean;
	checkDigitMatches: boolean;
	/** What the ninth character would be. */
	expectedCheckDigit?: string;
}

const letterValues: Record<string, number> = {
	A: 1,
	B: 2,
	C: 3,
	D: 4,
	E: 5,
	F: 6,
	G: 7,
	H: 8,
	J: 1,
	K: 2,
	L: 3,
	M: 4,
	N: 5,
	P: 7,
	R: 9,
	S: 2,
	T: 3,
	U: 4,
	V: 5,
	W: 6,
	X: 7,
	Y: 8,
	Z: 9
};
const weights = [8, 7, 6, 5, 4, 3, 2, 10, 0, 9, 8, 7, 6, 5, 4, 3, 2];

export function checkVin(vin: string): VinCheck {
	if (!/^[A-HJ-NPR-Z0-9]{17}$/.test(vin)) return { wellFormed: false, checkDigitMatches: false };
	const sum = [...vin].reduce(
		(total, c, i) => total + (letterValues[c] ?? Number(c)) * weights[i]!,
		0
	);
	const digit = sum % 11 === 10 ? 'X' : String(sum % 11);
	return { wellFormed: true, checkDigitMatches: vin[8] === digit, expectedCheckDigit: digit };
}
