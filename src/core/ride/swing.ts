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

/** What of a swing is looked at: its height, mm, or its acceleration, mm/s², where `rest` is what the sensor shows. */
export type SwingQuantity = 'height' | 'acceleration';

/** What a swing depends on, in the order of its derivatives. */
export const swingKeys = ['ratio', 'natural', 'rest', 'push', 'delay', 'friction'] as const;

/** How a swing decays, without its size: cosine and sine, or two creeps from critical damping on. */
function decayOf({ ratio, natural }: Swing) {
	const creep = ratio >= 0.999;
	const sigma = ratio * natural;
	const root = natural * Math.sqrt(creep ? Math.max(1e-6, ratio * ratio - 1) : 1 - ratio * ratio);
	return {
		creep,
		sigma,
		/** Of the damped swing, rad/s; half of what parts the two creeps, 1/s. */
		root,
		halfS: creep ? Infinity : Math.PI / root,
		/** What is left after half a swing. */
		keeps: creep ? 0 : Math.exp((-sigma * Math.PI) / root)
	};
}

/**
 * A swing at rising times. In each half swing friction shifts the middle towards where it came from, until it no
 * longer moves on (Den Hartog, Mechanical Vibrations, 1956, § 1.11, and viscous damping; from memory). Plain loops:
 * a fit asks for it thousands of times.
 *
 * @param timeS rising, s
 * @param into as many values, in the unit of the quantity
 */
export function sampleSwing(
	swing: Swing,
	quantity: SwingQuantity,
	timeS: Float64Array,
	into: Float64Array
): void {
	const { rest, friction, natural } = swing;
	const { creep, sigma, root, halfS, keeps } = decayOf(swing);
	const [p, q] = [root - sigma, -root - sigma];
	const isHeight = quantity === 'height';
	let side = Math.sign(swing.push) || 1;
	let out = Math.abs(swing.push) - friction;
	let begin = swing.delay;
	for (let i = 0; i < timeS.length; i++) {
		while (out > 0 && timeS[i]! - begin >= halfS) {
			out = out * keeps - 2 * friction;
			side = -side;
			begin += halfS;
		}
		const s = timeS[i]! - begin;
		if (s < 0 || out <= 0) {
			into[i] = isHeight ? rest + side * (out + friction) : rest;
		} else if (creep) {
			const [ep, eq] = [Math.exp(p * s), Math.exp(q * s)];
			into[i] = isHeight
				? rest + side * (friction + (out * (p * eq - q * ep)) / (p - q))
				: rest + (side * out * p * q * (q * eq - p * ep)) / (p - q);
		} else {
			const decay = Math.exp(-sigma * s);
			const [cos, sin] = [Math.cos(root * s), (sigma / root) * Math.sin(root * s)];
			into[i] = isHeight
				? rest + side * (friction + out * decay * (cos + sin))
				: rest - side * out * natural * natural * decay * (cos - sin);
		}
	}
}

/**
 * The derivatives of a swing at rising times by each of `swingKeys`. A height's are those of `sampleSwing`, line by
 * line. An acceleration jumps where friction turns round, which only a difference sees.
 *
 * @param into one column for each key that is wanted, in their order
 */
export function swingDerivatives(
	swing: Swing,
	quantity: SwingQuantity,
	timeS: Float64Array,
	into: readonly Float64Array[]
): void {
	if (quantity === 'height') heightDerivatives(swing, timeS, into);
	else differences(swing, quantity, timeS, into);
}

function differences(
	swing: Swing,
	quantity: SwingQuantity,
	timeS: Float64Array,
	into: readonly Float64Array[]
): void {
	const steps: Swing = {
		ratio: 1e-4,
		natural: 1e-4 * swing.natural,
		rest: 1e-3,
		push: 1e-3,
		delay: 1e-4,
		friction: 1e-3
	};
	const here = new Float64Array(timeS.length);
	sampleSwing(swing, quantity, timeS, here);
	for (const [k, column] of into.entries()) {
		const key = swingKeys[k]!;
		sampleSwing({ ...swing, [key]: swing[key] + steps[key] }, quantity, timeS, column);
		for (let i = 0; i < here.length; i++) column[i] = (column[i]! - here[i]!) / steps[key];
	}
}

