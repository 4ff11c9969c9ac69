/** A finding typed or spoken in a sentence, and the point it belongs to. English trade words; common practice. */
import type { Corner } from '../height/corners.ts';
import type { Layout } from '../layout/types.ts';
import { findPoint, inspectionPoints, type InspectionPoint, type PointState } from './points.ts';

export interface HeardFinding {
	corner: Corner;
	point: InspectionPoint;
	state: PointState;
}

const cornerWords: readonly [RegExp, Corner][] = [
	[/\bfl\b|front[- ]?left|left[- ]?front/i, 'FL'],
	[/\bfr\b|front[- ]?right|right[- ]?front/i, 'FR'],
	[/\brl\b|(rear|back)[- ]?left|left[- ]?(rear|back)/i, 'RL'],
	[/\brr\b|(rear|back)[- ]?right|right[- ]?(rear|back)/i, 'RR']
];

/** What a point is called; the first that fits counts, so the longer names come first. */
const pointWords: readonly [RegExp, string][] = [
	[/tie[- ]?rod|track[- ]?rod|steering (end|joint)|\binner tie/i, 'tie-rod-end'],
	[/(drive|half)[- ]?shaft|cv (boot|gaiter|joint)|shaft boot/i, 'shaft-boot'],
	[/wheel bearing|hub bearing/i, 'wheel-bearing'],
	[/brake (hose|pipe|line)|flexi/i, 'brake-hose'],
	[/(anti[- ]?roll[- ]?bar|sway[- ]?bar|stabili[sz]er|\bbar\b).{0,12}bush/i, 'bar-bush'],
	[/drop[- ]?link|(sway[- ]?bar|stabili[sz]er|anti[- ]?roll[- ]?bar) link|\blink\b/i, 'drop-link'],
	[/ball[- ]?joint/i, 'ball-joint'],
	[/upper (arm |control arm )?bush/i, 'upper-bush'],
	[/(arm|lower|wishbone|trailing|control).{0,12}bush|\bbush(es)?\b/i, 'lower-bush'],
	[/top bearing|strut bearing|mount bearing/i, 'top-bearing'],
	[/top mount|strut mount|\bmount\b|mount washer/i, 'mount-washer'],
	[/bump[- ]?stop|\bstop\b/i, 'bump-stop'],
	[/dust (boot|cover)|gaiter|\bboot\b/i, 'boot'],
	[/tyre|tire|tread/i, 'tyre'],
	[/(shaft|rod|tube).{0,20}(bent|dent)|(bent|dent).{0,20}(shaft|rod|tube)/i, 'damper-straight'],
	[/(damper|shock|strut).{0,30}(gas|soft|weak|fades?|floats?)|no gas/i, 'damper-gas'],
	[/damper|shock|strut|\boil\b|leak|weep/i, 'damper-oil'],
	[/spring|coil/i, 'spring'],
	[/thread|bolt|nut|stud|rust/i, 'threads']
];

/** What is said of it. A state counts for every point that knows it. */
const stateWords: readonly [RegExp, readonly string[]][] = [
	[/not its own|from (above|the engine|elsewhere)|engine oil/i, ['elsewhere']],
	[/rusted through/i, ['rusted-through']],
	[/round(ed)?\b|seized (bolt|nut)|stripped/i, ['rounded', 'seized']],
	[/seized|stuck|frozen/i, ['seized', 'stiff', 'rounded']],
	[/stiff|binds|jumps|jerks/i, ['stiff']],
	[/leak|running|wet\b|soaked/i, ['leak']],
	[/weep|sweat|misted|damp\b/i, ['weep']],
	[/broken|snapped|broke\b/i, ['broken', 'split']],
	[/boot.{0,10}(split|torn)|(split|torn).{0,10}boot/i, ['split', 'boot-split']],
	[/split|burst/i, ['split', 'boot-split', 'torn', 'shredded']],
	[/torn|ripped/i, ['torn', 'split', 'shredded', 'boot-split']],
	[/crack|perish/i, ['cracked']],
	[/shred|missing|gone\b|crumbl/i, ['shredded', 'lost', 'split']],
	[/sag|low\b|sunk|settled/i, ['sagged', 'sunk']],
	[/bent|dent/i, ['bent']],
	[/play|loose|knock|wobbl|worn/i, ['play', 'loose', 'worn', 'finished', 'split']],
	[/rough|rumbl|growl|noisy/i, ['rough']],
	[/no gas|gas (lost|gone)|stays down/i, ['lost']],
	[/soft|weak|fade|float/i, ['soft']],
	[/cup|saw/i, ['cupped']],
	[/edge|feather/i, ['edge']],
	[/bald|worn out|cut\b|cords?/i, ['finished']],
	[/rub|chaf|swollen|swell/i, ['chafed']],
	[/dry\b|squeak/i, ['dry']],
	[/moved|walked/i, ['moved']],
	[/heavy|bad(ly)? rust/i, ['heavy']],
	[/light|surface|rust/i, ['light', 'rusted']]
];

/** All of a sentence's words deny it: `no leak`, `not loose`. */
const denied = /\b(no|not|never|without|isn'?t|doesn'?t)\b/i;

/**
 * What a sentence may mean, the likeliest first; at most four. Nothing where no corner is known. A sentence
 * that names no point, or denies what it names, is something seen behind the wheel: a person picks.
 *
 * @param here the corner in hand, where the sentence names none
 */
export function hearFinding(
	words: string,
	layoutOf: (corner: Corner) => Layout,
	here?: Corner
): HeardFinding[] {
	if (!words.trim()) return [];
	const named = cornerWords.filter(([said]) => said.test(words)).map(([, corner]) => corner);
	const places: Corner[] = named.length ? named : here ? [here] : [];
	return places
		.flatMap((corner) => {
			const known = new Map(inspectionPoints(layoutOf(corner)).map((point) => [point.key, point]));
			const point = pointWords
				.filter(([said]) => said.test(words))
				.map(([, key]) => known.get(key))
				.find((one) => one !== undefined);
			const general = {
				corner,
				point: findPoint('general')!,
				state: findPoint('general')!.states[1]!
			};
			if (!point || denied.test(words)) return [general];
			const said = stateWords.filter(([name]) => name.test(words)).flatMap(([, keys]) => keys);
			const states = said
				.map((key) => point.states.find((state) => state.key === key))
				.filter((state) => state !== undefined);
			const others = point.states.filter(({ gravity }) => gravity !== 'sound');
			return [...new Set(states.length ? states.slice(0, 1) : others)].map(
				(state): HeardFinding => ({ corner, point, state })
			);
		})
		.slice(0, 4);
}
