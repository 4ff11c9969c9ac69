import { faulty, ok, type Result } from '../result.ts';
import type { Uncertainty } from '../uncertainty/band.ts';

/** Shear modulus of spring steel wire, GPa: EN 10270-1 (drawn), EN 10270-2 (oil-tempered). */
export const shearModulusGPa = { drawn: 81.5, 'oil-tempered': 79.5 } as const;

export interface SpringWire {
	wireDiameterMm: number;
	/** Of the coil, to the middle of the wire. */
	meanDiameterMm: number;
	activeCoils: number;
	shearModulusGPa: number;
}

/** Rate of a cylindrical spring of round wire, N/mm: k = G·d⁴ / (8·D³·n), EN 13906-1. */
export const coilRate = (s: SpringWire): number =>
	(s.shearModulusGPa * 1000 * s.wireDiameterMm ** 4) / (8 * s.meanDiameterMm ** 3 * s.activeCoils);

/** Rate, index w = D/d and, with a force, the corrected shear stress K·8DF/(πd³), EN 13906-1. */
export function springRate(
	input: SpringWire & { forceN?: number }
): Result<{ rateNPerMm: number; index: number; stressMPa?: number }> {
	const { wireDiameterMm: d, meanDiameterMm: D, forceN } = input;
	if (D <= d) {
		return faulty({
			field: 'meanDiameterMm',
			value: D,
			message: `must be greater than wireDiameterMm (${d}): the coil is measured to the middle of the wire`
		});
	}
	const index = D / d;
	const result = { rateNPerMm: coilRate(input), index };
	if (forceN === undefined) return ok(result);
	const correction = (index + 0.5) / (index - 0.75);
	return ok({ ...result, stressMPa: (correction * 8 * D * forceN) / (Math.PI * d ** 3) });
}

/**
 * Length of a spring whose coils touch, mm: ends that are not ground lie crooked and take half a coil more and
 * one wire (EN 13906-1, (n_t + 1.5)·d; from memory).
 */
const closedLength = (totalCoils: number, wireDiameterMm: number): number =>
	(totalCoils + 1.5) * wireDiameterMm;

export interface CaliperSpring {
	/** Over the paint, mm. */
	wireDiameterMm: number;
	outerDiameterMm: number;
	/** Counted from wire end to wire end. */
	totalCoils: number;
	/** Coils that lie dead on the seats. */
	deadCoils: number;
	freeLengthMm: number;
	/** Thickness of paint or coat on one side. */
	coatMm: number;
	shearModulusGPa: number;
}

export interface IdentifiedSpring {
	rateNPerMm: number;
	index: number;
	wireDiameterMm: number;
	meanDiameterMm: number;
	activeCoils: number;
	solidLengthMm: number;
}

/** Standard uncertainties of a caliper on a painted spring: own choice, to be measured. */
export const usualCaliperUncertainty: Uncertainty = {
	wireDiameterMm: 0.05,
	outerDiameterMm: 0.3,
	totalCoils: 0.1,
	coatMm: 0.03
};

/**
 * Identifies a spring by caliper: rate, index and length when coils touch. The wire goes in with its
 * fourth power, so a thick coat of paint is most of the error.
 */
export function identifySpring(input: CaliperSpring): Result<IdentifiedSpring> {
	const { deadCoils, totalCoils, coatMm } = input;
	const wire = input.wireDiameterMm - 2 * coatMm;
	const outer = input.outerDiameterMm - 2 * coatMm;
	const active = totalCoils - deadCoils;
	if (wire <= 0) {
		return faulty({
			field: 'coatMm',
			value: coatMm,
			message: 'leaves no wire: it is the thickness on one side'
		});
	}
	if (outer <= 2 * wire) {
		return faulty({
			field: 'outerDiameterMm',
			value: input.outerDiameterMm,
			message: `must be more than twice wireDiameterMm (${input.wireDiameterMm})`
		});
	}
	if (active < 0.5) {
		return faulty({
			field: 'deadCoils',
			value: deadCoils,
			message: `must leave at least half a coil of totalCoils (${totalCoils}) free to work`
		});
	}
	const solidLengthMm = closedLength(totalCoils, input.wireDiameterMm);
	if (solidLengthMm >= input.freeLengthMm) {
		return faulty({
			field: 'freeLengthMm',
			value: input.freeLengthMm,
			message: `must be more than the closed coils (${solidLengthMm.toFixed(1)} mm)`
		});
	}
	return ok({
		rateNPerMm: coilRate({
			wireDiameterMm: wire,
			meanDiameterMm: outer - wire,
			activeCoils: active,
			shearModulusGPa: input.shearModulusGPa
		}),
		index: (outer - wire) / wire,
		wireDiameterMm: wire,
		meanDiameterMm: outer - wire,
		activeCoils: active,
		solidLengthMm
	});
}
