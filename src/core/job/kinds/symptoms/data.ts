import type { SymptomKey } from '../../../inspect/symptoms.ts';

export interface Data {
	symptoms: SymptomKey[];
}
