import type { SymptomKey } from '../../../inspect/suspects.ts';

export interface Data {
	symptoms: SymptomKey[];
}
