/** What ought to be done, line by line, each with its reasons. Common practice, no source. */
import { isStrut, partOf, springSeat } from '../layout/shape.ts';
import { damperOf, unlike, type BounceFinding } from './dampers.ts';
import { axleOf, corners as allCorners, type Axle, type Corner } from '../height/corners.ts';
import type { Layout, PartKind } from '../layout/types.ts';
import { formatNumber } from '../units/format.ts';
import type { RustGrade, WorkScope } from '../work/scope.ts';
import { axlePlans } from '../work/scope.ts';
import { loosenedJoints } from '../work/assembly-steps.ts';
import { lineKinds, type LineKind } from './advice.ts';
import { chanceOfRuin, type Undone } from '../fastener/survival.ts';
import { contingency, type ContingencyAnswer } from './contingency.ts';
import { findPoint, findState, partNames, type PartKey } from './points.ts';

export interface Finding {
	corner: Corner;
	point: string;
	state: string;
	/** Which coil, which bush. */
	where?: string;
}

export interface SagFinding {
	corners: readonly Corner[];
	/** Of each, with the half-width of its band. */
	lossMm: number;
	lossExpandedMm: number;
	/** Nothing else explains the heights about as well. */
	sure: boolean;
	/** Springs and other causes that do, in words. */
	cannotSeparate: readonly string[];
}

export interface Recommendation {
	/** The same advice has the same id however often it is worked out. */
	id: string;
	kind: LineKind;
	title: string;
	axle?: Axle;
	corners: readonly Corner[];
	part?: PartKey;
	quantity: number;
	reasons: string[];
	risk?: ContingencyAnswer;
}

export interface RecommendInput {
	layouts: Record<Axle, Layout>;
	findings: readonly Finding[];
	bounces: readonly BounceFinding[];
	sag?: SagFinding;
	scope: WorkScope;
	/** Odometer, km. */
	distanceKm?: number;
	/** Height now minus specified at each corner, mm. */
	deviationMm?: Partial<Record<Corner, number>>;
	shelf: {
		waitHours: number;
		waitPerHour: number;
		linkPrice: number;
		returnLoss: number;
		/** Drop links undone in this shop, and what came of them. */
		links?: readonly Undone[];
		modelYear?: number | null;
	};
}

/** That a drop link stud does not come undone: common practice, no source. */
const linkBreaks: Readonly<Record<RustGrade, number>> = {
	none: 0.01,
	light: 0.25,
	heavy: 0.7
};

/** Mounts and bearings are renewed with a strut from here on, km. Common practice, no source. */
const mountLifeKm = 100_000;
const axleWords: Readonly<Record<Axle, string>> = { front: 'front', rear: 'rear' };
const cornersOf = (axle: Axle) => allCorners.filter((corner) => axleOf(corner) === axle);
const inPairs: readonly PartKey[] = ['damper', 'spring'];

export function recommend(input: RecommendInput): Recommendation[] {
	const lines = new Map<string, Recommendation>();
	const add = (
		kind: LineKind,
		key: string,
		title: string,
		reason: string,
		more: Partial<Recommendation> = {}
	) => {
		const id = `${kind}:${key}`;
		const line = lines.get(id) ?? {
			id,
			kind,
			title,
			corners: [],
			quantity: 1,
			reasons: [],
			...more
		};
		if (!line.reasons.includes(reason)) line.reasons.push(reason);
		lines.set(id, line);
	};
	const renew = (part: PartKey, corner: Corner, reason: string) => {
		const axle = axleOf(corner);
		const pair = inPairs.includes(part);
		const name = partNames[part];
		const where = pair ? axleWords[axle] : corner;
		const title = pair ? `${name}s, ${where} pair` : `${name}, ${where}`;
		add('renew', `${part}:${where}`, title, reason, {
			axle,
			part,
			corners: pair ? cornersOf(axle) : [corner],
			quantity: pair ? 2 : 1
		});
		if (pair) {
			add(
				'renew',
				`${part}:${where}`,
				title,
				'Dampers and springs go in pairs per axle: one new beside one old pulls and leans.'
			);
		}
	};

	for (const { corner, point: key, state: stateKey, where } of input.findings) {
		const point = findPoint(key);
		const state = point && findState(point, stateKey);
		if (!point || !state || state.gravity === 'sound') continue;
		const found = foundWords({ corner, point: key, state: stateKey, where });
		if (state.gravity === 'worn' && point.part) renew(point.part, corner, found);
		else if (point.key !== 'threads') {
			add('watch', `${corner}:${key}`, `${point.name}, ${corner}`, found, {
				corners: [corner],
				axle: axleOf(corner)
			});
		}
	}
	judgeBounces(input, renew, add);
	const { sag } = input;
	if (sag) {
		const loss = `${formatNumber(sag.lossMm, 0)} ± ${formatNumber(sag.lossExpandedMm, 0)} mm`;
		for (const corner of sag.sure ? sag.corners : []) {
			renew(
				'spring',
				corner,
				`${corner} spring has lost about ${loss}: nothing else explains how the four heights differ from specification.`
			);
		}
		if (!sag.sure) {
			add(
				'watch',
				'sag',
				'Springs',
				`The heights differ from specification more than sound cars do; what it is cannot be told from them: ${sag.cannotSeparate.join(', or ')}. Measure the springs free, or load, floor and arches.`,
				{ corners: [...sag.corners] }
			);
		}
	}
	followingLines(input, add);
	takeTogether(lines);
	const rank = (line: Recommendation) => lineKinds.indexOf(line.kind);
	return [...lines.values()].sort((a, b) => rank(a) - rank(b));
}

