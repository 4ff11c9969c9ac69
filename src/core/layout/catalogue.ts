import type { Axle } from '../height/corners.ts';
import airStrut from './data/air-strut-front.json' with { type: 'json' };
import doubleWishbone from './data/double-wishbone.json' with { type: 'json' };
import doubleWishboneSpringOnArm from './data/double-wishbone-spring-on-arm.json' with { type: 'json' };
import liveAxleFront from './data/live-axle-front.json' with { type: 'json' };
import liveAxleRear from './data/live-axle-rear.json' with { type: 'json' };
import macphersonClamp from './data/macpherson-clamp.json' with { type: 'json' };
import macphersonFront from './data/macpherson-front.json' with { type: 'json' };
import multiLinkFront from './data/multi-link-front.json' with { type: 'json' };
import multiLinkRear from './data/multi-link-rear.json' with { type: 'json' };
import semiTrailingRear from './data/semi-trailing-rear.json' with { type: 'json' };
import trailingArmRear from './data/trailing-arm-rear.json' with { type: 'json' };
import twistBeamSpring from './data/twist-beam-spring.json' with { type: 'json' };
import twistBeamStrut from './data/twist-beam-strut.json' with { type: 'json' };
import { registerLayouts } from './registry.ts';
import airStrutUpperArm from './data/air-strut-upper-arm.json' with { type: 'json' };
import doubleWishboneLow from './data/double-wishbone-low.json' with { type: 'json' };
import multiLinkDamperKnuckle from './data/multi-link-damper-knuckle.json' with { type: 'json' };
import multiLinkAirStrut from './data/multi-link-air-strut.json' with { type: 'json' };
import liveAxleAir from './data/live-axle-air.json' with { type: 'json' };
import liveAxleCoilDamper from './data/live-axle-coil-damper.json' with { type: 'json' };
import multiLinkSubframe from './data/multi-link-subframe.json' with { type: 'json' };
import strutRearLinks from './data/strut-rear-links.json' with { type: 'json' };
import macphersonArmLink from './data/macpherson-arm-link.json' with { type: 'json' };
import { composeLayout, type LayoutFile } from './compose.ts';
import { fragments } from './fragments.ts';
import type { Layout } from './types.ts';

const files = [
	macphersonFront,
	macphersonArmLink,
	macphersonClamp,
	airStrut,
	airStrutUpperArm,
	doubleWishbone,
	doubleWishboneLow,
	doubleWishboneSpringOnArm,
	liveAxleFront,
	liveAxleCoilDamper,
	multiLinkFront,
	multiLinkRear,
	multiLinkSubframe,
	multiLinkDamperKnuckle,
	multiLinkAirStrut,
	strutRearLinks,
	trailingArmRear,
	semiTrailingRear,
	twistBeamStrut,
	twistBeamSpring,
	liveAxleRear,
	liveAxleAir
] as unknown as LayoutFile[];

/**
 * Every layout the program knows. Joint lists and assumed geometry are common practice, no source; a
 * new layout is a new data file: `npm run lists` writes it in here.
 */
export const layouts: readonly Layout[] = files.map((file) => composeLayout(file, fragments));

export const layoutKeys = layouts.map((layout) => layout.key);

registerLayouts(layouts);
export { findLayout } from './registry.ts';

export function layoutsFor(axle: Axle): Layout[] {
	return layouts.filter((layout) => layout.axles.includes(axle));
}
