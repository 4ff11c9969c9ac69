import { describe, expect, it } from 'vitest';
import { hardwareOpen, hardwareWords, leastGrip, oneTimePieces } from './hardware';

const plain = { oneTime: true, programme: null };
const castle = { ...plain, programme: { castle: { highNm: 60, slotDeg: 60 as const } } };
const renewed = { done: 'renewed' as const, reason: '', gripNm: null, gripEntered: null };

describe('one-time hardware', () => {
	it('is the fastener, and of a castle nut its cotter pin; nothing of a joint that was left alone', () => {
		expect(oneTimePieces(plain)).toEqual(['fastener']);
		expect(oneTimePieces(castle)).toEqual(['fastener', 'pin']);
		expect(oneTimePieces({ ...castle, oneTime: false })).toEqual(['pin']);
		expect(oneTimePieces({ ...castle, loosened: false })).toEqual([]);
	});

	it('is open until somebody has said what became of each piece', () => {
		expect(hardwareOpen(castle, undefined)).toEqual(['fastener', 'pin']);
		expect(hardwareOpen(castle, { fastener: renewed, pin: null })).toEqual(['pin']);
		expect(hardwareOpen(castle, { fastener: renewed, pin: renewed })).toEqual([]);
	});

	it('is told as it was: new, or the old one with its reason and what it still took', () => {
		expect(hardwareWords('fastener', renewed)).toBe('new');
		expect(hardwareWords('pin', renewed)).toBe('new cotter pin');
		const reason = 'none in the drawer';
		const again = { done: 'reused' as const, reason, gripNm: 2.1, gripEntered: '2.1 N·m' };
		expect(hardwareWords('fastener', again)).toBe(
			'old one again, it still took 2.1 N·m to turn: none in the drawer'
		);
	});

	// ISO 2320, fifth removal, property classes 8 and 10, coarse thread (from memory).
	it.each([
		[8, 0.6],
		[10, 1],
		[12, 1.6],
		[14, 2.3],
		[16, 3]
	])('on M%i must still take %f N·m to be used again', (diameterMm, nm) => {
		const thread = { diameterMm, pitchMm: 1.5, propertyClass: '8.8' as const };
		expect(leastGrip(thread)).toBe(nm);
	});

	it('on a thread that nobody knows has no limit to hold it against', () => {
		expect(leastGrip(null)).toBeUndefined();
	});
});
