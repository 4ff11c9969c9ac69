/** The one thing that comes next on a car: said on the board, at the end of every stage, and one Enter away. */
import { cornerNames, usualWalk, type Corner } from '../height/corners.ts';
import type { OwedItem } from '../procedure/owed.ts';
import type { Stage } from '../procedure/stages.ts';
import type { WorkStep } from '../work/step.ts';
import type { JobRecord } from './record.ts';
import type { JobView } from './view.ts';
import type { WorkView } from './work.ts';

export interface Next {
	stage: Stage;
	/** What to do, as it stands on a button. */
	text: string;
	corner?: Corner;
	/** The step of the order of work, where it is one. */
	stepId?: string;
	/** Which page of the stage; absent: its first. */
	page?: 'bench' | 'parts' | 'corner' | 'drive';
}

interface WayOptions {
	unlooked?: boolean;
	walk?: readonly Corner[];
}

/** The first thing left of a stage; heights in the order in which the corners are walked. */
function firstOf(
	owed: readonly OwedItem[],
	stage: Stage,
	walk: readonly Corner[]
): OwedItem | undefined {
	const [first, ...more] = owed.filter((item) => item.stage === stage);
	if (!first || (stage !== 'measure' && stage !== 'check')) return first;
	const heights = [first, ...more].filter(({ kind }) => kind !== 'check');
	return (
		heights.reduce<OwedItem | undefined>(
			(a, b) => (!a || walk.indexOf(b.corner) < walk.indexOf(a.corner) ? b : a),
			undefined
		) ?? first
	);
}

const at = (corner: Corner): string => cornerNames[corner].toLowerCase();

/**
 * @param unlooked whoever only measures and sets goes on without looking the car over
 * @param walk the shop's order of corners, for what is read corner by corner
 */
export function nextOf(
	record: JobRecord,
	{ standing: { owed } }: Pick<JobView, 'standing'>,
	work: Pick<WorkView, 'done' | 'order'>,
	{ unlooked = false, walk = usualWalk }: WayOptions = {}
): Next {
	const setting = record.purpose === 'set';
	if (record.signedAt) return { stage: 'hand-over', text: 'The signed sheet' };
	if (isUntouched(record) && !unlooked && !setting)
		return { stage: 'look', text: 'Look the car over' };
	const first = (stage: Stage) => firstOf(owed, stage, walk);
	const measure = first('measure');
	const planned = work.order.steps.length > 0;
	if (!planned && measure) return heights(measure, 'before');
	if (!planned && !setting && wantsPlan(record))
		return { stage: 'plan', text: 'Say what is renewed' };
	const step = work.order.steps.find(
		(one) => !work.done.has(one.id) && isWanted(one, owed, record)
	);
	if (step) return ofStep(step, first);
	const set = nextToSet(record, owed);
	if (set) return set;
	const check = first('check');
	if (check?.kind === 'check')
		return { stage: 'check', page: 'drive', text: 'Look again at the end' };
	if (check) return heights(check, 'after');
	const left = first('work') ?? first('plan') ?? measure;
	if (!left) return { stage: 'hand-over', text: 'Look over the sheet and sign' };
	if (left.stage === 'measure') return heights(left, 'before');
	return {
		stage: left.stage,
		text: left.text,
		corner: left.corner,
		...(left.kind === 'part' && { stage: 'plan', page: 'parts' })
	};
}

/** A corner is brought to its height for its rubber: where that is set, nobody is sent back for the look. */
function isWanted(step: WorkStep, owed: readonly OwedItem[], { joints }: JobRecord): boolean {
	if (step.kind !== 'load') return true;
	const rubber = new Set(joints.filter(({ rule }) => rule === 'ride-height').map(({ id }) => id));
	return owed.some(
		({ corner, jointId }) => step.corners.includes(corner) && rubber.has(jointId ?? '')
	);
}

/** Nothing was said of the car yet but that it is here. */
const isUntouched = ({ entries }: JobRecord): boolean =>
	entries.every(({ kind }) =>
		['opened', 'imported', 'head', 'joint', 'car', 'note'].includes(kind)
	);

/** Something was found, and nobody has said what becomes of it. */
const wantsPlan = ({ entries, torques }: JobRecord): boolean =>
	torques.length === 0 &&
	entries.some(({ kind }) => ['finding', 'symptoms', 'bounce'].includes(kind)) &&
	!entries.some(({ kind }) => kind === 'scope' || kind === 'decision');

function heights({ corner, kind }: OwedItem, when: 'before' | 'after'): Next {
	const what = kind === 'doubt' ? `Look again at the readings ${when}` : `Read the height ${when}`;
	return {
		stage: when === 'before' ? 'measure' : 'check',
		corner,
		text: `${what}, ${at(corner)}`
	};
}

function ofStep(step: WorkStep, reading: (stage: Stage) => OwedItem | undefined): Next {
	const corner = step.corners[0];
	const place =
		step.at === 'car' || !corner
			? ''
			: `, ${step.corners.length > 1 ? `${step.at} axle` : at(corner)}`;
	const said = { text: `${step.title}${place}`, ...(corner && { corner }), stepId: step.id };
	switch (step.doneIn) {
		case 'heights-before':
			return heights(reading('measure')!, 'before');
		case 'heights-after':
			return heights(reading('check')!, 'after');
		case 'round':
			return { stage: 'set', ...said };
		case 'bench':
			return { stage: 'work', page: 'bench', ...said };
		default:
			return { stage: 'work', ...said };
	}
}

/** In the order of the round: what is rigid, the height to set at, rubber, wheels; then what became of hardware. */
function nextToSet(record: JobRecord, owed: readonly OwedItem[]): Next | undefined {
	const rules = new Map(record.joints.map((joint) => [joint.id, joint.rule]));
	const joint = (rule: string) =>
		owed.find((item) => item.kind === 'joint' && rules.get(item.jointId!) === rule);
	const target = owed.find(({ kind }) => kind === 'target');
	const say = (text: string, item: OwedItem): Next => ({
		stage: 'set',
		text: `${text}, ${at(item.corner)}`,
		corner: item.corner
	});
	const rigid = joint('any-time');
	if (rigid) return say('Torque the joints', rigid);
	if (target) return { ...say('Say at which height it will stand', target), page: 'corner' };
	const rubber = joint('ride-height');
	if (rubber) return say('Set at ride height', rubber);
	const other = owed.find(({ kind }) => kind === 'joint');
	if (other) return say('Torque the wheels', other);
	const hardware = owed.find(({ kind }) => kind === 'hardware');
	return hardware && { ...say('New, or the old one again?', hardware), page: 'corner' };
}
