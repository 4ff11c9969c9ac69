/** What happened at the demo shop, job by job. All of it is invented. */
import {
	corners as allCorners,
	type Axle,
	type Corner,
	type PerCorner
} from '../src/core/height/corners.ts';
import type { LoadMethod } from '../src/core/procedure/facts.ts';
import type { JobRecord } from '../src/core/job/record.ts';
import type { CarName } from './cars.ts';
import type { Handle } from './shop.ts';
import type { WorkStory } from './work-story.ts';

export interface Story {
	number: string;
	car: CarName;
	/** Its joints have programmes and threads. */
	programmes?: boolean;
	opened: string;
	by: Handle;
	complaint: string;
	km: number;
	work: Corner[];
	/** What stays with the car, said at the end of the readings before. */
	note?: string;
	school?: JobRecord['school'];
	/** From this school to hub to arch, as said. */
	offsets?: Partial<Record<Axle, string>>;
	/** Mean heights, mm in the job's school. */
	before?: Partial<PerCorner<number>>;
	after?: Partial<PerCorner<number>>;
	/** One reading that does not fit, and whether it was corrected. */
	slip?: { corner: Corner; mm: number; corrected: boolean };
	imperial?: boolean;
	chosen?: Partial<PerCorner<number>>;
	/** How far the joints are: share of any-time joints done, then what became of the bushes. */
	joints?: number;
	bushes?: 'nipped' | 'set';
	method?: LoadMethod;
	/** Corner whose bushes were first clamped at this hub to arch. */
	wound?: { corner: Corner; hubToArchMm: number };
	wheels?: boolean;
	/** Bounced by eye, driven and looked over before it went. */
	checked?: { movements: number; at: string };
	sign?: { by: Handle; reason?: string };
	/** The work before the round. */
	book?: WorkStory;
}

