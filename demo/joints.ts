/** What the makers of the demo's cars say of their joints. All of it is invented. */
import type { JointProgramme } from '../src/core/fastener/joint-programme.ts';
import type { KindData } from '../src/core/job/kinds/data.ts';
import type { JointThread } from '../src/core/job/model.ts';

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

/** What the maker says of a joint. */
export function specified(
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
