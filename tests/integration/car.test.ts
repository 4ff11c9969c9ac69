import { describe, expect, it } from 'vitest';
import { sampleCorners } from '../../src/core/mechanism/samples.ts';
import { cornerMechanism } from '../../src/core/job/corner.ts';
import { judgeBush } from '../../src/core/job/rubber.ts';
import { findVehicle } from '../../src/lib/server/db/vehicles.ts';
import { createVehicle } from '../../src/lib/server/vehicles.ts';
import { useShop } from './shop.ts';

const shop = useShop('car');
const axle = (layout: string, change: Record<string, unknown> = {}) => ({
	layout,
	track: '1540',
	...change
});
const add = (front: Record<string, unknown>) =>
	createVehicle(shop.db, shop.vehicleInput({ front: axle('double-wishbone', front) }));

describe('the rest of a corner by tape', () => {
	it('is kept as typed and as SI', async () => {
		const { id } = await add({
			armLength: '14 3/8 in',
			outerBelowInner: '12',
			referenceHubToArch: '362',
			tape: { upperArmMm: '10 1/4 in', springLeanDeg: '11', upperPivotAboveLowerMm: '' }
		});
		const { axles, entered } = (await findVehicle(shop.db, id))!;
		expect(axles.front.tape).toEqual({ upperArmMm: expect.closeTo(260.35, 9), springLeanDeg: 11 });
		expect(entered['front.tape.upperArmMm']).toBe('10 1/4 in');
		expect(axles.rear.tape).toBeNull();
	});

	it('of another layout, or out of its limits, is refused by its name', async () => {
		await expect(add({ tape: { strutLengthMm: '480' } })).rejects.toMatchObject({
			faults: [
				{
					field: 'front.tape.strutLengthMm',
					message: expect.stringContaining('known are upperArmMm')
				}
			]
		});
		await expect(add({ tape: { upperArmMm: '10' } })).rejects.toMatchObject({
			faults: [{ field: 'front.tape.upperArmMm', message: 'must be from 50 to 1500 mm' }]
		});
	});

	it('changes what a bush of the upper arm would keep, and hardly the lower one', async () => {
		const twist = async (upperArm: string) => {
			const id = await shop.job(['FL'], {
				front: axle('double-wishbone', {
					makerHeight: '365',
					makerHeightSchool: 'hub-to-arch',
					armLength: '370',
					outerBelowInner: '10',
					referenceHubToArch: '365',
					tape: { upperArmMm: upperArm, upperJointBelowPivotMm: '-10' }
				})
			});
			const job = await shop.record(id);
			return (['lower-pivot', 'upper-pivot'] as const).map((place) => {
				const judged = judgeBush(
					job,
					'FL',
					395,
					{ setDeg: 2, advisedDeg: 5 },
					{ key: null, place }
				);
				if (!judged.ok) throw new Error(judged.faults[0]!.message);
				return judged.value.twistDeg;
			});
		};
		const [long, short] = [await twist('300'), await twist('200')];
		// The lower arm only feels how much the knuckle leans.
		expect(short[0]).toBeCloseTo(long[0]!, 1);
		// φ = asin(b/L): a shorter arm turns further for the same 30 mm. The mechanism's knuckle leans a little
		// on the way, so its upper joint does not rise as far as the wheel does.
		const angle = (b: number, l: number) => (Math.asin(b / l) * 180) / Math.PI;
		for (const [length, deg] of [
			[300, long[1]!],
			[200, short[1]!]
		] as const) {
			const tape = angle(20, length) - angle(-10, length);
			expect(Math.abs(deg / tape - 1)).toBeLessThan(0.05);
		}
	});
});

describe('hardpoints of a corner', () => {
	const hardpoints = sampleCorners['double-wishbone'];
	it('are kept, and draw the corner', async () => {
		const { id } = await add({ hardpoints, referenceHubToArch: '355' });
		const { front } = (await findVehicle(shop.db, id))!.axles;
		expect(front.hardpoints).toEqual(hardpoints);
		expect(cornerMechanism(front, 360)).toMatchObject({
			ok: true,
			value: { assumed: false, referenceHubToArchMm: 355 }
		});
	});

	it.each([
		['another layout', { hardpoints: sampleCorners.macpherson }, 'front.hardpoints.layout'],
		['the right side', { hardpoints: { ...hardpoints, side: 'right' } }, 'front.hardpoints.side'],
		[
			'no height they are given at',
			{ hardpoints, referenceHubToArch: '' },
			'front.referenceHubToArch'
		],
		[
			'a point too few',
			{
				hardpoints: {
					...hardpoints,
					points: { lowerFrontPivot: [150, 350, 200] }
				}
			},
			'front.hardpoints.points.lowerRearPivot'
		]
	])('with %s are refused', async (_, change, field) => {
		await expect(add({ referenceHubToArch: '355', ...change })).rejects.toMatchObject({
			faults: expect.arrayContaining([expect.objectContaining({ field })])
		});
	});
});
