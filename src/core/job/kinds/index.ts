/** Every kind of fact a job's book can hold. A new one is a folder here and its line in both lists. */
import type { Kind } from '../book/kind.ts';
import { accepted } from './accepted/index.ts';
import { addendum } from './addendum/index.ts';
import { armAngle } from './arm-angle/index.ts';
import { armSpring } from './arm-spring/index.ts';
import { bounce } from './bounce/index.ts';
import { car } from './car/index.ts';
import { checked } from './checked/index.ts';
import { comparison } from './comparison/index.ts';
import { compressor } from './compressor/index.ts';
import { conditions } from './conditions/index.ts';
import type { KindName } from './data.ts';
import { decision } from './decision/index.ts';
import { down } from './down/index.ts';
import { extra } from './extra/index.ts';
import { fight } from './fight/index.ts';
import { finding } from './finding/index.ts';
import { handout } from './handout/index.ts';
import { hangs } from './hangs/index.ts';
import { hardware } from './hardware/index.ts';
import { head } from './head/index.ts';
import { imported } from './imported/index.ts';
import { joint } from './joint/index.ts';
import { lean } from './lean/index.ts';
import { loading } from './loading/index.ts';
import { note } from './note/index.ts';
import { offset } from './offset/index.ts';
import { opened } from './opened/index.ts';
import { order } from './order/index.ts';
import { own } from './own/index.ts';
import { part } from './part/index.ts';
import { photo } from './photo/index.ts';
import { armPrices } from './arm-prices/index.ts';
import { prices } from './prices/index.ts';
import { reading } from './reading/index.ts';
import { retorque } from './retorque/index.ts';
import { rust } from './rust/index.ts';
import { scope } from './scope/index.ts';
import { sealed } from './sealed/index.ts';
import { setting } from './setting/index.ts';
import { signed } from './signed/index.ts';
import { skip } from './skip/index.ts';
import { stack } from './stack/index.ts';
import { step } from './step/index.ts';
import { strategy } from './strategy/index.ts';
import { symptoms } from './symptoms/index.ts';
import { target } from './target/index.ts';
import { torque } from './torque/index.ts';
import { tray } from './tray/index.ts';

const registry = {
	opened,
	car,
	head,
	symptoms,
	rust,
	finding,
	bounce,
	photo,
	conditions,
	offset,
	reading,
	lean,
	scope,
	strategy,
	prices,
	'arm-prices': armPrices,
	decision,
	part,
	order,
	own,
	fight,
	extra,
	step,
	tray,
	comparison,
	compressor,
	'arm-spring': armSpring,
	stack,
	target,
	joint,
	loading,
	hangs,
	setting,
	'arm-angle': armAngle,
	torque,
	hardware,
	accepted,
	down,
	checked,
	skip,
	note,
	handout,
	signed,
	sealed,
	addendum,
	retorque,
	imported
} satisfies { [K in KindName]: { kind: K } };

/** In the order of the work. */
export const kinds = Object.values(registry) as unknown as readonly Kind[];

export const kindOf = <K extends KindName>(name: K): Kind<K> =>
	registry[name] as unknown as Kind<K>;
