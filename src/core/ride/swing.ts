/** The swing of a body that is let go: viscous damping and dry friction. */

/** A mass that is let go: viscous damping and dry friction. */
export interface Swing {
	/** Of critical. */
	ratio: number;
	/** Undamped, rad/s. */
	natural: number;
	rest: number;
	/** Where it is let go, from rest. */
	push: number;
	/** Dry friction over the spring rate: as far from rest as it may stay, mm. */
	friction: number;
	/** Later than the first point, s. */
	delay: number;
}

/**
 * Height of a swing at a time: in each half swing friction shifts the middle towards where it came from, until
 * it no longer moves on (Den Hartog, Mechanical Vibrations, 1956, § 1.11, and viscous damping; from memory).
 */
export function heightOf(swing: Swing, timeS: number): number {
	const { ratio, natural, rest, friction } = swing;
	let time = timeS - swing.delay;
	let side = Math.sign(swing.push) || 1;
	let far = Math.abs(swing.push);
	if (time <= 0 || far <= friction) return rest + side * far;
	if (ratio >= 0.999) {
		const w = natural;
		const out = far - friction;
		const root = w * Math.sqrt(Math.max(1e-6, ratio * ratio - 1));
		const [p, q] = [-ratio * w + root, -ratio * w - root];
		const share = (p * Math.exp(q * time) - q * Math.exp(p * time)) / (p - q);
		return rest + side * (friction + out * share);
	}
	const sigma = ratio * natural;
	const omega = natural * Math.sqrt(1 - ratio * ratio);
	const half = Math.PI / omega;
	const keeps = Math.exp(-sigma * half);
	while (far > friction) {
		const out = far - friction;
		if (time < half) {
			const decay =
				Math.exp(-sigma * time) *
				(Math.cos(omega * time) + (sigma / omega) * Math.sin(omega * time));
			return rest + side * (friction + out * decay);
		}
		time -= half;
		far = out * keeps - friction;
		side = -side;
	}
	return rest + side * far;
}

/**
 * Acceleration of a swing at a time, mm/s²: the second derivative of its height. Its `rest` is what the sensor
 * shows at rest.
 */
export function accelerationOf(swing: Swing, timeS: number): number {
	const { ratio, natural, rest, friction } = swing;
	let time = timeS - swing.delay;
	let side = Math.sign(swing.push) || 1;
	let far = Math.abs(swing.push);
	if (time < 0 || far <= friction) return rest;
	if (ratio >= 0.999) {
		const root = natural * Math.sqrt(Math.max(1e-6, ratio * ratio - 1));
		const [p, q] = [-ratio * natural + root, -ratio * natural - root];
		const share = (p * q * (q * Math.exp(q * time) - p * Math.exp(p * time))) / (p - q);
		return rest + side * (far - friction) * share;
	}
	const sigma = ratio * natural;
	const omega = natural * Math.sqrt(1 - ratio * ratio);
	const half = Math.PI / omega;
	const keeps = Math.exp(-sigma * half);
	while (far > friction) {
		const out = far - friction;
		if (time < half) {
			const bent =
				Math.exp(-sigma * time) *
				(Math.cos(omega * time) - (sigma / omega) * Math.sin(omega * time));
			return rest - side * out * natural * natural * bent;
		}
		time -= half;
		far = out * keeps - friction;
		side = -side;
	}
	return rest;
}

/** A swing under this share of the push is not counted by eye. Own choice. */
const visible = 0.1;

/** There and back is one: half swings until what is left is too small to be seen, one at least. */
export function movementsOf({ ratio, push, friction }: Swing): number {
	if (ratio >= 0.999) return 1;
	const keeps = Math.exp((-Math.PI * ratio) / Math.sqrt(1 - ratio * ratio));
	let far = Math.abs(push);
	let halves = 0;
	while (far > visible * Math.abs(push) && far > friction && halves < 200) {
		far = (far - friction) * keeps - friction;
		halves++;
	}
	return Math.max(1, halves / 2);
}