export const stories: Story[] = [
	{
		number: '2026-0187',
		car: 'strand',
		opened: '2026-06-16T08:10:00Z',
		by: 'tomas',
		km: 88410,
		work: [...allCorners],
		complaint: 'Fit owner’s coilovers, 25 mm down all round',
		note: 'Key of the locking wheel nuts is in the boot, under the floor',
		before: { FL: 357, FR: 356, RL: 360, RR: 359 },
		after: { FL: 332, FR: 331, RL: 334, RR: 334 },
		chosen: { FL: 331, FR: 331, RL: 334, RR: 334 },
		joints: 1,
		bushes: 'set',
		method: 'on-wheels',
		wheels: true,
		checked: { movements: 1, at: '9 km, 30 and 80 km/h' },
		sign: { by: 'tomas' }
	},
	{
		number: '2026-0214',
		car: 'vela',
		opened: '2026-07-28T13:05:00Z',
		by: 'jo',
		km: 141200,
		work: ['FL', 'FR'],
		complaint: 'Clunk at the front over kerbs; dampers wet',
		note: 'Left sill is soft behind the front jacking point: lift that side at the subframe',
		before: { FL: 364, FR: 366, RL: 359, RR: 360 },
		after: { FL: 371, FR: 372, RL: 360, RR: 359 },
		chosen: { FL: 371, FR: 371 },
		joints: 1,
		bushes: 'set',
		method: 'jack-to-height',
		wheels: true,
		sign: { by: 'jo' }
	},
	{
		number: '2026-0238',
		car: 'moor',
		opened: '2026-09-08T07:45:00Z',
		by: 'tomas',
		km: 167900,
		work: ['RL', 'RR'],
		complaint: 'Rear dampers weak when towing',
		before: { FL: 402, FR: 403, RL: 391, RR: 392 },
		after: { FL: 402, FR: 402, RL: 394, RR: 395 },
		joints: 1,
		bushes: 'set',
		method: 'on-stands',
		wheels: true,
		sign: {
			by: 'mara',
			reason: 'RR after: customer needed the car; third reading to be taken at the re-torque visit.'
		}
	},
	{
		number: '2026-0251',
		car: 'pike',
		opened: '2026-11-12T09:20:00Z',
		by: 'jo',
		km: 54300,
		work: ['FL', 'FR'],
		complaint: 'Front right rubs and squeaks on full lock since a bush was renewed elsewhere',
		before: { FL: 361, FR: 362, RL: 357, RR: 358 },
		after: { FL: 363, FR: 362, RL: 358, RR: 357 },
		joints: 1,
		bushes: 'set',
		method: 'jack-to-height',
		wheels: true,
		wound: { corner: 'FR', hubToArchMm: 419 }
	},
	{
		number: '2026-0253',
		car: 'vela2',
		opened: '2026-11-13T08:00:00Z',
		by: 'tomas',
		km: 298750,
		work: ['FL', 'FR'],
		complaint: 'Front bushes cracked, pulls under braking',
		before: { FL: 366, FR: 367, RL: 369, RR: 370 },
		joints: 1,
		bushes: 'set',
		method: 'on-wheels',
		wheels: true
	},
	{
		number: '2026-0255',
		car: 'sund',
		opened: '2026-11-14T10:15:00Z',
		by: 'jo',
		km: 203440,
		work: ['RL', 'RR'],
		complaint: 'Leans to the left rear, bottoms with passengers',
		before: { FL: 352, FR: 353, RL: 331, RR: 350 },
		chosen: { RL: 352, RR: 352 },
		slip: { corner: 'RL', mm: 349, corrected: true },
		joints: 0.5
	},
	{
		number: '2026-0256',
		car: 'strand',
		opened: '2026-11-15T08:30:00Z',
		by: 'tomas',
		km: 93120,
		work: ['FL', 'FR'],
		complaint: 'Front coilovers down another 8 mm, then set',
		before: { FL: 332, FR: 331, RL: 334, RR: 333 },
		chosen: { FL: 323, FR: 323 },
		joints: 1,
		bushes: 'nipped'
	},
	{
		number: '2026-0257',
		car: 'arrow',
		opened: '2026-11-16T09:00:00Z',
		by: 'jo',
		km: 61200,
		work: ['FL', 'FR'],
		complaint: 'Wishbone bushes split, vague steering',
		before: { FL: 338, FR: 339, RL: 343, RR: 343 },
		joints: 1,
		bushes: 'nipped',
		wound: { corner: 'FL', hubToArchMm: 398 },
		method: 'jack-to-height'
	},
	{
		number: '2026-0258',
		car: 'pike2',
		opened: '2026-11-16T14:30:00Z',
		by: 'tomas',
		km: 21050,
		work: ['FR'],
		complaint: 'Ball joint at the front right has play, found at a tyre change',
		before: { FL: 360, FR: 361, RL: 358, RR: 357 },
		joints: 1,
		bushes: 'nipped'
	},
	{
		number: '2026-0259',
		car: 'heath',
		opened: '2026-11-19T08:05:00Z',
		by: 'jo',
		km: 189600,
		work: [...allCorners],
		complaint: 'Floats at speed; all four dampers original',
		school: 'ground-to-arch',
		offsets: {
			front: '-316 mm',
			rear: '-318 mm'
		},
		before: { FL: 702, FR: 704, RL: 709, RR: 708 },
		imperial: true,
		joints: 0.2
	},
	{
		number: '2026-0260',
		car: 'brio',
		opened: '2026-11-19T13:40:00Z',
		by: 'tomas',
		km: 72310,
		work: ['RL', 'RR'],
		complaint: 'Rattles at the rear right over cobbles, sways in bends',
		before: { RL: 349, RR: 336 },
		slip: { corner: 'RR', mm: 351, corrected: false },
		book: {
			symptoms: ['knock', 'float'],
			rust: 'light',
			found: {
				'RR/damper-oil': ['leak', 'below the seal', 'wet down to the eye'],
				'RR/damper-gas': ['soft'],
				'RR/bump-stop': ['cracked'],
				'RR/threads': ['light'],
				'RL/spring': ['rusted'],
				'RL/damper-oil': ['sound'],
				'RL/threads': ['light']
			},
			bounces: { RL: 1, RR: 2 }
		}
	},
	{
		number: '2026-0261',
		car: 'vela',
		opened: '2026-11-20T07:30:00Z',
		by: 'jo',
		km: 146020,
		work: ['RL', 'RR'],
		complaint: 'Squeak at the rear, rear dampers to be renewed'
	}
];

