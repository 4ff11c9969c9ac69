/** The programme and thread of a joint as form fields, and back to what the API takes. */
import type { FollowingStep, JointProgramme } from '$core/fastener/joint-programme';
import { threadName, usualThreads, type PropertyClass, type Thread } from '$core/fastener/thread';
import type { ThreadCondition } from '$core/fastener/lubrication';
import { numberOf, withMeantUnit } from '$core/units/parse';
import type { KnownSpecification } from '$core/job/joints';
import type { JointThread } from '$core/job/model';

/** The ways a joint is usually tightened; `other` is one that only the API can say, kept as it is. */
export const shapes = {
	torque: 'To its torque',
	angle: 'Torque, then an angle',
	repeat: 'Torque, slacken, torque again',
	castle: 'Castle nut: forward to the slot',
	other: 'As it was given'
} as const;
type ShapeName = keyof typeof shapes;

export interface ProgrammeForm {
	shape: ShapeName;
	/** Degrees. */
	angle: string;
	/** How far the turn may be out, degrees either way; empty where nothing is said. */
	tolerance: string;
	slacken: string;
	again: string;
	high: string;
	slot: string;
	/** 1: a single fastener. */
	fasteners: string;
	passes: string;
	prevailing: string;
	adapterLength: string;
	adapterAngle: string;
	cushionTo: string;
	/** Threads to choose from: the usual ones, and the joint's own where it is none of them. */
	threads: readonly Thread[];
	/** Name of the one chosen, empty where not known. */
	thread: string;
	propertyClass: string;
	condition: string;
}

const kinds = (then: readonly FollowingStep[]) => then.map(({ kind }) => kind).join(' ');

function shapeName({ then = [], castle }: JointProgramme): ShapeName {
	if (castle) return then.length ? 'other' : 'castle';
	switch (kinds(then)) {
		case '':
			return 'torque';
		case 'angle':
			return 'angle';
		case 'slacken torque':
		case 'slacken torque angle':
			return 'repeat';
		default:
			return 'other';
	}
}

export function programmeForm(
	programme: JointProgramme | null,
	thread: JointThread | null
): ProgrammeForm {
	const { then = [], castle, cushionTo, pattern, prevailingNm, adapter } = programme ?? {};
	const angle = then.find((step) => step.kind === 'angle');
	const slacken = then.find((step) => step.kind === 'slacken');
	const again = then.find((step) => step.kind === 'torque');
	const own = thread && !usualThreads.some((one) => threadName(one) === threadName(thread));
	const nm = (value: number | undefined) => (value === undefined ? '' : `${value} N·m`);
	return {
		shape: shapeName(programme ?? {}),
		angle: angle ? String(angle.angleDeg) : '',
		tolerance: angle?.toleranceDeg === undefined ? '' : String(angle.toleranceDeg),
		slacken: slacken ? String(slacken.angleDeg) : '120',
		again: nm(again?.torqueNm),
		high: nm(castle?.highNm),
		slot: String(castle?.slotDeg ?? 60),
		fasteners: String(pattern?.fasteners ?? 1),
		passes: String(pattern?.passes ?? 2),
		prevailing: nm(prevailingNm),
		adapterLength: adapter ? `${adapter.lengthMm} mm` : '',
		adapterAngle: String(adapter?.angleDeg ?? 0),
		cushionTo: cushionTo ?? '',
		threads: own
			? [{ diameterMm: thread.diameterMm, pitchMm: thread.pitchMm }, ...usualThreads]
			: usualThreads,
		thread: thread ? threadName(thread) : '',
		propertyClass: thread?.propertyClass ?? '8.8',
		condition: thread?.condition ?? 'as-specified'
	};
}

/** What the API takes of the programme; a number without a unit gets the person's own. */
export function programmeInput(
	form: ProgrammeForm,
	kept: JointProgramme | null,
	units: { torque: string; length: string }
): Record<string, unknown> {
	const torque = (text: string) => withMeantUnit(text, units.torque);
	const degrees = (text: string) => withMeantUnit(text, '°');
	const turn = (angle: string, tolerance: string) => ({
		kind: 'angle',
		angle: degrees(angle),
		...(tolerance.trim() && { tolerance: degrees(tolerance) })
	});
	const then = () => {
		switch (form.shape) {
			case 'angle':
				return [turn(form.angle, form.tolerance)];
			case 'repeat':
				return [
					{ kind: 'slacken', angle: degrees(form.slacken) },
					{ kind: 'torque', torque: torque(form.again) },
					...(form.angle.trim() ? [turn(form.angle, form.tolerance)] : [])
				];
			case 'other':
				return (kept?.then ?? []).map((step) => {
					if (step.kind === 'torque') return { kind: step.kind, torque: `${step.torqueNm} N·m` };
					if (step.kind === 'slacken') return { kind: step.kind, angle: `${step.angleDeg} °` };
					return turn(String(step.angleDeg), String(step.toleranceDeg ?? ''));
				});
			default:
				return [];
		}
	};
	return {
		then: then(),
		...(form.shape === 'castle' && {
			castle: { high: torque(form.high), slotDeg: numberOf(form.slot) }
		}),
		...(form.cushionTo && { cushionTo: form.cushionTo }),
		...(form.fasteners !== '1' && {
			pattern: { fasteners: numberOf(form.fasteners), passes: numberOf(form.passes) }
		}),
		...(form.prevailing.trim() && { prevailing: torque(form.prevailing) }),
		...(form.adapterLength.trim() && {
			adapter: {
				length: withMeantUnit(form.adapterLength, units.length),
				angleDeg: numberOf(form.adapterAngle)
			}
		})
	};
}

/** The thread chosen, with its class and condition; null where none is said. */
export function threadInput(form: ProgrammeForm): JointThread | null {
	const thread = form.threads.find((one) => threadName(one) === form.thread);
	return thread
		? {
				...thread,
				propertyClass: form.propertyClass as PropertyClass,
				condition: form.condition as ThreadCondition
			}
		: null;
}

/** What was known of a joint, as it is said of this one. */
export const knownInput = (
	{ entered, source, programme, thread }: KnownSpecification,
	units: { torque: string; length: string }
) => ({
	torque: entered,
	torqueSource: source,
	programme: programmeInput(programmeForm(programme, thread), programme, units),
	thread: threadInput(programmeForm(programme, thread))
});
