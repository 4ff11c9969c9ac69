import { actionsOf, missedBy } from '../../../fastener/joint-programme.ts';
import type { Action } from '../../../fastener/programme.ts';
import { wrenchFor } from '../../../fastener/rack.ts';
import {
	sightNames,
	sightsFor,
	type CarState,
	type LoadMethod,
	type Sight
} from '../../../procedure/facts.ts';
import { withUnit, type Quantity } from '../../../units/parse.ts';
import type { Command, Context } from '../../book/entry.ts';
import { invalid, Problem, refuse } from '../../../problem.ts';
import type { Draft, Site } from '../../book/kind.ts';
import { atWork } from '../../joints.ts';
import type { Joint, Torque } from '../../model.ts';
import type { JobRecord } from '../../record.ts';
import { questionBefore, waitsFor, waitWords } from '../../turn.ts';
import { judgeBush } from '../../rubber.ts';
import { viewJob } from '../../view.ts';
import { viewWork } from '../../work.ts';
import { jointOf, noneSince } from './joint.ts';

export interface Said {
	/** Step of the joint's programme, from 0. */
	action: number;
	torque?: Quantity;
	angle?: Quantity;
	seen?: Sight;
	withdraw?: boolean;
	wrench: string;
	wrenchId?: string;
	overrideReason?: string;
	carState: CarState;
	method?: LoadMethod;
	hubToArch?: Quantity;
	deviceReadingId?: string;
	loosenedFirst?: boolean;
	aheadReason?: string;
}

/** The torque as it is kept, checked against its joint, its turn, the car and the wrench. */
export function decideTorque({ record, command, said, context }: Site<Said>): Draft[] {
	const joint = checkJoint(record, command, said, context);
	checkStep(joint, said);
	const before = checkBefore(record, joint, command, said);
	const judged = checkBush(record, joint, said);
	const held = checkWrench(joint, command, said, context);
	const { subject, corrects } = command;
	return [
		{
			kind: 'torque',
			subject,
			data: {
				action: said.action,
				torqueNm: said.torque?.si ?? null,
				angleDeg: said.angle?.si ?? null,
				entered: enteredText(said),
				seen: said.seen ?? null,
				wrench: held?.name ?? said.wrench,
				wrenchId: held?.id ?? null,
				settingNm: held?.settingNm ?? null,
				overrideReason: said.overrideReason ?? null,
				deviceReadingId: said.deviceReadingId ?? null,
				carState: said.carState,
				method: said.method ?? null,
				hubToArchMm: said.hubToArch?.si ?? null,
				hubToArchEntered: said.hubToArch ? withUnit(said.hubToArch) : null,
				targetHubToArchMm: judged?.targetHubToArchMm ?? null,
				bush: judged?.bush ?? null,
				...before,
				withdrawn: said.withdraw ?? false
			},
			...(corrects && { corrects })
		}
	];
}

function enteredText({ torque: pulled, angle, seen }: Said): string {
	const numbers = [pulled, angle].filter((q) => q !== undefined).map(withUnit);
	return numbers.length ? numbers.join(', ') : (seen ?? 'withdrawn');
}

function checkJoint(record: JobRecord, command: Command, said: Said, context: Context): Joint {
	const joint = jointOf(record, command);
	const { corrects } = command;
	const corrected = correctedRow(record, command);
	if (said.withdraw && !corrects) throw refuse('corrects', 'say which torque is withdrawn');
	if (corrects && !corrected) {
		throw refuse('corrects', 'is not a torque of this joint', corrects);
	}
	if (corrected && !said.withdraw && corrected.action !== said.action) {
		throw refuse('action', `corrects step ${corrected.action}, so it is that step`, said.action);
	}
	if (corrected && !said.withdraw && corrected.carState !== said.carState) {
		throw refuse(
			'carState',
			`was ${corrected.carState} when it was pulled: a correction does not change that, another pull is recorded anew`,
			said.carState
		);
	}
	noneSince(record, command, context, joint);
	return joint;
}

const correctedRow = ({ torques }: JobRecord, { corrects, subject }: Command): Torque | undefined =>
	torques.find(({ id, jointId }) => id === corrects && jointId === subject);

/** What is recorded must be what this step of the programme asks. */
function checkStep(joint: Joint, said: Said): void {
	if (said.withdraw) return;
	const list = actionsOf(atWork(joint));
	const action = list[said.action];
	if (!action) {
		throw refuse(
			'action',
			`${joint.name} has ${list.length} ${list.length === 1 ? 'step' : 'steps'}, counted from 0`,
			said.action
		);
	}
	const { seen } = said;
	if (seen && !sightsFor(joint.kind, said.carState).includes(seen)) {
		throw refuse(
			'seen',
			`${joint.name} is recorded by its torque here; only a cushion mount is recorded as seen, and a bush as hand-tight while hanging`,
			seen
		);
	}
	const { cushionTo } = joint.programme ?? {};
	if (joint.kind === 'cushion' && cushionTo && seen && seen !== cushionTo) {
		throw refuse('seen', `${joint.name} goes ${sightNames[cushionTo].toLowerCase()}`, seen);
	}
	if (seen) return;
	const turned = action.kind === 'angle' || action.kind === 'slacken';
	if (turned && !said.angle) {
		throw refuse('angle', `step ${said.action + 1} of ${joint.name} is turned by an angle`);
	}
	if (!turned && !said.torque) {
		throw refuse('torque', `step ${said.action + 1} of ${joint.name} ends at a torque`);
	}
	if (action.kind === 'castle') checkCastle(joint, action, said.torque!);
}

