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

/** How fast it decays and swings, 1/s and rad/s, under critical damping. */
const ratesOf = ({ ratio, natural }: Swing) => ({
	sigma: ratio * natural,
	omega: natural * Math.sqrt(1 - ratio * ratio)
});
/** Both rates of a creep that does not swing, 1/s. */
const creepOf = ({ ratio, natural }: Swing): [number, number] => {
	const root = natural * Math.sqrt(Math.max(1e-6, ratio * ratio - 1));
	return [-ratio * natural + root, -ratio * natural - root];
};
const creeps = ({ ratio }: Swing): boolean => ratio >= 0.999;

/**
 * The half swing that a moment lies in: how far it goes about its own middle, on which side it began and how long
 * ago. In each half swing friction shifts the middle towards where it came from, until it no longer moves on
 * (Den Hartog, Mechanical Vibrations, 1956, § 1.11, and viscous damping; from memory); `out` is 0 once it stands.
 */
function halfAt(
	swing: Swing,
	timeS: number
): { side: number; far: number; out: number; s: number } {
	const { friction } = swing;
	let s = timeS - swing.delay;
	let side = Math.sign(swing.push) || 1;
	let far = Math.abs(swing.push);
	if (s < 0 || far <= friction) return { side, far, out: 0, s: 0 };
	if (creeps(swing)) return { side, far, out: far - friction, s };
	const { sigma, omega } = ratesOf(swing);
	const half = Math.PI / omega;
	const keeps = Math.exp(-sigma * half);
	while (far > friction) {
		const out = far - friction;
		if (s < half) return { side, far, out, s };
		s -= half;
		far = out * keeps - friction;
		side = -side;
	}
	return { side, far, out: 0, s };
}

/** Height of a swing at a time, mm. */
export function heightOf(swing: Swing, timeS: number): number {
	const { rest, friction } = swing;
	const { side, far, out, s } = halfAt(swing, timeS);
	if (out === 0) return rest + side * far;
	if (creeps(swing)) {
		const [p, q] = creepOf(swing);
		const share = (p * Math.exp(q * s) - q * Math.exp(p * s)) / (p - q);
		return rest + side * (friction + out * share);
	}
	const { sigma, omega } = ratesOf(swing);
	const decay =
		Math.exp(-sigma * s) * (Math.cos(omega * s) + (sigma / omega) * Math.sin(omega * s));
	return rest + side * (friction + out * decay);
}

/**
 * Acceleration of a swing at a time, mm/s²: the second derivative of its height. Its `rest` is what the sensor
 * shows at rest.
 */
export function accelerationOf(swing: Swing, timeS: number): number {
	const { rest, natural } = swing;
	const { side, out, s } = halfAt(swing, timeS);
	if (out === 0) return rest;
	if (creeps(swing)) {
		const [p, q] = creepOf(swing);
		const bent = (p * q * (q * Math.exp(q * s) - p * Math.exp(p * s))) / (p - q);
		return rest + side * out * bent;
	}
	const { sigma, omega } = ratesOf(swing);
	const bent = Math.exp(-sigma * s) * (Math.cos(omega * s) - (sigma / omega) * Math.sin(omega * s));
	return rest - side * out * natural * natural * bent;
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
