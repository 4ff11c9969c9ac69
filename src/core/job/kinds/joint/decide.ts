import type { FollowingStep, JointProgramme } from '../../../fastener/joint-programme.ts';
import type { Corner } from '../../../height/corners.ts';
import { refuse } from '../../../problem.ts';
import { withUnit, type Quantity } from '../../../units/parse.ts';
import type { Draft, Site } from '../../book/kind.ts';
import type { Joint } from '../../model.ts';

/** As said: only what is said changes. */
export interface Said {
	/** Of a joint that the job does not have yet. */
	corner?: Corner;
	name?: string;
	kind?: Joint['kind'];
	rule?: Joint['rule'];
	torque?: Quantity | null | '';
	torqueSource?: Joint['torqueSource'];
	oneTime?: boolean;
	tool?: Joint['tool'];
	holdStud?: boolean;
	programme?: SaidProgramme | null;
	thread?: Joint['thread'];
	loosened?: boolean;
	note?: string;
	remove?: boolean;
}

/** A programme as said; quantities with their units. */
interface SaidProgramme {
	then?: {
		kind: 'angle' | 'slacken' | 'torque';
		angle?: Quantity;
		tolerance?: Quantity;
		torque?: Quantity;
	}[];
	castle?: { high: Quantity; slotDeg: 30 | 60 };
	cushionTo?: 'washer-edge' | 'shoulder';
	pattern?: JointProgramme['pattern'];
	prevailing?: Quantity;
	adapter?: { length: Quantity; angleDeg: number };
}

/** A joint with what is said of it, or without it. */
export function decideJoint({ record, command: { subject }, said }: Site<Said>): Draft[] {
	const here = record.joints.find(({ id }) => id === subject);
	if (said.remove) {
		if (!here) throw refuse('subject', 'is not a joint of this job', subject);
		if (record.torques.some(({ jointId }) => jointId === subject)) {
			throw refuse('remove', 'has torques on record and stays in the job', here.name);
		}
		const { id: _, ...data } = here;
		return [{ kind: 'joint', subject, data: { ...data, removed: true } }];
	}
	const { id: _, ...before } = here ?? { id: '', ...blank(record.joints, record.corners, said) };
	const data = withSaid(before, said);
	return [{ kind: 'joint', subject, data: { ...data, removed: false } }];
}

/** A joint that the layout does not list, before anything is said of it. */
function blank(joints: readonly Joint[], worked: readonly Corner[], said: Said): Omit<Joint, 'id'> {
	const { corner, name, kind, rule } = said;
	if (!corner) throw refuse('corner', 'say at which corner the new joint is');
	if (!worked.includes(corner)) {
		throw refuse('corner', 'is not a corner this job works on', corner);
	}
	if (!name) throw refuse('name', 'say what the new joint is called');
	if (!kind) throw refuse('kind', 'say of what kind the new joint is');
	if (!rule) throw refuse('rule', 'say when the new joint is tightened for good');
	return {
		key: null,
		corner,
		position: Math.max(-1, ...joints.map(({ position }) => position)) + 1,
		name,
		kind,
		rule,
		torqueNm: null,
		torqueEntered: null,
		torqueSource: null,
		oneTime: false,
		tool: 'run-down',
		holdStud: false,
		pairKey: null,
		programme: null,
		thread: null,
		place: null,
		loosened: true,
		note: ''
	};
}

function withSaid(before: Omit<Joint, 'id'>, said: Said): Omit<Joint, 'id'> {
	const next: Omit<Joint, 'id'> = {
		...before,
		name: said.name ?? before.name,
		kind: said.kind ?? before.kind,
		rule: said.rule ?? before.rule,
		oneTime: said.oneTime ?? before.oneTime,
		tool: said.tool ?? before.tool,
		holdStud: said.holdStud ?? before.holdStud,
		loosened: said.loosened ?? before.loosened,
		thread: said.thread === undefined ? before.thread : said.thread,
		programme: said.programme === undefined ? before.programme : toProgramme(said.programme ?? {}),
		note: said.note ?? before.note,
		torqueSource: said.torqueSource === undefined ? before.torqueSource : said.torqueSource
	};
	if (said.torque !== undefined) {
		next.torqueNm = said.torque ? said.torque.si : null;
		next.torqueEntered = said.torque ? withUnit(said.torque) : null;
	}
	if (next.torqueNm === null) next.torqueSource = null;
	else if (!next.torqueSource) {
		throw refuse('torqueSource', 'say where the torque comes from: maker, shop or estimated');
	}
	const { castle, pattern } = next.programme ?? {};
	if (castle && next.torqueNm !== null && castle.highNm <= next.torqueNm) {
		throw refuse(
			'programme.castle.high',
			`must be more than the low limit (${next.torqueEntered})`,
			castle.highNm
		);
	}
	if (castle && pattern) {
		throw refuse('programme.pattern', 'a castle nut stands alone: no star');
	}
	if (next.thread && next.thread.pitchMm > next.thread.diameterMm / 4) {
		throw refuse(
			'thread.pitchMm',
			`is too coarse for M${next.thread.diameterMm}`,
			next.thread.pitchMm
		);
	}
	if (next.kind === 'bonded-bush' && next.rule !== 'ride-height') {
		throw refuse('rule', 'a bonded bush is always set at ride height', next.rule);
	}
	return next;
}

/** As it is kept: SI, and nothing at all where nothing was said. */
function toProgramme(said: SaidProgramme): JointProgramme | null {
	const { then = [], castle, cushionTo, pattern, prevailing, adapter } = said;
	const made: JointProgramme = {
		...(then.length && { then: then.map(toStep) }),
		...(castle && { castle: { highNm: castle.high.si, slotDeg: castle.slotDeg } }),
		...(cushionTo && { cushionTo }),
		...(pattern && { pattern }),
		...(prevailing && { prevailingNm: prevailing.si }),
		...(adapter && { adapter: { lengthMm: adapter.length.si, angleDeg: adapter.angleDeg } })
	};
	return Object.keys(made).length ? made : null;
}

function toStep(step: NonNullable<SaidProgramme['then']>[number]): FollowingStep {
	const { kind, angle, tolerance, torque: to } = step;
	if (kind === 'torque') return { kind, torqueNm: to!.si };
	const angleDeg = angle!.si;
	return kind === 'slacken'
		? { kind, angleDeg }
		: { kind, angleDeg, ...(tolerance && { toleranceDeg: tolerance.si }) };
}