/** Past its high limit a castle nut is not kept: never back, so another nut or washer. */
function checkCastle(joint: Joint, action: Action, pulled: Quantity): void {
	if (missedBy(atWork(joint), action, { torqueNm: pulled.si })?.way !== 'over') return;
	throw refuse(
		'torque',
		`is above the high limit of ${joint.programme!.castle!.highNm} N·m: another nut or washer, never back to a slot`,
		withUnit(pulled)
	);
}

/** A wrench of the rack that is out of range or out of date is refused unless somebody says why. */
function checkWrench(
	joint: Joint,
	{ enteredAt }: Command,
	said: Said,
	{ rack = [] }: Context
): { id: string; name: string; settingNm: number | null } | undefined {
	if (!said.wrenchId) return undefined;
	const wrench = rack.find(({ id }) => id === said.wrenchId);
	if (!wrench) throw refuse('wrenchId', 'is not a wrench of this shop', said.wrenchId);
	const { id, name } = wrench;
	const asked = actionsOf(atWork(joint))[said.action]?.torqueNm ?? said.torque?.si;
	if (asked === undefined) return { id, name, settingNm: null };
	const adapter = joint.programme?.adapter;
	const found = wrenchFor(wrench, { torqueNm: asked, adapter }, enteredAt.slice(0, 10));
	if (found.ok) return { id, name, settingNm: adapter ? found.value.settingNm : null };
	if (said.overrideReason) return { id, name, settingNm: null };
	throw invalid(
		found.faults.map((fault) => ({
			...fault,
			field: 'wrenchId',
			message: `${name} ${fault.message}: take another, or say why it is used all the same`
		}))
	);
}

/** What must be known before a torque counts; of a correction it stays as it was said then. */
function checkBefore(
	record: JobRecord,
	joint: Joint,
	command: Command,
	said: Said
): Pick<Torque, 'loosenedFirst' | 'aheadReason'> {
	const nothing = { loosenedFirst: null, aheadReason: null };
	if (said.withdraw) return nothing;
	if (command.corrects) {
		const { loosenedFirst = null, aheadReason = null } = correctedRow(record, command)!;
		return { loosenedFirst, aheadReason };
	}
	const view = viewJob(record);
	const work = viewWork(record, record.limits, [], view);
	const status = view.standing.joints.get(joint.id)!;
	const question = questionBefore(record, work, status, joint, said);
	const { name } = joint;
	if (question?.kind === 'down') {
		const words = `Not yet: say first that the car is down on its wheels. ${name} counts from then on.`;
		throw new Problem(409, words);
	}
	if (question?.kind === 'waits') {
		const words = waitWords(question.step);
		throw new Problem(409, `Not yet: ${words}.`, [], { wants: [words] });
	}
	if (question?.kind === 'loosened') {
		throw refuse(
			'loosenedFirst',
			`${name} is clamped already: say whether it was loosened first, or only checked`
		);
	}
	return {
		loosenedFirst:
			status.clamped && said.carState === 'loaded' && said.action === 0
				? (said.loosenedFirst ?? null)
				: null,
		aheadReason: waitsFor(work, joint, said.carState) ? (said.aheadReason ?? null) : null
	};
}

/** To six digits: more is not known of a bush, and makes the book long. */
const kept = <T extends object>(bush: T): T =>
	Object.fromEntries(
		Object.entries(bush).map(([name, value]) => [
			name,
			typeof value === 'number' ? Number(value.toPrecision(6)) : value
		])
	) as T;

/** Judges the bush where there is one to judge. */
function checkBush(
	record: JobRecord,
	joint: Joint,
	said: Said
): { targetHubToArchMm: number; bush: Torque['bush'] } | undefined {
	if (said.withdraw) return undefined;
	if (joint.kind !== 'bonded-bush' || said.carState !== 'loaded') return undefined;
	if (!said.hubToArch) {
		throw refuse(
			'hubToArch',
			'read hub to arch at this corner first: a bush is only set at a known height'
		);
	}
	const judged = judgeBush(record, joint.corner, said.hubToArch.si, record.limits, joint);
	if (!judged.ok) {
		throw invalid(judged.faults.map((fault) => ({ ...fault, field: 'hubToArch' })));
	}
	const { targetHubToArchMm, otherUnread: _, ...bush } = judged.value;
	return { targetHubToArchMm, bush: kept(bush) };
}