/**
 * A part that goes with the work on a whole axle takes in the same part found worn on one corner of it, and
 * what is renewed anyway needs none on the shelf.
 */
function takeTogether(lines: Map<string, Recommendation>): void {
	for (const line of [...lines.values()]) {
		if (!line.part || !['with-it', 'shelf'].includes(line.kind)) continue;
		const renewed = line.corners.flatMap(
			(corner) => lines.get(`renew:${line.part}:${corner}`) ?? []
		);
		if (line.kind === 'with-it') {
			for (const one of renewed) {
				line.reasons.unshift(...one.reasons);
				lines.delete(one.id);
			}
			continue;
		}
		line.corners = line.corners.filter((corner) => !lines.has(`renew:${line.part}:${corner}`));
		line.quantity = line.corners.length;
		if (line.quantity === 0) lines.delete(line.id);
	}
}

/** Both schools. */
const alignWords = {
	'before-driving': 'Before any other driving.',
	'after-settling': 'Once new parts have settled; until then only the drive that settles them.'
} as const;

/** A finding as a reason. */
function foundWords({ corner, point, state, where }: Finding): string {
	const of = findPoint(point)!;
	const name = findState(of, state)!.name.toLowerCase();
	return `${corner} ${of.name.toLowerCase()}: ${name}${where ? ` (${where})` : ''}.`;
}

type Add = (
	kind: LineKind,
	key: string,
	title: string,
	reason: string,
	more?: Partial<Recommendation>
) => void;

function judgeBounces(
	{ bounces, findings }: RecommendInput,
	renew: (part: PartKey, corner: Corner, reason: string) => void,
	add: Add
): void {
	const oily = (corner: Corner) =>
		findings.some(
			(found) => found.corner === corner && found.point === 'damper-oil' && found.state !== 'sound'
		);
	for (const finding of bounces) {
		const { corner } = finding;
		const { verdict, words, ask } = damperOf(finding, oily(corner));
		if (verdict === 'weak') renew('damper', corner, words);
		if (verdict !== 'doubt') continue;
		add('watch', `${corner}:bounce`, `Damper, ${corner}`, `${words} ${ask!}`, {
			corners: [corner],
			axle: axleOf(corner)
		});
	}
	for (const [left, right] of [
		['FL', 'FR'],
		['RL', 'RR']
	] as const) {
		const [one, other] = [left, right].map((corner) => bounces.find((b) => b.corner === corner));
		const found = unlike(one, other);
		if (!found) continue;
		const { corner } = found.weak;
		if (damperOf(found.weak, oily(corner)).verdict !== 'good') renew('damper', corner, found.words);
		else
			add('watch', `${corner}:bounce`, `Damper, ${corner}`, found.words, {
				corners: [corner],
				axle: axleOf(corner)
			});
	}
}

