import { EigenvalueDecomposition, type Matrix } from 'ml-matrix';

/** One way the car swings: |λ|/2π and −Re λ/|λ| of a pair of eigenvalues. */
export interface Mode {
	freqHz: number;
	dampingRatio: number;
}

/**
 * Modes of ẋ = A·x, slowest first. A complex pair is one mode; real eigenvalues (overdamped) are taken
 * in pairs by size, with |λ| of the pair the root of their product. Eigenvalues of nothing are left out.
 */
export function modesOf(system: Matrix): Mode[] {
	const { realEigenvalues: re, imaginaryEigenvalues: im } = new EigenvalueDecomposition(system);
	const modes: Mode[] = [];
	const real: number[] = [];
	for (let i = 0; i < re.length; i++) {
		const size = Math.hypot(re[i]!, im[i]!);
		if (size < 1e-9) continue;
		if (im[i]! > 1e-9 * size)
			modes.push({ freqHz: size / (2 * Math.PI), dampingRatio: -re[i]! / size });
		else if (Math.abs(im[i]!) <= 1e-9 * size) real.push(re[i]!);
	}
	real.sort((a, b) => Math.abs(a) - Math.abs(b));
	for (let i = 0; i + 1 < real.length; i += 2) {
		const size = Math.sqrt(Math.abs(real[i]! * real[i + 1]!));
		modes.push({
			freqHz: size / (2 * Math.PI),
			dampingRatio: -(real[i]! + real[i + 1]!) / (2 * size)
		});
	}
	return modes.sort((a, b) => a.freqHz - b.freqHz);
}
