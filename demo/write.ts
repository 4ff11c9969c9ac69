/**
 * Writes the demo shop's files: `node --import tsx demo/write.ts`. All of it is invented. The numbers
 * are drawn once from a seed, so that the files are the same at every writing, and the bush figures in
 * them come from the core like any other.
 */
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import {
	corners as allCorners,
	type Axle,
	type Corner,
	type PerCorner
} from '../src/core/height/corners.ts';
import { actionsOf, type JointProgramme } from '../src/core/fastener/joint-programme.ts';
import { oneTimePieces } from '../src/core/fastener/hardware.ts';
import { owedLine } from '../src/core/procedure/owed.ts';
import type { WrenchKind } from '../src/core/fastener/rack.ts';
import type { LoadMethod } from '../src/core/procedure/facts.ts';
import { layoutJoints } from '../src/core/job/kinds/head/decide.ts';
import type { KindData } from '../src/core/job/kinds/data.ts';
import type { Joint, JointThread, Phase, Vehicle } from '../src/core/job/model.ts';
import type { JobRecord } from '../src/core/job/record.ts';
import { toJobFile } from '../src/lib/server/exchange/job-file.ts';
import { Book, type Say } from './book.ts';
import { tellWork, type WorkStory } from './work-story.ts';

const limits = { setDeg: 2, advisedDeg: 5 };
const mm = (value: number) => `${value} mm`;

/** Keys of version 7 whose time is the row's own and whose rest counts up. */
let count = 0;
function key(at: string): string {
	const time = Date.parse(at).toString(16).padStart(12, '0');
	const tail = (++count).toString(16).padStart(12, '0');
	return `${time.slice(0, 8)}-${time.slice(8)}-7000-8000-${tail}`;
}

/** Park and Miller's generator: the same scatter at every writing. */
let seed = 20_261_124;
function scatter(spread: number): number {
	seed = (seed * 48_271) % 2_147_483_647;
	return Math.round((seed / 2_147_483_647 - 0.5) * 2 * spread);
}

const hired = '2026-01-05T08:00:00.000Z';
const people = [
	{ id: key(hired), handle: 'mara', name: 'Mara Lindholm', role: 'lead', pin: '471926' },
	{ id: key(hired), handle: 'tomas', name: 'Tomas Okoro', role: 'technician', pin: '258014' },
	{ id: key(hired), handle: 'jo', name: 'Jo Brandvik', role: 'technician', pin: '137950' },
	{ id: key(hired), handle: 'ilse', name: 'Ilse Renner', role: 'lead', pin: '864207' }
] as const;
type Handle = (typeof people)[number]['handle'];
const idOf = (handle: Handle) => people.find((person) => person.handle === handle)!.id;

/** Invented specifications, the same for a joint's name on every car of the demo. */
const specifiedNm: Record<string, number> = {
	'handbrake-bracket': 10,
	caliper: 34,
	'disc-screw': 8,
	'hub-nut': 180,
	'shaft-nut': 60,
	'strut-knuckle-upper': 110,
	'strut-knuckle-lower': 110,
	'top-mount': 22,
	'ball-joint': 65,
	'bar-bush': 25,
	'upper-ball-joint': 55,
	'tie-rod': 45,
	'drop-link-upper': 50,
	'drop-link-lower': 50,
	'brake-hose-bracket': 12,
	'arm-front-bush': 120,
	'arm-rear-bush': 150,
	'upper-front-bush': 80,
	'upper-rear-bush': 80,
	'lower-front-bush': 130,
	'lower-rear-bush': 130,
	'damper-bottom': 95,
	'arm-pivot-bush': 140,
	'wheel-fasteners': 120,
	'air-line': 16,
	'strut-knuckle': 95,
	clamp: 85,
	'height-sensor': 9,
	'drag-link': 60,
	'arm-body': 145,
	'arm-axle-front': 125,
	'arm-axle-rear': 125,
	'lateral-rod-body': 115,
	'lateral-rod-axle': 115,
	'lower-link-body': 130,
	'lower-link-axle': 130,
	'upper-link-body': 105,
	'upper-link-axle': 105,
	'damper-top': 30,
	'camber-link-outer': 55,
	'camber-link-inner': 85,
	'spring-arm-inner': 110,
	'spring-arm-outer': 90,
	'toe-link-inner': 75,
	'toe-link-outer': 75,
	'front-link': 100,
	'drive-shaft': 80,
	'pivot-inner-bush': 125,
	'pivot-outer-bush': 125,
	'beam-pivot': 100
};

