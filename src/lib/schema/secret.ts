/** What people sign in with: a PIN on the tablet, or a password. */
import Joi from 'joi';

export const isPin = (secret: string): boolean => /^\d{4,12}$/.test(secret);

/** Tried first by whoever guesses, beside rows, repeats and years: patterns of the keypad. From memory; common practice, no source. */
const patterns = new Set(['2580', '0852', '1379', '1397', '1739', '7139', '1470', '0741', '3690']);

/** Whether a PIN is among the first that are guessed. */
export function isWeakPin(pin: string): boolean {
	const digits = [...pin].map(Number);
	const steps = new Set(digits.slice(1).map((digit, i) => (digit - digits[i]! + 10) % 10));
	const row = steps.size === 1 && (steps.has(1) || steps.has(9));
	const repeated = /^(\d+)\1+$/.test(pin);
	const year = /^(19|20)\d\d$/.test(pin);
	return new Set(digits).size <= 2 || row || repeated || year || patterns.has(pin);
}

/** Fewer characters than this are guessed (NIST SP 800-63B-3, 5.1.1.2). */
const shortestPassword = 8;

/** A PIN of 4 to 12 digits that is not guessed first, or a password of 8 characters or more. */
export const secret = () =>
	Joi.string()
		.max(200)
		.custom((value: string, helpers) => {
			if (isPin(value)) return isWeakPin(value) ? helpers.error('weak') : value;
			return isPassword(value) ? value : helpers.error('secret');
		})
		.messages({
			weak: 'is among the first that are guessed: no row, repeat, year or pattern of the keypad',
			secret:
				'must be a PIN of 4 to 12 digits, or a password of 8 characters or more, not all digits'
		});

const isPassword = (value: string): boolean => value.length >= shortestPassword && /\D/.test(value);

export const password = () =>
	Joi.string()
		.max(200)
		.custom((value: string, helpers) => (isPassword(value) ? value : helpers.error('password')))
		.messages({ password: 'must have 8 characters or more, not all digits' });
