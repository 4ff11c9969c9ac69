/** What acts ask of a car besides what it tells itself. */
import { jointId, readJointId } from '../../../assembly/graph.ts';
import type { Corner } from '../../../height/corners.ts';
import { airUnit, jointOf, partOf } from '../../../layout/shape.ts';
import type { Car } from '../car.ts';

/** Notes what should have held and did not. */
export type Need = (holds: boolean, code: string, words: string) => void;

/** Joints of what holds air at a corner that have no torque. */
export function unitOwed(car: Car, corner: Corner): string[] {
	const layout = car.layoutOf(corner);
	const unit = airUnit(layout);
	return [...car.axle(corner).owed].filter((id) => {
		const { corner: at, key } = readJointId(id);
		const { between, rule, pair } = jointOf(layout, key);
		const carries = rule === 'any-time' && !pair && between.some((part) => unit.includes(part));
		return at === corner && carries;
	});
}

/** Joints of a caliper at a corner that are off, or have no torque. */
export const looseCalipers = (car: Car, corner: Corner): string[] =>
	car.layoutOf(corner).joints.flatMap(({ key, between }) => {
		const ofCaliper = between.some(
			(part) => partOf(car.layoutOf(corner), part)?.kind === 'caliper'
		);
		const id = jointId(corner, key);
		return ofCaliper && car.axle(corner).owed.has(id) ? [id] : [];
	});

/** A part that others are behind, or that is behind it: whether any of its joints is on. */
export const isFixed = (car: Car, corner: Corner, part: string): boolean =>
	car
		.layoutOf(corner)
		.joints.some(
			({ key, between, onlyByWay }) =>
				onlyByWay && between.includes(part) && car.fixing(corner, key) !== 'off'
		);

/** Nuts of the hub at a corner that are off. */
export const notStarted = (car: Car, corner: Corner): string[] =>
	car
		.layoutOf(corner)
		.joints.flatMap(({ key, kind }) =>
			kind === 'hub-nut' && car.fixing(corner, key) === 'off' ? [key] : []
		);

/** Every clamp that a part sits in is held open. */
export const isSpread = (car: Car, corner: Corner, part: string): boolean =>
	car
		.layoutOf(corner)
		.joints.every(
			({ key, kind, between }) =>
				kind !== 'clamp' || !between.includes(part) || car.at(corner).spread.has(key)
		);

export const heldAt = (car: Car, corner: Corner): boolean => car.heldAt(corner).size > 0;

export const linksOwed = (car: Car, corner: Corner): boolean =>
	car
		.layoutOf(corner)
		.joints.some(
			({ key, pair, rule }) =>
				pair && rule === 'any-time' && car.axle(corner).owed.has(jointId(corner, key))
		);
