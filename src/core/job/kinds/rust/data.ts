import type { RustGrade } from '../../../work/scope.ts';

export interface Data {
	grade: RustGrade;
}
