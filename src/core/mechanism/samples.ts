/** Made-up corners, one of each layout: for examples, drawings to start from, tests and benchmarks. */
import type { CornerGeometry, MechanismLayout } from './geometry.ts';
import type { TapedCorner } from './tape.ts';

const wishbone: CornerGeometry = {
	layout: 'double-wishbone',
	side: 'left',
	points: {
		lowerFrontPivot: [150, 350, 200],
		lowerRearPivot: [-150, 350, 205],
		lowerBallJoint: [10, 720, 190],
		upperFrontPivot: [100, 420, 480],
		upperRearPivot: [-120, 420, 470],
		upperBallJoint: [-15, 690, 500],
		tieRodInner: [-130, 360, 230],
		tieRodOuter: [-140, 700, 225],
		springTop: [0, 470, 640],
		springBottom: [0, 600, 215],
		damperTop: [0, 470, 640],
		damperBottom: [0, 600, 215]
	},
	wheelCentre: [0, 760, 310],
	staticCamberDeg: -1,
	staticToeDeg: 0.1,
	springOn: 'lower',
	damperOn: 'lower'
};
const strut: CornerGeometry = {
	layout: 'macpherson',
	side: 'left',
	points: {
		lowerFrontPivot: [120, 340, 205],
		lowerRearPivot: [-190, 350, 200],
		lowerBallJoint: [5, 705, 190],
		tieRodInner: [-150, 350, 240],
		tieRodOuter: [-150, 690, 235],
		strutTop: [-25, 560, 840],
		strutBottom: [-5, 640, 380]
	},
	wheelCentre: [0, 760, 305],
	staticCamberDeg: -0.8,
	staticToeDeg: 0.1
};
const links: CornerGeometry = {
	layout: 'multi-link',
	side: 'left',
	points: { springTop: [0, 480, 640], springBottom: [20, 560, 208] },
	links: [
		{ inner: [120, 380, 210], outer: [30, 700, 200] },
		{ inner: [-160, 370, 205], outer: [-30, 705, 195] },
		{ inner: [90, 430, 430], outer: [20, 680, 470] },
		{ inner: [-110, 425, 425], outer: [-20, 685, 465] },
		{ inner: [-190, 400, 290], outer: [-150, 690, 300] }
	],
	wheelCentre: [0, 760, 310],
	staticCamberDeg: -1.3,
	staticToeDeg: 0.15,
	springOn: 'link:0'
};
const arm: CornerGeometry = {
	layout: 'trailing-arm',
	side: 'left',
	points: {
		pivotInner: [40, 400, 305],
		pivotOuter: [-10, 650, 300],
		springTop: [-250, 560, 560],
		springBottom: [-250, 560, 262],
		damperTop: [-420, 620, 640],
		damperBottom: [-390, 640, 220]
	},
	wheelCentre: [-400, 740, 290],
	staticCamberDeg: -1,
	staticToeDeg: 0.1
};
const beam: CornerGeometry = {
	...arm,
	layout: 'twist-beam',
	points: {
		pivotLeft: [0, 560, 300],
		pivotRight: [0, -560, 300],
		springTop: [-230, 480, 540],
		springBottom: [-230, 480, 265]
	}
};
const axle: CornerGeometry = {
	layout: 'solid-axle',
	side: 'left',
	points: {
		lowerInner: [480, 420, 300],
		lowerOuter: [0, 480, 240],
		upperInner: [300, 300, 430],
		upperOuter: [20, 220, 420],
		lateralRodBody: [-120, -500, 380],
		lateralRodAxle: [-120, 480, 350],
		springTop: [40, 500, 640],
		springBottom: [40, 500, 330]
	},
	wheelCentre: [0, 740, 320],
	staticCamberDeg: 0,
	staticToeDeg: 0,
	springOn: 'lower'
};

/** By hardpoints, left side. */
export const sampleCorners: Readonly<Record<MechanismLayout, CornerGeometry>> = {
	'double-wishbone': wishbone,
	macpherson: strut,
	'multi-link': links,
	'trailing-arm': arm,
	'solid-axle': axle,
	'twist-beam': beam
};

const wishbones = {
	lowerArmMm: 360,
	lowerJointBelowPivotMm: 15,
	upperArmMm: 260,
	upperJointBelowPivotMm: -18,
	upperPivotAboveLowerMm: 280,
	upperPivotOutboardMm: 80,
	hubAboveLowerJointMm: 120,
	hubOutboardOfLowerJointMm: 45,
	springAlongMm: 240,
	springLengthMm: 400,
	springLeanDeg: 12
};
/** The same, as a tape sees them. */
export const sampleTape: Readonly<Record<MechanismLayout, TapedCorner>> = {
	'double-wishbone': { layout: 'double-wishbone', measures: wishbones },
	'multi-link': { layout: 'multi-link', measures: wishbones },
	macpherson: {
		layout: 'macpherson',
		measures: {
			lowerArmMm: 350,
			lowerJointBelowPivotMm: 20,
			strutTopAboveLowerJointMm: 600,
			strutTopInboardMm: 130,
			strutLengthMm: 480,
			strutLeanDeg: 11,
			hubAboveLowerJointMm: 110,
			hubOutboardOfLowerJointMm: 60
		}
	},
	'trailing-arm': {
		layout: 'trailing-arm',
		measures: {
			armMm: 420,
			hubBelowPivotMm: 25,
			springAlongMm: 260,
			springLengthMm: 280,
			springLeanDeg: 0,
			damperAlongMm: 430,
			damperLengthMm: 460,
			damperLeanDeg: 8
		}
	},
	'twist-beam': { layout: 'twist-beam', measures: { armMm: 410, hubBelowPivotMm: 30 } },
	'solid-axle': {
		layout: 'solid-axle',
		measures: {
			lowerArmMm: 500,
			lowerJointBelowPivotMm: 40,
			upperArmMm: 300,
			upperJointBelowPivotMm: 5,
			upperPivotAboveLowerMm: 120,
			upperPivotOutboardMm: 180,
			hubAboveLowerJointMm: 70,
			hubOutboardOfLowerJointMm: 10
		}
	}
};
