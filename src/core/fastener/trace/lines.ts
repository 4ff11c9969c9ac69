/** Straight lines through stretches of a trace. */

export interface Points {
	angleDeg: readonly number[];
	torqueNm: readonly number[];
}

export interface Line {
	/** N·m per degree. */
	slope: number;
	/** Standard uncertainty of the slope; infinite through two points or fewer. */
	slopeError: number;
	/** Torque at an angle. */
	at(angleDeg: number): number;
	/** Sum of squared distances, N²·m². */
	misfit: number;
	points: number;
	spanDeg: number;
}

/** Least-squares lines through any stretch of points, each in constant time. */
export class Lines {
	readonly #points: Points;
	readonly #sums: Float64Array[];

	constructor(points: Points) {
		this.#points = points;
		const { angleDeg, torqueNm } = points;
		const n = angleDeg.length;
		this.#sums = Array.from({ length: 5 }, () => new Float64Array(n + 1));
		const [x0, y0] = [angleDeg[0] ?? 0, torqueNm[0] ?? 0];
		for (let i = 0; i < n; i++) {
			const [x, y] = [angleDeg[i]! - x0, torqueNm[i]! - y0];
			for (const [k, term] of [x, y, x * x, x * y, y * y].entries())
				this.#sums[k]![i + 1] = this.#sums[k]![i]! + term;
		}
	}

	/** @param from first point, @param to last point, both within the stretch */
	through(from: number, to: number): Line {
		const { angleDeg, torqueNm } = this.#points;
		const points = to - from + 1;
		const [sx, sy, sxx, sxy, syy] = this.#sums.map((sum) => sum[to + 1]! - sum[from]!) as [
			number,
			number,
			number,
			number,
			number
		];
		const xx = sxx - (sx * sx) / points;
		const xy = sxy - (sx * sy) / points;
		const yy = syy - (sy * sy) / points;
		const slope = xx > 1e-9 ? xy / xx : 0;
		const misfit = Math.max(0, yy - slope * xy);
		const middleX = angleDeg[0]! + sx / points;
		const middleY = torqueNm[0]! + sy / points;
		return {
			slope,
			slopeError: points > 2 && xx > 1e-9 ? Math.sqrt(misfit / (points - 2) / xx) : Infinity,
			at: (angle) => middleY + slope * (angle - middleX),
			misfit,
			points,
			spanDeg: angleDeg[to]! - angleDeg[from]!
		};
	}

	/**
	 * Where a stretch bends: the last point of the first of the two lines that together miss it least.
	 *
	 * @param least points on either side
	 * @returns undefined where there are too few points for two lines
	 */
	bend(from: number, to: number, least: number): number | undefined {
		let best: number | undefined;
		let misfit = Infinity;
		for (let i = from + least - 1; i <= to - least; i++) {
			const both = this.through(from, i).misfit + this.through(i + 1, to).misfit;
			if (both < misfit) [best, misfit] = [i, both];
		}
		return best;
	}
}