/** Invented programmes and threads of some joints, for the cars that have them. */
const programmes: Record<string, JointProgramme> = {
	'drag-link': { castle: { highNm: 95, slotDeg: 60 } },
	'tie-rod': { prevailingNm: 4 },
	'arm-rear-bush': { then: [{ kind: 'angle', angleDeg: 90 }] },
	'spring-arm-outer': {
		then: [
			{ kind: 'slacken', angleDeg: 120 },
			{ kind: 'torque', torqueNm: 50 },
			{ kind: 'angle', angleDeg: 90 }
		]
	},
	'upper-link-body': { adapter: { lengthMm: 60, angleDeg: 0 } },
	'pivot-outer-bush': { adapter: { lengthMm: 75, angleDeg: 45 } },
	'damper-top': { cushionTo: 'washer-edge' }
};
const m12: JointThread = {
	diameterMm: 12,
	pitchMm: 1.5,
	propertyClass: '10.9',
	condition: 'as-specified'
};
const threads: Record<string, JointThread> = {
	'arm-front-bush': m12,
	'lower-front-bush': { ...m12, condition: 'anti-seize' },
	'wheel-fasteners': {
		diameterMm: 14,
		pitchMm: 1.5,
		propertyClass: '8.8',
		condition: 'as-specified'
	},
	'top-mount': { diameterMm: 8, pitchMm: 1.25, propertyClass: '8.8', condition: 'as-specified' }
};

/** The shop's wrenches; calibrations are told in days before the demo is loaded. */
const wrenches = [
	{ name: 'Short click', kind: 'click', lowestNm: 5, highestNm: 50, lengthMm: 270, daysAgo: 120 },
	{ name: 'Main click', kind: 'click', lowestNm: 40, highestNm: 200, lengthMm: 465, daysAgo: 86 },
	{ name: 'Long click', kind: 'click', lowestNm: 80, highestNm: 400, lengthMm: 640, daysAgo: 349 },
	{ name: 'Old beam', kind: 'beam', lowestNm: 20, highestNm: 150, lengthMm: 420, daysAgo: 431 },
	{ name: 'Wireless', kind: 'electronic', lowestNm: 8, highestNm: 200, lengthMm: 430, daysAgo: 40 }
].map((wrench) => ({ ...wrench, kind: wrench.kind as WrenchKind, id: key(hired) }));
const devices = [
	{ name: 'Wireless wrench', kind: 'wrench', token: 'demo-wrench', wrench: 'Wireless' },
	{ name: 'Height gauge', kind: 'height-gauge', token: 'demo-gauge', wrench: null },
	{ name: 'Wheel scales', kind: 'wheel-scales', token: 'demo-scales', wrench: null }
].map((device) => ({ ...device, id: key(hired) }));
const wrenchFor = (nm: number) =>
	wrenches.find(({ name }) => name === (nm <= 50 ? 'Short click' : 'Main click'))!;

/** Numbers that are nobody's. */
let telephones = 9;

