import { numberOf } from '$core/units/parse';
import Papa from 'papaparse';

export interface Columns {
	first: number[];
	second: number[];
	/** Lines that hold no two numbers, headings among them. */
	skipped: number;
}

/**
 * Two columns of numbers from text or a CSV file: comma, semicolon, tab or blanks between them, decimal
 * comma where the separator is not a comma. Lines without two numbers are counted, not guessed.
 */
export function readColumns(text: string): Columns {
	const blanks = /\S +\S/.test(text) && !/[,;\t]/.test(text.replace(/(\d),(\d)/g, '$1.$2'));
	const { data, meta } = Papa.parse<string[]>(blanks ? text.trim().replace(/[ ]+/g, ' ') : text, {
		skipEmptyLines: 'greedy',
		...(blanks && { delimiter: ' ' }),
		delimitersToGuess: [';', '\t', ',', ' ']
	});
	const decimalComma = meta.delimiter !== ',';
	const read = (cell = '') => {
		const trimmed = cell.trim().replace('−', '-');
		// eslint-disable-next-line no-restricted-syntax -- a file's own numbers: 1e-3 is one
		return trimmed === '' ? NaN : Number(decimalComma ? trimmed.replace(',', '.') : trimmed);
	};
	const columns: Columns = { first: [], second: [], skipped: 0 };
	for (const row of data) {
		const [a, b] = [read(row[0]), read(row[1])];
		if (Number.isFinite(a) && Number.isFinite(b)) {
			columns.first.push(a);
			columns.second.push(b);
		} else columns.skipped++;
	}
	return columns;
}

/** What was read and what was left out, to stand under the field. */
export const countOf = ({ first, skipped }: Columns): string =>
	`${first.length} points${skipped ? `, ${skipped} lines without two numbers left out` : ''}`;

/** Numbers of one list: `352, 353; 352.5` or a line each. Decimal comma only between `;` or lines. */
export function readList(text: string): { numbers: number[]; wrong: string[] } {
	const separator = /[;\n]/.test(text.trim()) ? /[;\s]+/ : /[,\s]+/;
	const parts = text
		.trim()
		.split(separator)
		.filter((part) => part !== '');
	const numbers = parts.map((part) => numberOf(part));
	return {
		numbers: numbers.filter(Number.isFinite),
		wrong: parts.filter((_, i) => !Number.isFinite(numbers[i]))
	};
}

/** Two columns as text, for a sample to start from. */
export const writeColumns = (first: readonly number[], second: readonly number[]): string =>
	first.map((a, i) => `${round(a)}, ${round(second[i]!)}`).join('\n');

const round = (value: number) => Number(value.toFixed(3));