function heightDerivatives(swing: Swing, timeS: Float64Array, into: readonly Float64Array[]): void {
	const { ratio, natural, friction } = swing;
	const { creep, sigma, root, halfS, keeps } = decayOf(swing);
	const pushed = Math.sign(swing.push) || 1;
	// By ratio and by natural frequency, while the swing is a cosine and a sine …
	const lean = sigma / root;
	const rootByRatio = (-natural * natural * ratio) / root;
	const leanByRatio = (natural / root) ** 3;
	const keepsByRatio = -Math.PI * leanByRatio * keeps;
	const halfByRatio = (-Math.PI * rootByRatio) / root ** 2;
	const halfByNatural = -halfS / natural;
	// … and while it creeps.
	const [p, q] = [root - sigma, -root - sigma];
	const apart = p - q;
	const creepByRatio = ratio * ratio - 1 > 1e-6 ? (natural * natural * ratio) / root : 0;
	const [pByRatio, qByRatio] = [creepByRatio - natural, -creepByRatio - natural];

	let side = pushed;
	let begin = swing.delay;
	let [beginByRatio, beginByNatural] = [0, 0];
	let out = Math.abs(swing.push) - friction;
	let [outByRatio, outByPush, outByFriction] = [0, 1, -1];
	const [ratioColumn, naturalColumn, restColumn, pushColumn, delayColumn, frictionColumn] = into;
	for (let i = 0; i < timeS.length; i++) {
		while (out > 0 && timeS[i]! - begin >= halfS) {
			outByRatio = outByRatio * keeps + out * keepsByRatio;
			outByPush *= keeps;
			outByFriction = outByFriction * keeps - 2;
			out = out * keeps - 2 * friction;
			side = -side;
			begin += halfS;
			beginByRatio += halfByRatio;
			beginByNatural += halfByNatural;
		}
		const s = timeS[i]! - begin;
		// What `out` is multiplied by, and its derivatives by time, ratio and natural frequency.
		let [shape, byTime, byRatio, byNatural] = [1, 0, 0, 0];
		const moves = s >= 0 && out > 0;
		if (moves && creep) {
			const [ep, eq] = [Math.exp(p * s), Math.exp(q * s)];
			shape = (p * eq - q * ep) / apart;
			byTime = (p * q * (eq - ep)) / apart;
			const byP = (eq - q * s * ep - shape) / apart;
			const byQ = (p * s * eq - ep + shape) / apart;
			byRatio = byP * pByRatio + byQ * qByRatio;
			byNatural = (byP * p + byQ * q) / natural;
		} else if (moves) {
			const decay = Math.exp(-sigma * s);
			const [cos, sin] = [decay * Math.cos(root * s), decay * Math.sin(root * s)];
			shape = cos + lean * sin;
			byTime = -((natural * natural) / root) * sin;
			const byRoot = s * (lean * cos - sin);
			byRatio = byRoot * rootByRatio + leanByRatio * sin - s * natural * shape;
			byNatural = (byRoot * root) / natural - s * ratio * shape;
		}
		if (ratioColumn)
			ratioColumn[i] = side * (outByRatio * shape + out * (byRatio - beginByRatio * byTime));
		if (naturalColumn) naturalColumn[i] = side * out * (byNatural - beginByNatural * byTime);
		if (restColumn) restColumn[i] = 1;
		if (pushColumn) pushColumn[i] = side * outByPush * shape * pushed;
		if (delayColumn) delayColumn[i] = -side * out * byTime;
		if (frictionColumn) frictionColumn[i] = side * (1 + outByFriction * shape);
	}
}

/** Of one moment. */
function swingAt(swing: Swing, quantity: SwingQuantity, timeS: number): number {
	const into = new Float64Array(1);
	sampleSwing(swing, quantity, Float64Array.of(timeS), into);
	return into[0]!;
}

/** Height of a swing at a time, mm. */
export const heightOf = (swing: Swing, timeS: number): number => swingAt(swing, 'height', timeS);

/** Acceleration of a swing at a time, mm/s²: the second derivative of its height. */
export const accelerationOf = (swing: Swing, timeS: number): number =>
	swingAt(swing, 'acceleration', timeS);

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
