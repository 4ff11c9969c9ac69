import type { Constraint } from './constraints.ts';
import { Pose } from './pose.ts';
import type { Vector } from './vector.ts';

/** What takes the wheel through its travel: links (solved by Newton) or one hinge (closed form). */
export interface Mover {
	readonly pose: Pose;
	/** Brings the pose to a bump. @returns false when it cannot be reached; the pose is then the last good one */
	moveTo(bumpMm: number): boolean;
	/** Back to the reference posture. */
	reset(): void;
	/** Names what blocks, when asked at the last posture before the limit. */
	blocker(): string;
	/** False when the posture itself leaves the wheel loose or stuck at the reference. */
	readonly regular: boolean;
}

const unknowns = 5;
/** Rotations are counted in mm at this radius, so that all unknowns are of a size. */
const radiusMm = 100;
const toleranceMm = 1e-10;
const longestStepMm = 12;
const shortestStepMm = 1e-3;
/** Below this determinant (unit rows, unit columns) the mechanism is singular. */
const leastDeterminant = 1e-9;

/**
 * Five constraint equations, one driven coordinate (height of the wheel centre). Newton with the
 * analytic Jacobian, stepped from the reference posture with tangent and its change as predictor. A step whose
 * determinant changes sign has jumped to another branch and is refused. Nothing is allocated per posture.
 */
export class Linkage implements Mover {
	readonly pose = new Pose();
	readonly #constraints: readonly Constraint[];
	readonly #origin: readonly [number, number, number];
	readonly #good = new Pose();
	readonly #row = new Float64Array(7);
	/** unknowns × (unknowns + 1): the matrix by x, y and the rotations, then the right-hand side. */
	readonly #system = new Float64Array(unknowns * (unknowns + 1));
	readonly #step = new Float64Array(unknowns);
	readonly #turn: Vector = [0, 0, 0];
	/** Rates (x, y, spin) one step back, and how long that step was; 0 when there was none. */
	readonly #before = new Float64Array(unknowns);
	#lastStepMm = 0;
	#bumpMm = 0;
	readonly #sign: number;
	readonly regular: boolean;

	constructor(constraints: readonly Constraint[], origin: readonly [number, number, number]) {
		this.#constraints = constraints;
		this.#origin = origin;
		this.reset();
		const determinant = this.#tangent();
		this.#good.copy(this.pose);
		this.regular = Math.abs(determinant) > leastDeterminant;
		this.#sign = Math.sign(determinant);
	}

	reset(): void {
		const { pose } = this;
		pose.at[0] = this.#origin[0];
		pose.at[1] = this.#origin[1];
		pose.at[2] = this.#origin[2];
		pose.q.set([1, 0, 0, 0]);
		pose.turnBy([0, 0, 0]);
		this.#bumpMm = 0;
		this.#lastStepMm = 0;
		if (this.regular) this.#tangent();
		this.#good.copy(pose);
	}