function vehicle(
	plate: string,
	vin: string | null,
	make: string,
	model: string,
	modelYear: number,
	owner: string,
	wheelbaseMm: number,
	tracks: [number, number],
	layouts: [string, string],
	tyreSize: string,
	more: { modifications?: string; taped?: [number, number, number]; maker?: [number, number] } = {}
): Vehicle {
	const entered: Record<string, string> = { wheelbaseMm: mm(wheelbaseMm) };
	const axle = (which: 'front' | 'rear', i: 0 | 1) => {
		const taped = which === 'front' ? more.taped : undefined;
		entered[`${which}.trackMm`] = mm(tracks[i]);
		return {
			layout: layouts[i],
			trackMm: tracks[i],
			tyreSize,
			armLengthMm: taped?.[0] ?? null,
			outerBelowInnerMm: taped?.[1] ?? null,
			referenceHubToArchMm: taped?.[2] ?? null,
			wheelRateNPerMm: null,
			makerHeightMm: more.maker?.[i] ?? null,
			makerHeightSchool: more.maker ? ('hub-to-arch' as const) : null,
			tape: null,
			hardpoints: null
		};
	};
	return {
		id: key('2026-02-02T09:00:00.000Z'),
		plate,
		vin,
		make,
		model,
		modelYear,
		owner,
		phone: `555 01${String(++telephones).padStart(2, '0')}`,
		wheelbaseMm,
		modifications: more.modifications ?? '',
		axles: { front: axle('front', 0), rear: axle('rear', 1) },
		entered,
		version: 1
	};
}

const strut: [string, string] = ['macpherson-front', 'trailing-arm-rear'];
const wishbone: [string, string] = ['double-wishbone', 'double-wishbone'];
const cars = {
	pike: vehicle(
		'TKW 418',
		'HV1PK24L6N2004187',
		'Halden',
		'Pike',
		2022,
		'R. Aldous',
		2640,
		[1545, 1540],
		strut,
		'205/55 R16',
		{ maker: [362, 358] }
	),
	vela: vehicle(
		'BRX 902',
		'MD2VE31K1H7009023',
		'Meridon',
		'Vela',
		2017,
		'S. Ferreira',
		2555,
		[1490, 1480],
		strut,
		'195/65 R15',
		{ taped: [342, 28, 371] }
	),
	strand: vehicle(
		'LON 77S',
		'CV5ST88A7F1000771',
		'Corvane',
		'Strand',
		2018,
		'P. Nakao',
		2450,
		[1510, 1520],
		wishbone,
		'225/45 R17',
		{ modifications: 'Coilovers all round', taped: [368, 6, 331] }
	),
	heath: vehicle(
		'GDM 260',
		null,
		'Tallow',
		'Heath',
		2012,
		'M. Osei',
		2700,
		[1560, 1565],
		strut,
		'215/65 R16'
	),
	brio: vehicle(
		'OST 115',
		'BR3FL07C4K6001159',
		'Brisling',
		'Four',
		2020,
		'J. Calloway',
		2510,
		[1475, 1470],
		strut,
		'185/60 R15',
		{ maker: [355, 349] }
	),
	vela2: vehicle(
		'WYC 531',
		'MD2VE31K8J8005312',
		'Meridon',
		'Vela Estate',
		2018,
		'Harbour Taxis',
		2620,
		[1490, 1485],
		strut,
		'195/65 R15',
		{ maker: [370, 372] }
	),
	sund: vehicle(
		'KEL 044',
		null,
		'Ostrel',
		'Sund',
		2009,
		'D. Abara',
		2580,
		[1500, 1495],
		strut,
		'195/60 R15'
	),
	pike2: vehicle(
		'FAE 683',
		'HV1PK24L2P2006830',
		'Halden',
		'Pike',
		2023,
		'L. Whitcombe',
		2640,
		[1545, 1540],
		strut,
		'205/55 R16',
		{ maker: [362, 358] }
	),
	arrow: vehicle(
		'NUM 309',
		'CV5AR92B3L1003095',
		'Corvane',
		'Arrow',
		2021,
		'T. Bellweather',
		2760,
		[1580, 1590],
		wishbone,
		'235/40 R18',
		{ maker: [341, 344] }
	),
	moor: vehicle(
		'SIL 850',
		null,
		'Tallow',
		'Moor',
		2014,
		'Ferry Road Garage',
		2810,
		[1600, 1600],
		strut,
		'225/60 R17',
		{ modifications: 'Tow bar' }
	)
};

