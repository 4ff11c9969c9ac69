/** Made-up cars of made-up makes. */
import type { Vehicle } from '../src/core/job/model.ts';
import { key } from './seeded.ts';
// Keys count up: the shop's people and wrenches have theirs first.
import './shop.ts';

const mm = (value: number) => `${value} mm`;

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
const some = {
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

export type CarName = keyof typeof some | keyof typeof more;
export const cars: Readonly<Record<CarName, Vehicle>> = { ...some, ...more };