stories.push(
	{
		number: '2026-0268',
		car: 'gorse',
		programmes: true,
		opened: '2026-11-23T07:40:00Z',
		by: 'tomas',
		km: 131_800,
		work: ['FL', 'FR'],
		complaint: 'Knocks over small bumps at the front, keeps bouncing after a dip',
		before: { FL: 351, FR: 349, RL: 356, RR: 355 },
		book: {
			symptoms: ['knock', 'float'],
			rust: 'light',
			found: {
				'FL/damper-oil': ['leak', '', 'running down to the bracket'],
				'FL/damper-gas': ['soft'],
				'FL/spring': ['sound'],
				'FL/bump-stop': ['shredded'],
				'FL/boot': ['split'],
				'FL/mount-washer': ['sunk'],
				'FL/top-bearing': ['sound'],
				'FL/lower-bush': ['sound'],
				'FL/ball-joint': ['sound'],
				'FL/drop-link': ['loose'],
				'FL/threads': ['light'],
				'FR/damper-oil': ['weep'],
				'FR/damper-gas': ['soft'],
				'FR/drop-link': ['loose'],
				'FR/threads': ['light']
			},
			bounces: { FL: 3, FR: 2 },
			scope: { front: { damper: true, spring: false, bushes: false } },
			declined: ['with-it:top-bearing:front'],
			prices: { unit: 168, damper: 84, wearParts: 41 },
			parts: 'here',
			upTo: 'FL/compress',
			pace: 1.1,
			compared: [
				{
					corner: 'FL',
					part: 'damper',
					old: { extendedMm: 512, compressedMm: 352, boreMm: 12.1 },
					new: { extendedMm: 514, compressedMm: 351, boreMm: 12.1 }
				}
			],
			compressor: {
				corner: 'FL',
				input: {
					rateNPerMm: 24,
					activeCoils: 5.25,
					hookedCoils: 3.75,
					freeLengthMm: 342,
					installedLengthMm: 258,
					clearanceMm: 6,
					screws: 2,
					hooksPerScrew: 1,
					screwLeadMm: 2,
					wireDiameterMm: 12.4,
					ratedLoadPerHookN: 8000
				},
				turned: 7
			},
			trays: [
				['FL/hose-off', 'Bracket bolt, hose', 1, 20, 0],
				['FL/trim-off', 'Cowl clips', 6, 18, 0],
				['FL/undo-top', 'Top mount nuts', 3, 12, 0]
			]
		}
	},
	{
		number: '2026-0269',
		car: 'quarry',
		opened: '2026-11-23T10:15:00Z',
		by: 'jo',
		km: 98_450,
		work: ['RL', 'RR'],
		complaint: 'Leans to the rear left when loaded',
		before: { FL: 361, FR: 362, RL: 331, RR: 347 },
		book: {
			symptoms: ['lean', 'bottoming'],
			rust: 'heavy',
			found: {
				'RL/spring': ['broken', 'lowest coil', 'sharp end under the pad'],
				'RL/damper-oil': ['sound'],
				'RL/bump-stop': ['cracked'],
				'RL/threads': ['heavy'],
				'RR/spring': ['rusted'],
				'RR/threads': ['heavy']
			},
			scope: { rear: { damper: false, spring: true, bushes: false } },
			strategy: { people: 2, sides: 'together' },
			parts: 'ordered'
		}
	}
);

/** A car of each layout, heights read and everything still to be tightened. */
const openRounds: [string, CarName, string, Corner[], PerCorner<number>, string][] = [
	[
		'2026-0262',
		'loop',
		'2026-11-20T09:10:00Z',
		['FL', 'RL'],
		{ FL: 355, FR: 356, RL: 349, RR: 350 },
		'Strut top bearing stiff, rear dampers weak, left side'
	],
	[
		'2026-0263',
		'minnow',
		'2026-11-20T10:25:00Z',
		['FR', 'RR'],
		{ FL: 342, FR: 340, RL: 338, RR: 335 },
		'Right side bottoms on ramps'
	],
	[
		'2026-0264',
		'regent',
		'2026-11-20T12:00:00Z',
		['FL', 'FR', 'RL', 'RR'],
		{ FL: 371, FR: 372, RL: 371, RR: 370 },
		'Air struts leak down overnight, rear links worn'
	],
	[
		'2026-0265',
		'drover',
		'2026-11-20T13:30:00Z',
		['FL', 'RL'],
		{ FL: 441, FR: 443, RL: 446, RR: 449 },
		'Clunk at the front left, rear sways'
	],
	[
		'2026-0266',
		'fell',
		'2026-11-20T14:45:00Z',
		['FL', 'RL'],
		{ FL: 461, FR: 463, RL: 466, RR: 468 },
		'Steering shimmy after a bush kit; lateral rods loose'
	],
	[
		'2026-0267',
		'sail',
		'2026-11-20T15:50:00Z',
		['FL', 'RL'],
		{ FL: 347, FR: 348, RL: 343, RR: 344 },
		'Rear arm bushes split, tyres worn inside'
	]
];
for (const [number, car, opened, work, before, complaint] of openRounds) {
	stories.push({
		number,
		car,
		opened,
		by: 'tomas',
		complaint,
		km: 60_000 + 7_411 * stories.length,
		work,
		before,
		programmes: true
	});
}