/** A made-up car of every layout that the others do not have. */
const more = {
	loop: vehicle(
		'ETR 206',
		null,
		'Brisling',
		'Loop',
		2019,
		'A. Sorensen',
		2545,
		[1490, 1485],
		['macpherson-clamp', 'twist-beam-spring'],
		'185/65 R15',
		{ maker: [358, 352] }
	),
	minnow: vehicle(
		'QUY 740',
		null,
		'Halden',
		'Minnow',
		2016,
		'F. Lindqvist',
		2390,
		[1420, 1415],
		['macpherson-clamp', 'twist-beam-strut'],
		'165/65 R14',
		{ maker: [344, 339] }
	),
	regent: vehicle(
		'IVO 919',
		null,
		'Corvane',
		'Regent',
		2021,
		'Quay Chauffeurs',
		2965,
		[1620, 1615],
		['air-strut-front', 'multi-link-rear'],
		'245/45 R19',
		{ maker: [377, 374] }
	),
	drover: vehicle(
		'HUM 583',
		null,
		'Tallow',
		'Drover',
		2011,
		'B. Achterberg',
		2850,
		[1600, 1605],
		['double-wishbone-spring-on-arm', 'live-axle-rear'],
		'235/70 R16',
		{ maker: [447, 452] }
	),
	fell: vehicle(
		'OXB 127',
		null,
		'Ostrel',
		'Fell',
		2008,
		'C. Marchetti',
		2600,
		[1510, 1510],
		['live-axle-front', 'live-axle-rear'],
		'225/75 R16',
		{ maker: [468, 472] }
	),
	gorse: vehicle(
		'RUD 614',
		null,
		'Ostrel',
		'Gorse',
		2014,
		'I. Castellane',
		2560,
		[1510, 1500],
		['macpherson-front', 'trailing-arm-rear'],
		'195/65 R15',
		{ maker: [356, 354] }
	),
	quarry: vehicle(
		'PEM 847',
		null,
		'Meridon',
		'Quarry',
		2012,
		'Stave Joinery',
		2660,
		[1530, 1520],
		['macpherson-front', 'twist-beam-spring'],
		'205/65 R15',
		{ maker: [362, 352] }
	),
	sail: vehicle(
		'WEL 362',
		null,
		'Meridon',
		'Sail',
		2003,
		'E. Thorne',
		2600,
		[1500, 1495],
		['double-wishbone', 'semi-trailing-rear'],
		'205/60 R15',
		{ maker: [352, 348] }
	)
};
Object.assign(cars, more);

