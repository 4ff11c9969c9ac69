/** A phone as an instrument: what its accelerometer says of how it lies and how what it lies on moves. */
import { faulty, ok, type Result } from '../result.ts';
import { standardGravity } from '../units/dimensions.ts';

/** One sample of a phone's accelerometer, gravity included, as browsers give it. */
export interface MotionSample {
	timeS: number;
	/** Across the screen to the right, along it to the top, out of it; m/s². Some phones give all with the other sign. */
	x: number;
	y: number;
	z: number;
}

type Vector = readonly [number, number, number];

const leastSamples = 12;
/** Share of a recording at its end in which it is taken to be at rest. */
const restShare = 0.2;
/** A phone that shows another gravity than this share around its own lies: it is moved, or broken. Own choice. */
const gravityShare = 0.1;

const meanOf = (samples: readonly MotionSample[]): Vector => {
	const sum = (of: (sample: MotionSample) => number) =>
		samples.reduce((total, sample) => total + of(sample), 0) / samples.length;
	return [sum(({ x }) => x), sum(({ y }) => y), sum(({ z }) => z)];
};

/**
 * Acceleration upwards without gravity, m/s², of a phone that lies on a body however it lies: the direction and
 * size of gravity are those of its own last seconds at rest, so that neither tilt nor its gain matters.
 */
export function upwardAcceleration(
	samples: readonly MotionSample[]
): Result<{ timeS: number[]; accelerationMPerS2: number[] }> {
	if (samples.length < leastSamples) {
		return faulty({
			field: 'samples',
			value: samples.length,
			message: `the phone gave ${samples.length} samples: record until the body is at rest`
		});
	}
	const still = meanOf(samples.slice(Math.floor((1 - restShare) * samples.length)));
	const size = Math.hypot(...still);
	if (Math.abs(size / standardGravity - 1) > gravityShare) {
		return faulty({
			field: 'samples',
			value: size,
			message: `at rest the phone shows ${size.toFixed(1)} m/s² where 9.8 are: let it lie still at the end`
		});
	}
	const scale = standardGravity / size;
	return ok({
		timeS: samples.map(({ timeS }) => timeS),
		accelerationMPerS2: samples.map(
			({ x, y, z }) =>
				scale * ((x * still[0] + y * still[1] + z * still[2]) / size) - standardGravity
		)
	});
}

/** Standard deviation of a phone's angle within which it is taken to lie still, degrees. Own choice. */
const stillDeg = 0.3;

/**
 * Angle of a phone's long edge over level, its top end up being positive, degrees, with how much it scattered.
 *
 * @param samples a second or two of a phone that lies still
 */
export function edgeAngle(
	samples: readonly MotionSample[]
): Result<{ deg: number; scatterDeg: number }> {
	if (samples.length < leastSamples) {
		return faulty({
			field: 'samples',
			value: samples.length,
			message: 'let it lie a moment longer'
		});
	}
	const flip = meanOf(samples)[2] < 0 ? -1 : 1;
	const angles = samples.map(
		({ x, y, z }) => (Math.atan2(flip * y, Math.hypot(x, z)) * 180) / Math.PI
	);
	const deg = angles.reduce((sum, angle) => sum + angle, 0) / angles.length;
	const scatterDeg = Math.sqrt(
		angles.reduce((sum, angle) => sum + (angle - deg) ** 2, 0) / (angles.length - 1)
	);
	if (scatterDeg > stillDeg) {
		return faulty({
			field: 'samples',
			value: scatterDeg,
			message: `it moved by ${scatterDeg.toFixed(1)}° while it was read: lay it down and let go`
		});
	}
	return ok({ deg, scatterDeg });
}
