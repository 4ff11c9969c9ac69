import type { CompressorInput } from '../../../spring/compressor.ts';
import type { Typed } from '../typed.ts';

/** Subject the corner. */
export interface Data {
	input: CompressorInput;
	typed: Typed;
	/** Steps of turns that were counted off. */
	turned: number;
	/** The spring turns loosely in its seat. */
	free: boolean;
}