interface Story {
	number: string;
	car: keyof typeof cars | keyof typeof more;
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

const stories: Story[] = [
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
const openRounds: [string, keyof typeof more, string, Corner[], PerCorner<number>, string][] = [
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

const conditions = {
	levelFloor: true,
	rolledAndBounced: true,
	steeringAhead: true,
	brakesOff: true,
	tyrePressures: '2.3 bar front, 2.2 bar rear, cold',
	fuel: 'half',
	load: 'empty'
};

/** A told job: its book begun as a job is opened, then everything said at the one door. */
function tell(story: Story): Book {
	const openedAt = new Date(story.opened).toISOString();
	let clock = Date.parse(openedAt) + 12 * 60_000;
	const now = (seconds = 45) => new Date((clock += seconds * 1000)).toISOString();
	const car = (cars as Record<string, Vehicle>)[story.car]!;
	const joints = story.work.flatMap((corner) =>
		layoutJoints({ vehicle: car }, corner, { key: () => key(openedAt) }).map((draft) => ({
			...draft,
			data: { ...draft.data, ...specified(draft.data, story.programmes) }
		}))
	);
	const id = key(openedAt);
	const opened: KindData['opened'] = {
		number: story.number,
		vehicle: car,
		complaint: story.complaint,
		odometerKm: story.km,
		odometerEntered: `${story.km} km`,
		corners: story.work,
		technicianId: idOf(story.by),
		school: story.school ?? 'hub-to-arch',
		resetAboveMm: 10,
		limits
	};
	const book = new Book({ id, number: story.number, people }, wrenches, key);
	book.begin(idOf('mara'), openedAt, [{ kind: 'opened', subject: 'car', data: opened }, ...joints]);
	const say: Say = (kind, subject, data, { at = now(20), by = idOf(story.by), corrects } = {}) =>
		book.say({ kind, subject, data, corrects }, by, at);
	for (const [axle, offset] of Object.entries(story.offsets ?? {})) say('offset', axle, { offset });
	read(say, story, 'before', now);
	if (story.note) say('note', 'car', { text: story.note });
	for (const [corner, height] of Object.entries(story.chosen ?? {}))
		say('target', corner, { source: 'chosen', height: mm(height) });
	if (story.book) tellWork(book, story.book, { say, now, key });
	tighten(book, say, story, now);
	read(say, story, 'after', now);
	const { sign, checked } = story;
	if (checked) {
		for (const corner of story.work)
			say('bounce', `${corner}/after`, { movements: checked.movements });
		say('checked', 'drive', { state: 'good', words: '', at: checked.at }, { at: now(900) });
		say('checked', 'marks', { state: 'good', words: '', at: '' });
	}
	if (sign) {
		const over = book.job.view.standing.owed.map((item) => ({
			item: owedLine(item),
			reason: sign.reason
		}));
		say('signed', 'car', { over }, { at: now(600), by: idOf(sign.by) });
	}
	return book;
}

/** What the maker says of a joint. */
function specified(
	{ key: joint, kind }: KindData['joint'],
	programmed = false
): Partial<KindData['joint']> {
	const torqueNm = kind === 'cushion' ? null : specifiedNm[joint!]!;
	return {
		...(programmed && programmes[joint!] && { programme: programmes[joint!]! }),
		thread: (programmed && threads[joint!]) || null,
		torqueNm,
		torqueEntered: torqueNm === null ? null : `${torqueNm} N·m`,
		torqueSource: torqueNm === null ? null : 'maker'
	};
}

function read(say: Say, story: Story, phase: Phase, now: () => string): void {
	const means = story[phase];
	if (!means) return;
	const resolution = story.imperial ? '1/16 in' : '1 mm';
	say('conditions', phase, { conditions, resolution }, { at: now() });
	for (const corner of allCorners) {
		const mean = means[corner];
		if (mean === undefined) continue;
		// The signed override of the demo is about a reading that was never taken.
		const n = phase === 'after' && story.sign?.reason && corner === 'RR' ? 2 : 3;
		for (let i = 0; i < n; i++) {
			const slip =
				phase === 'before' && story.slip?.corner === corner && i === 1 ? story.slip : undefined;
			const taken = (heightMm: number, corrects?: string) => {
				const height = story.imperial ? sixteenths(heightMm) : mm(heightMm);
				const data = { phase, school: story.school ?? 'hub-to-arch', height };
				return say('reading', corner, data, { at: now(), corrects })[0]!.id;
			};
			const first = taken(slip?.mm ?? mean + scatter(1));
			if (slip?.corrected) taken(mean, first);
		}
	}
}

/** As a tape in inches shows it. */
function sixteenths(heightMm: number): string {
	const all = Math.round((heightMm / 25.4) * 16);
	const rest = all % 16;
	return `${Math.floor(all / 16)}${rest ? ` ${rest}/16` : ''} in`;
}

function tighten(book: Book, say: Say, story: Story, now: (seconds?: number) => string): void {
	if (!story.joints) return;
	const hanging = { carState: 'hanging' };
	const pull = (joint: Joint, seconds: number, how: object, nm = joint.torqueNm) => {
		const data = nm === null ? { seen: 'washer-edge' } : { torque: `${nm} N·m`, ...held(nm) };
		say('torque', joint.id, { ...data, ...how }, { at: now(seconds) });
	};
	const renewed = (joint: Joint) => {
		const pieces = oneTimePieces(joint);
		const data = Object.fromEntries(pieces.map((piece) => [piece, { done: 'renewed' }]));
		if (pieces.length) say('hardware', joint.id, data, { at: now(10) });
	};
	const { joints } = book.job.record;
	const anyTime = joints.filter(({ rule, loosened }) => rule === 'any-time' && loosened);
	for (const joint of anyTime.slice(0, Math.ceil(anyTime.length * story.joints))) {
		pull(joint, 90, hanging);
		renewed(joint);
	}
	if (!story.bushes) return;
	const bushes = joints.filter((joint) => joint.rule === 'ride-height');
	for (const joint of bushes) {
		const nipped = { seen: 'hand-tight', ...hanging };
		if (joint.kind === 'cushion') pull(joint, 40, hanging);
		else say('torque', joint.id, nipped, { at: now(40) });
	}
	const loaded = (hubToArchMm: number) => ({
		carState: 'loaded',
		method: story.method,
		hubToArch: mm(hubToArchMm)
	});
	const { wound } = story;
	for (const joint of bushes.filter(({ corner }) => corner === wound?.corner))
		pull(joint, 80, loaded(wound!.hubToArchMm));
	if (story.bushes !== 'set') return;
	for (const corner of story.work) {
		const target = book.job.view.corners[corner].target!.heightMm;
		const at = loaded(Math.round(target) + scatter(3));
		say('loading', corner, { method: at.method, hubToArch: at.hubToArch }, { at: now(240) });
		for (const joint of bushes.filter((bush) => bush.corner === corner)) {
			pull(joint, 80, corner === wound?.corner ? { ...at, loosenedFirst: true } : at);
			renewed(joint);
		}
	}
	if (!story.wheels) return;
	say('down', 'car', { onWheels: true }, { at: now(200) });
	for (const joint of joints.filter((j) => j.kind === 'wheel')) {
		for (const [action, { torqueNm }] of actionsOf(joint).entries()) {
			pull(joint, 12, { carState: 'loaded', method: 'on-wheels', action }, torqueNm);
		}
	}
}

const held = (nm: number) => {
	const { id, name } = wrenchFor(nm);
	return { wrenchId: id, wrench: name };
};

const here = new URL('.', import.meta.url);
const write = (name: string, data: unknown) =>
	writeFileSync(new URL(name, here), JSON.stringify(data, null, 1) + '\n');
rmSync(new URL('jobs', here), { recursive: true, force: true });
mkdirSync(new URL('jobs', here));
write('shop.json', {
	name: 'Tern Street Suspension',
	units: { system: 'metric', torque: 'N·m' },
	people,
	wrenches,
	devices,
	bayPlan: [
		{ number: '2026-0257', bay: 0, day: 0, hour: 8, minutes: 240 },
		{ number: '2026-0262', bay: 1, day: 0, hour: 9.5, minutes: 270 },
		{ number: '2026-0264', bay: 0, day: 1, hour: 8, minutes: 390 },
		{ number: '2026-0263', bay: 1, day: 1, hour: 8, minutes: 300 },
		{ number: '2026-0269', bay: 1, day: 2, hour: 8, minutes: 150 },
		{ number: '2026-0268', bay: 0, day: 2, hour: 10.5, minutes: 270 },
		{ number: '2026-0267', bay: 1, day: 3, hour: 13, minutes: 210 }
	],
	promises: [
		{ number: '2026-0251', day: 0, hour: 17 },
		{ number: '2026-0257', day: 1, hour: 16 },
		{ number: '2026-0262', day: -1, hour: 12 },
		{ number: '2026-0264', day: 5, hour: 17 },
		{ number: '2026-0269', day: 0, hour: 17.5 },
		{ number: '2026-0268', day: 3, hour: 17 },
		{ number: '2026-0260', day: 4, hour: 12 }
	]
});
for (const story of stories) {
	const { job } = tell(story);
	write(`jobs/${story.number}.json`, toJobFile(job));
	const { stage, owed } = job.view.standing;
	const { plate, model } = job.record.vehicle;
	console.log(story.number, stage.padEnd(15), String(owed.length).padStart(3), plate, model);
}
