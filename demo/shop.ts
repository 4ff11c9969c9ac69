/** The demo shop: who works there, with what, and what is planned. All of it is invented. */
import type { WrenchKind } from '../src/core/fastener/rack.ts';
import type { UnitPreference } from '../src/core/units/format.ts';
import type { DeviceKind } from '../src/lib/devices/model.ts';
import type { StandInTokens } from '../devices/stand-ins.ts';
import { key } from './seeded.ts';

export const shopName = 'Tern Street Suspension';
export const shopUnits: UnitPreference = { system: 'metric', torque: 'N·m' };

const hired = '2026-01-05T08:00:00.000Z';
export const people = [
	{ id: key(hired), handle: 'mara', name: 'Mara Lindholm', role: 'lead', pin: '471926' },
	{ id: key(hired), handle: 'tomas', name: 'Tomas Okoro', role: 'technician', pin: '258014' },
	{ id: key(hired), handle: 'jo', name: 'Jo Brandvik', role: 'technician', pin: '137950' },
	{ id: key(hired), handle: 'ilse', name: 'Ilse Renner', role: 'lead', pin: '864207' }
] as const;
export type Handle = (typeof people)[number]['handle'];
export const idOf = (handle: Handle) => people.find((person) => person.handle === handle)!.id;

/** The shop's wrenches; calibrations are told in days before the demo is loaded. */
export const wrenches = [
	{ name: 'Short click', kind: 'click', lowestNm: 5, highestNm: 50, lengthMm: 270, daysAgo: 120 },
	{ name: 'Main click', kind: 'click', lowestNm: 40, highestNm: 200, lengthMm: 465, daysAgo: 86 },
	{ name: 'Long click', kind: 'click', lowestNm: 80, highestNm: 400, lengthMm: 640, daysAgo: 349 },
	{ name: 'Old beam', kind: 'beam', lowestNm: 20, highestNm: 150, lengthMm: 420, daysAgo: 431 },
	{ name: 'Wireless', kind: 'electronic', lowestNm: 8, highestNm: 200, lengthMm: 430, daysAgo: 40 }
].map((wrench) => ({ ...wrench, kind: wrench.kind as WrenchKind, id: key(hired) }));
export const devices = [
	{ name: 'Wireless wrench', kind: 'wrench', token: 'demo-wrench', wrench: 'Wireless' },
	{ name: 'Height gauge', kind: 'height-gauge', token: 'demo-gauge', wrench: null },
	{ name: 'Wheel scales', kind: 'wheel-scales', token: 'demo-scales', wrench: null }
].map((device) => ({ ...device, kind: device.kind as DeviceKind, id: key(hired) }));
export const wrenchFor = (nm: number) =>
	wrenches.find(({ name }) => name === (nm <= 50 ? 'Short click' : 'Main click'))!;

const tokenOf = (kind: DeviceKind) => devices.find((device) => device.kind === kind)!.token;
/** What the simulated devices say hello with. */
export const demoTokens: StandInTokens = {
	wrench: tokenOf('wrench'),
	gauge: tokenOf('height-gauge'),
	scales: tokenOf('wheel-scales')
};

/** Bays and hours of the first working days. */
export const bayPlan = [
	{ number: '2026-0257', bay: 0, day: 0, hour: 8, minutes: 240 },
	{ number: '2026-0262', bay: 1, day: 0, hour: 9.5, minutes: 270 },
	{ number: '2026-0264', bay: 0, day: 1, hour: 8, minutes: 390 },
	{ number: '2026-0263', bay: 1, day: 1, hour: 8, minutes: 300 },
	{ number: '2026-0269', bay: 1, day: 2, hour: 8, minutes: 150 },
	{ number: '2026-0268', bay: 0, day: 2, hour: 10.5, minutes: 270 },
	{ number: '2026-0267', bay: 1, day: 3, hour: 13, minutes: 210 }
];

/** When each is promised, in days from the one on which the demo is loaded. */
export const promises = [
	{ number: '2026-0251', day: 0, hour: 17 },
	{ number: '2026-0257', day: 1, hour: 16 },
	{ number: '2026-0262', day: -1, hour: 12 },
	{ number: '2026-0264', day: 5, hour: 17 },
	{ number: '2026-0269', day: 0, hour: 17.5 },
	{ number: '2026-0268', day: 3, hour: 17 },
	{ number: '2026-0260', day: 4, hour: 12 }
];
