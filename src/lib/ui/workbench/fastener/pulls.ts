/** Pulls of a made-up wrench on a made-up joint, to start from: run-down, then a straight rise. */
interface Pull {
	angleDeg: number[];
	torqueNm: number[];
}

interface Shape {
	freeDeg?: number;
	slope?: number;
	peak?: number;
	/** Torque at which the slope falls to a fifth. */
	yieldAt?: number;
	/** Added to the reading at each point. */
	shake?: (i: number, torque: number) => number;
}

function pull({
	freeDeg = 180,
	slope = 1.5,
	peak = 102,
	yieldAt = Infinity,
	shake
}: Shape = {}): Pull {
	const angleDeg: number[] = [];
	const torqueNm: number[] = [];
	let torque = 2;
	for (let i = 0; torque < peak && i < 2000; i++) {
		if (i > freeDeg) torque += torque > yieldAt ? slope / 5 : slope;
		angleDeg.push(i);
		const ripple = 0.25 * Math.sin(i * 1.7);
		torqueNm.push(Math.max(0, Math.min(torque, peak) + ripple + (shake?.(i, torque) ?? 0)));
	}
	return { angleDeg, torqueNm };
}

function hitAgain(): Pull {
	const { angleDeg, torqueNm } = pull();
	const end = angleDeg[angleDeg.length - 1]!;
	for (const [i, torque] of [70, 30, 4, 3, 25, 60, 90, 102].entries()) {
		angleDeg.push(end + (i < 4 ? 0 : (i - 3) * 0.4));
		torqueNm.push(torque);
	}
	return { angleDeg, torqueNm };
}

export const pulls = {
	good: { name: 'A good pull', pull: () => pull() },
	early: { name: 'Stopped early', pull: () => pull({ peak: 82 }) },
	far: { name: 'Pulled too far', pull: () => pull({ peak: 118 }) },
	cross: { name: 'Cross-threaded', pull: () => pull({ shake: (i) => 0.12 * Math.min(i, 180) }) },
	rubber: { name: 'Rubber wound, sleeve not clamped', pull: () => pull({ slope: 0.3 }) },
	yield: { name: 'Screw stretching', pull: () => pull({ yieldAt: 76 }) },
	stick: {
		name: 'Slip and stick',
		pull: () =>
			pull({ shake: (i, torque) => (torque > 25 && Math.floor(i / 4) % 3 === 0 ? -9 : 0) })
	},
	again: { name: 'Let go and hit again', pull: hitAgain }
} as const satisfies Record<string, { name: string; pull: () => Pull }>;

export type PullName = keyof typeof pulls;
