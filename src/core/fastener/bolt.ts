import { faulty, ok, type Result } from '../result.ts';
import {
	coreDiameter,
	pitchDiameter,
	proofStressMPa,
	stressArea,
	stressDiameter,
	yieldStressMPa,
	type PropertyClass,
	type Thread
} from './thread.ts';

export interface BoltInput extends Thread {
	propertyClass: PropertyClass;
	/** Coefficient of friction in the thread and under the head, 0.04 to 0.5. */
	frictionThread: number;
	frictionHead: number;
	/** Mean diameter of the bearing face under the head. */
	meanHeadDiameterMm: number;
	torqueNm?: number;
}

/** Torque per newton of clamp, mm: 0.16·P + 0.58·d₂·μ_G + (D_Km/2)·μ_K, VDI 2230-1. */
const torquePerClampMm = (bolt: Omit<BoltInput, 'propertyClass' | 'torqueNm'>): number =>
	0.16 * bolt.pitchMm +
	0.58 * pitchDiameter(bolt) * bolt.frictionThread +
	(bolt.meanHeadDiameterMm / 2) * bolt.frictionHead;

export const clampN = (bolt: BoltInput, torqueNm: number): number =>
	(torqueNm * 1000) / torquePerClampMm(bolt);
export const torqueNm = (bolt: BoltInput, clamp: number): number =>
	(clamp * torquePerClampMm(bolt)) / 1000;

/** Clamp at 90 % of yield under tension and torsion together, N, VDI 2230-1. */
function preload90N(bolt: BoltInput): number {
	const d2 = pitchDiameter(bolt);
	const d0 = stressDiameter(bolt);
	const torsion = 1.5 * (d2 / d0) * (bolt.pitchMm / (Math.PI * d2) + 1.155 * bolt.frictionThread);
	const yieldStress = yieldStressMPa(bolt.propertyClass, bolt.diameterMm);
	return (stressArea(bolt) * 0.9 * yieldStress) / Math.sqrt(1 + 3 * torsion ** 2);
}

export interface BoltResult {
	stressAreaMm2: number;
	proofLoadN: number;
	preload90N: number;
	torque90Nm: number;
	clampN?: number;
	/** Clamp of the torque over the clamp at 90 % of yield. */
	utilisation?: number;
}

/** What a bolt holds: stress area, proof load, clamp and torque at 90 % of yield, clamp of a torque. */
export function bolt(input: BoltInput): Result<BoltResult> {
	if (coreDiameter(input) <= 0.3 * input.diameterMm) {
		return faulty({
			field: 'pitchMm',
			value: input.pitchMm,
			message: `is too coarse for diameterMm (${input.diameterMm}): the core would be gone`
		});
	}
	if (input.meanHeadDiameterMm <= input.diameterMm) {
		return faulty({
			field: 'meanHeadDiameterMm',
			value: input.meanHeadDiameterMm,
			message: `must be more than diameterMm (${input.diameterMm})`
		});
	}
	const stressAreaMm2 = stressArea(input);
	const preload = preload90N(input);
	const clamp = input.torqueNm === undefined ? undefined : clampN(input, input.torqueNm);
	return ok({
		stressAreaMm2,
		proofLoadN: stressAreaMm2 * proofStressMPa(input.propertyClass, input.diameterMm),
		preload90N: preload,
		torque90Nm: torqueNm(input, preload),
		...(clamp !== undefined && { clampN: clamp, utilisation: clamp / preload })
	});
}

export interface FrictionResult {
	torqueNm: number;
	clampN: number;
	/** New torque over old. */
	share: number;
}

/** Torque for the same clamp with another friction: a thread that was oiled, or ran dry. */
export function torqueAtFriction(
	screw: BoltInput & { torqueNm: number },
	frictionThread: number,
	frictionHead: number
): Result<FrictionResult> {
	const dry = bolt(screw);
	if (!dry.ok) return dry;
	const clamp = clampN(screw, screw.torqueNm);
	const torque = torqueNm({ ...screw, frictionThread, frictionHead }, clamp);
	return ok({ torqueNm: torque, clampN: clamp, share: torque / screw.torqueNm });
}

/**
 * Slope of torque over angle, N·m per degree, of a joint with the given bolt and parts stiffness:
 * one turn stretches bolt and parts by one pitch.
 */
export function elasticSlope(bolt: BoltInput, boltNPerMm: number, partsNPerMm: number): number {
	const stiffness = 1 / (1 / boltNPerMm + 1 / partsNPerMm);
	return (stiffness * bolt.pitchMm * torquePerClampMm(bolt)) / 360 / 1000;
}

/** Of the elastic slope, what is left where the screw yields all through. Common practice, no source. */
const yieldingSlope = 0.06;

/**
 * Torque plus angle: what the wrench should read at the end. From snug on the joint follows its elastic slope until
 * the screw yields under tension and torsion together (VDI 2230-1); from there the clamp hardly grows, and that is
 * meant. A reading far below it says that rubber was wound, or that the screw was not what it is taken for.
 */
export function torqueAfterAngle(
	input: BoltInput & {
		/** Torque the angle is counted from. */
		snugNm: number;
		angleDeg: number;
		/** Stiffness of the screw and of the clamped parts. */
		boltNPerMm: number;
		partsNPerMm: number;
	}
): Result<{ torqueNm: number; slopeNmPerDeg: number; clampN: number; yields: boolean }> {
	const sound = bolt(input);
	if (!sound.ok) return sound;
	const slopeNmPerDeg = elasticSlope(input, input.boltNPerMm, input.partsNPerMm);
	const elastic = input.snugNm + input.angleDeg * slopeNmPerDeg;
	const yieldNm = torqueNm(input, preload90N(input) / 0.9);
	const yields = elastic > yieldNm;
	const torque = yields
		? Math.max(input.snugNm, yieldNm) + yieldingSlope * (elastic - Math.max(input.snugNm, yieldNm))
		: elastic;
	return ok({ torqueNm: torque, slopeNmPerDeg, clampN: clampN(input, torque), yields });
}
