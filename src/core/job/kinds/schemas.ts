/** The schemas of every kind of fact; of the same names as in `index.ts`. */
import type { KindSchemas } from '../book/kind-schemas.ts';
import type { KindName } from './data.ts';
import { schemas as accepted } from './accepted/schema.ts';
import { schemas as addendum } from './addendum/schema.ts';
import { schemas as armAngle } from './arm-angle/schema.ts';
import { schemas as armSpring } from './arm-spring/schema.ts';
import { schemas as bounce } from './bounce/schema.ts';
import { schemas as car } from './car/schema.ts';
import { schemas as checked } from './checked/schema.ts';
import { schemas as comparison } from './comparison/schema.ts';
import { schemas as compressor } from './compressor/schema.ts';
import { schemas as conditions } from './conditions/schema.ts';
import { schemas as decision } from './decision/schema.ts';
import { schemas as down } from './down/schema.ts';
import { schemas as extra } from './extra/schema.ts';
import { schemas as fight } from './fight/schema.ts';
import { schemas as finding } from './finding/schema.ts';
import { schemas as handout } from './handout/schema.ts';
import { schemas as hangs } from './hangs/schema.ts';
import { schemas as hardware } from './hardware/schema.ts';
import { schemas as head } from './head/schema.ts';
import { schemas as imported } from './imported/schema.ts';
import { schemas as joint } from './joint/schema.ts';
import { schemas as lean } from './lean/schema.ts';
import { schemas as loading } from './loading/schema.ts';
import { schemas as note } from './note/schema.ts';
import { schemas as offset } from './offset/schema.ts';
import { schemas as opened } from './opened/schema.ts';
import { schemas as order } from './order/schema.ts';
import { schemas as own } from './own/schema.ts';
import { schemas as part } from './part/schema.ts';
import { schemas as photo } from './photo/schema.ts';
import { schemas as armPrices } from './arm-prices/schema.ts';
import { schemas as prices } from './prices/schema.ts';
import { schemas as reading } from './reading/schema.ts';
import { schemas as retorque } from './retorque/schema.ts';
import { schemas as rust } from './rust/schema.ts';
import { schemas as scope } from './scope/schema.ts';
import { schemas as sealed } from './sealed/schema.ts';
import { schemas as setting } from './setting/schema.ts';
import { schemas as signed } from './signed/schema.ts';
import { schemas as skip } from './skip/schema.ts';
import { schemas as stack } from './stack/schema.ts';
import { schemas as step } from './step/schema.ts';
import { schemas as strategy } from './strategy/schema.ts';
import { schemas as symptoms } from './symptoms/schema.ts';
import { schemas as target } from './target/schema.ts';
import { schemas as torque } from './torque/schema.ts';
import { schemas as tray } from './tray/schema.ts';

export const kindSchemas: Readonly<Record<KindName, KindSchemas>> = {
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
};