/** What follows from the work that is meant to be done. */
function followingLines(input: RecommendInput, add: Add): void {
	const { scope, distanceKm, shelf } = input;
	const plans = axlePlans(scope);
	const loosened = loosenedJoints(scope);
	/** What was found of a part on an axle, in words; undefined where all of it is sound or unseen. */
	const worn = (part: PartKey, axle: Axle): string | undefined => {
		const found = input.findings.find(
			({ corner, point, state }) =>
				axleOf(corner) === axle &&
				findPoint(point)?.part === part &&
				findState(findPoint(point)!, state)?.gravity !== 'sound'
		);
		return found && foundWords(found);
	};
	for (const plan of plans) {
		const { axle, corners, layout } = plan;
		const air = springSeat(layout) === 'air';
		const quantity = corners.length;
		const withIt = (part: PartKey, reason: string) =>
			add('with-it', `${part}:${axle}`, `${partNames[part]}s, ${axleWords[axle]}`, reason, {
				axle,
				corners,
				part,
				quantity
			});
		if (plan.damperOut && scope.strategy.assembly === 'rebuild' && !air) {
			// A kit brings what stands on its shaft.
			if (!plan.kit) {
				withIt('bump-stop', 'The unit is apart: a tired stop costs the work once more.');
				withIt('boot', 'A new shaft behind a split boot runs in grit.');
			}
			const old = distanceKm !== undefined && distanceKm >= mountLifeKm;
			if (springSeat(layout) === 'on-damper' && (old || worn('top-mount', axle))) {
				// What was seen counts more than what is likely by then.
				withIt(
					'top-mount',
					worn('top-mount', axle) ??
						`${formatNumber(distanceKm!, 0)} km: mount rubber has sunk by then.`
				);
				if (isStrut(layout) && layout.joints.some(({ place }) => place === 'tie-rod-outer'))
					withIt('top-bearing', 'It sits under the mount, and a stiff one winds the new spring.');
			}
		}
		if (plan.spring && !air && !plan.kit) {
			withIt('spring-pads', 'Under a new spring an old pad squeaks, and its step is worn.');
		}
		const changesHeight =
			plan.spring ||
			Object.values(input.deviationMm ?? {}).some((mm) => Math.abs(mm) > scopeResetMm);
		const downMm = Math.max(...cornersOf(axle).map((corner) => input.deviationMm?.[corner] ?? 0));
		if (downMm >= adjustersMm) {
			add(
				'before',
				`adjusters:${axle}`,
				`Can it still be aligned, ${axleWords[axle]}`,
				`It comes down by ${formatNumber(downMm, 0)} mm. From about ${adjustersMm} mm on many cars are past the adjusters they have: other links or plates, or another height, are settled with the customer first.`,
				{ axle, corners, quantity: 1 }
			);
		}
		const loose = loosened.filter(({ corner }) => axleOf(corner) === axle);
		const why = [
			...geometrySetBy(layout, loose),
			...(plan.spring ? ['ride height changes with the springs'] : [])
		];
		if (why.length)
			add(
				'align',
				'wheels',
				'Wheel alignment',
				`${axleWords[axle]}: ${why.join(', ')}. ${alignWords[scope.strategy.align ?? 'before-driving']}`
			);
		if (changesHeight) {
			add(
				'align',
				'lamps',
				'Headlamp aim, and height or camera sensors as the maker requires',
				'They look from a car that stands at another height.'
			);
		}
		if (plan.spring && !plan.bushes) {
			add(
				're-set',
				`bushes:${axle}`,
				`Untouched bushes, ${axleWords[axle]}`,
				'New springs change the height: rubber clamped at the old one stays twisted. Loosen, settle, tighten.',
				{ axle, corners, quantity }
			);
		}
		if (loose.some(({ key }) => isBarLink(layout, key))) {
			const { chance, seen } = chanceOfRuin(linkBreaks[scope.rust], shelf.links ?? [], {
				rust: scope.rust,
				modelYear: shelf.modelYear ?? null
			});
			const risk = contingency({
				breaks: chance,
				price: shelf.linkPrice,
				returnLoss: shelf.returnLoss,
				waitHours: shelf.waitHours,
				waitPerHour: shelf.waitPerHour
			});
			if (risk.stock) {
				add(
					'shelf',
					`drop-link:${axle}`,
					`Drop links, ${axleWords[axle]}`,
					`A stud in this state does not survive ${formatNumber(chance * 100, 0)} times in 100${seen ? `, with the ${seen} undone here` : ''}; the car would wait ${formatNumber(shelf.waitHours, 1)} h on the lift.`,
					{ axle, corners, part: 'drop-link', quantity: 2, risk }
				);
			}
		}
	}
	const once = loosened.filter(
		({ corner, key }) => scope.layouts[axleOf(corner)].joints.find((j) => j.key === key)?.oneTime
	);
	if (once.length) {
		const names = new Set(
			once.map(({ corner, key }) =>
				scope.layouts[axleOf(corner)].joints.find((j) => j.key === key)!.name.toLowerCase()
			)
		);
		add(
			'hardware',
			'one-time',
			'New one-time fasteners',
			`Used once by their kind: ${[...names].join(', ')}.`,
			{
				corners: [...new Set(once.map(({ corner }) => corner))],
				part: 'hardware',
				quantity: once.length
			}
		);
	}
}

/** Lowered by so much, many cars are beyond their adjusters, mm. Common practice, no source: 40 to 50. */
const adjustersMm = 40;

/** From this change of height on lamps are aimed anew, mm. Own choice. */
const scopeResetMm = 10;

/** A link of the anti-roll bar, whose stud may break. */
const isBarLink = (layout: Layout, key: string): boolean => {
	const joint = layout.joints.find((one) => one.key === key);
	return (
		joint?.pair === true && joint.between.some((part) => partOf(layout, part)?.kind === 'link')
	);
};

/** What of the wheel's geometry was undone, in words; nothing where only tapers and dampers beside springs were. */
function geometrySetBy(layout: Layout, loose: readonly { key: string }[]): string[] {
	const joints = layout.joints.filter(({ key }) => loose.some((one) => one.key === key));
	const joins = (kind: PartKind, other: PartKind | 'body') =>
		joints.some(({ between }) => {
			const kinds = between.map((part) => (part === 'body' ? 'body' : partOf(layout, part)?.kind));
			return kinds.includes(kind) && kinds.includes(other);
		});
	return [
		...(isStrut(layout) && joins('damper', 'knuckle')
			? ['the strut sets camber at the knuckle']
			: []),
		...(joins('arm', 'body') || joins('axle', 'body') || joins('arm', 'subframe')
			? ['bolts that an arm pivots on come loose']
			: []),
		...(joins('subframe', 'body') ? ['the subframe that carries the arms comes loose'] : []),
		...(joins('rod', 'knuckle') ? ['a tie rod comes off'] : [])
	];
}