	moveTo(bumpMm: number): boolean {
		let stepMm = longestStepMm;
		while (this.#bumpMm !== bumpMm) {
			const left = bumpMm - this.#bumpMm;
			const next = Math.abs(left) <= stepMm ? bumpMm : this.#bumpMm + Math.sign(left) * stepMm;
			if (this.#solveAt(next)) {
				this.#keepRates(next - this.#bumpMm);
				this.#bumpMm = next;
				this.#good.copy(this.pose);
				stepMm = Math.min(2 * stepMm, longestStepMm);
			} else {
				this.pose.copy(this.#good);
				stepMm = Math.min(stepMm, Math.abs(left)) / 2;
				if (stepMm < shortestStepMm) return false;
			}
		}
		return true;
	}

	/**
	 * The constraint that takes the greatest part in the null force of the locked mechanism: a row's part in it
	 * is to the others' as the volume that the remaining rows span (cofactors of a singular matrix).
	 */
	blocker(): string {
		this.pose.copy(this.#good);
		this.#fill(false);
		const rows = Array.from({ length: unknowns }, (_, i) =>
			Array.from({ length: unknowns }, (_, j) => this.#system[i * 6 + j]!)
		);
		const weight = rows.map((_, i) => volume(rows.filter((_, j) => j !== i)));
		return this.#constraints[weight.indexOf(Math.max(...weight))]!.name;
	}

	#solveAt(bumpMm: number): boolean {
		const { pose } = this;
		const { velocity, spin } = pose;
		const ahead = bumpMm - this.#bumpMm;
		const bend = this.#lastStepMm === 0 ? 0 : (ahead * ahead) / (2 * this.#lastStepMm);
		const before = this.#before;
		pose.at[0] += velocity[0] * ahead + (velocity[0] - before[0]!) * bend;
		pose.at[1] += velocity[1] * ahead + (velocity[1] - before[1]!) * bend;
		pose.at[2] = this.#origin[2] + bumpMm;
		const turn = this.#turn;
		for (let i = 0; i < 3; i++) turn[i] = spin[i]! * ahead + (spin[i]! - before[2 + i]!) * bend;
		pose.turnBy(turn);
		for (let i = 0; i < 12; i++) {
			const residual = this.#fill(false);
			if (!(residual < 1e6)) return false;
			if (residual < toleranceMm) {
				const determinant = this.#tangent();
				return determinant * this.#sign > leastDeterminant;
			}
			if (this.#eliminate() === 0) return false;
			const step = this.#step;
			pose.at[0] += step[0]!;
			pose.at[1] += step[1]!;
			for (let j = 0; j < 3; j++) turn[j] = step[2 + j]! / radiusMm;
			pose.turnBy(turn);
		}
		return false;
	}

	/** Remembers the rates of the posture that is left, to predict with their change. */
	#keepRates(stepMm: number): void {
		const { velocity, spin } = this.#good;
		this.#before[0] = velocity[0];
		this.#before[1] = velocity[1];
		for (let i = 0; i < 3; i++) this.#before[2 + i] = spin[i]!;
		this.#lastStepMm = stepMm;
	}

	/** Rates per mm of bump at this posture. @returns determinant of the system */
	#tangent(): number {
		this.#fill(true);
		const determinant = this.#eliminate();
		const step = this.#step;
		const { velocity, spin } = this.pose;
		velocity[0] = step[0]!;
		velocity[1] = step[1]!;
		velocity[2] = 1;
		for (let i = 0; i < 3; i++) spin[i] = step[2 + i]! / radiusMm;
		return determinant;
	}

	/** Writes the system with −residual, or −∂/∂z, on the right. @returns greatest residual, mm */
	#fill(byBump: boolean): number {
		let worst = 0;
		const system = this.#system;
		const row = this.#row;
		for (let i = 0; i < unknowns; i++) {
			this.#constraints[i]!.write(this.pose, row);
			const residual = row[6]!;
			worst = Math.max(worst, Math.abs(residual));
			const at = i * 6;
			system[at] = row[0]!;
			system[at + 1] = row[1]!;
			for (let j = 0; j < 3; j++) system[at + 2 + j] = row[3 + j]! / radiusMm;
			system[at + 5] = byBump ? -row[2]! : -residual;
			if (Number.isNaN(residual)) return NaN;
		}
		return worst;
	}

	/** Gaussian elimination with partial pivoting, in place. @returns determinant with unit rows, 0 if singular */
	#eliminate(): number {
		const system = this.#system;
		const step = this.#step;
		let determinant = 1;
		for (let i = 0; i < unknowns; i++) {
			let size = 0;
			for (let j = 0; j < unknowns; j++) size += system[i * 6 + j]! ** 2;
			size = Math.sqrt(size);
			if (size === 0) return 0;
			for (let j = 0; j <= unknowns; j++) system[i * 6 + j]! /= size;
		}
		for (let column = 0; column < unknowns; column++) {
			let pivot = column;
			for (let i = column + 1; i < unknowns; i++) {
				if (Math.abs(system[i * 6 + column]!) > Math.abs(system[pivot * 6 + column]!)) pivot = i;
			}
			const value = system[pivot * 6 + column]!;
			if (value === 0) return 0;
			if (pivot !== column) {
				for (let j = 0; j <= unknowns; j++) {
					const kept = system[column * 6 + j]!;
					system[column * 6 + j] = system[pivot * 6 + j]!;
					system[pivot * 6 + j] = kept;
				}
				determinant = -determinant;
			}
			determinant *= value;
			for (let i = column + 1; i < unknowns; i++) {
				const factor = system[i * 6 + column]! / value;
				if (factor === 0) continue;
				for (let j = column; j <= unknowns; j++) {
					system[i * 6 + j]! -= factor * system[column * 6 + j]!;
				}
			}
		}
		for (let i = unknowns - 1; i >= 0; i--) {
			let sum = system[i * 6 + 5]!;
			for (let j = i + 1; j < unknowns; j++) sum -= system[i * 6 + j]! * step[j]!;
			step[i] = sum / system[i * 6 + i]!;
		}
		return determinant;
	}
}

/** What rows span, by Gram–Schmidt. */
function volume(rows: readonly number[][]): number {
	const done: number[][] = [];
	return rows.reduce((product, row) => {
		const rest = done.reduce((left, unit) => {
			const along = left.reduce((sum, x, k) => sum + x * unit[k]!, 0);
			return left.map((x, k) => x - along * unit[k]!);
		}, row);
		const size = Math.hypot(...rest);
		done.push(rest.map((x) => x / size));
		return product * size;
	}, 1);
}
