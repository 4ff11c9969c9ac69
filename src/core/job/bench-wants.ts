/** What the bench still wants of a step: parts compared, a spring seen free, a unit stacked and primed. */
import { compareParts } from '../bench/compare.ts';
import { springFitFault } from '../bench/spring-fit.ts';
import { absentOf, checkStack, checkUnit, stackOf } from '../bench/stack.ts';
import { axleOf, type Corner } from '../height/corners.ts';
import { springSeat } from '../layout/shape.ts';
import { springCompressor } from '../spring/compressor.ts';
import { axlePlans, type AxlePlan } from '../work/scope.ts';
import type { WorkStep } from '../work/step.ts';
import { Problem, refuse } from '../problem.ts';
import { springFinding } from './findings.ts';
import type { Data as CompressorData } from './kinds/compressor/data.ts';
import type { Data as StackData } from './kinds/stack/data.ts';
import type { JobRecord } from './record.ts';
import { scopeOf } from './scope.ts';
import type { WorkBook } from './work-book.ts';

/** What a bench step still wants before it may be called done; nothing for other steps. */
export function benchWants(record: JobRecord, book: WorkBook, step: WorkStep): string[] {
	const [corner] = step.corners;
	if (step.doneIn !== 'bench' || !corner) return [];
	const plan = axlePlans(scopeOf(record, book)).find(({ axle }) => axle === axleOf(corner))!;
	const { layout, kit } = plan;
	if (step.kind === 'compare') return comparisonWants(book, corner, plan);
	if (step.kind === 'compress') {
		const kept = book.get('compressor', corner);
		if (!kept) return ['the compressor: type the spring and the tool'];
		const computed = springCompressor(kept.input);
		if (!computed.ok) return computed.faults.map(({ message }) => message);
		if (computed.value.overloaded) return ['a stronger tool: this one is overloaded'];
		if (computed.value.coilBind) return ['more coils between the hooks: they close too early'];
		return kept.free ? [] : ['the spring seen turning loosely in its seat'];
	}
	const stack = book.get('stack', corner);
	const checks = stack ? checkUnit(stack.checks) : [];
	const primed = checks.find(({ key }) => key === 'strokes');
	const wants = [
		...(kit ? [] : handWants(corner, stack)),
		...(primed?.ok ? [] : ['the new damper primed through its stroke']),
		...checks.filter(({ ok, key }) => !ok && key !== 'strokes').map(({ words }) => words)
	];
	const absent = absentOf(stack?.changed);
	const wanted = stackOf(layout, absent, kit).filter(({ key }) => key !== 'shaft-nut');
	const order = stack?.order ?? [];
	const faults = checkStack(layout, order, absent, kit).map(({ words }) => words);
	const missing = wanted.filter(({ key }) => !order.includes(key));
	if (missing.length)
		faults.push(`to go on: ${fewOf(missing.map(({ name }) => name.toLowerCase()))}`);
	return [...faults, ...wants];
}

/** Of a spring that is on: the side it is marked for, and that it is this one. */
function handWants(corner: Corner, stack: StackData | undefined): string[] {
	if (!stack?.order.includes('spring')) return [];
	const hand = stack.changed?.spring?.marked;
	if (!hand) return ['which side the spring is marked for'];
	const fault = springFitFault(corner, { hand });
	return fault ? [fault] : [];
}

/** The first of them by name. */
const fewOf = (names: readonly string[]): string =>
	names.length > 3
		? `${names.slice(0, 2).join(', ')} and ${names.length - 2} more`
		: names.join(', ');

/** What is held old against new; a coilover’s spring is another one by its making. */
export const comparedParts = ({ layout, damper, spring, kit }: AxlePlan) => [
	...(damper ? (['damper'] as const) : []),
	...(spring && !kit && springSeat(layout) !== 'air' ? (['spring'] as const) : [])
];

function comparisonWants(book: WorkBook, corner: Corner, plan: AxlePlan): string[] {
	return comparedParts(plan).flatMap((part) => {
		const kept = book.get('comparison', `${corner}/${part}`);
		if (!kept) return [`the ${part} compared, old against new`];
		const { verdict, words } = compareParts(part, kept.old, kept.new, {
			oldBroken: springFinding(book, corner)?.state === 'broken'
		});
		if (kept.outcome === 'explained' || (kept.outcome === 'fits' && verdict === 'same')) return [];
		if (kept.outcome === 'returned') return [`the ${part} went back: compare the next one`];
		return [`${part}: ${words.toLowerCase()}`];
	});
}

/** No turn is counted off with a tool that must not be used for this spring. */
export function checkCompressor({ input, turned, free }: CompressorData): void {
	const computed = springCompressor(input);
	if (!computed.ok) throw new Problem(422, 'These numbers have no answer.', computed.faults);
	if (turned === 0 && !free) return;
	const { overloaded, coilBind, forcePerHookN, forcePerScrewN } = computed.value;
	if (input.ratedLoadPerHookN === undefined) {
		throw refuse('input.ratedLoadPerHookN', 'say what the compressor may bear before turning it');
	}
	if (overloaded) {
		const hook = forcePerHookN > input.ratedLoadPerHookN;
		const [of, force] = hook ? ['Hook', forcePerHookN] : ['Screw', forcePerScrewN];
		throw refuse(
			`input.ratedLoadPer${of}N`,
			`is less than the ${Math.round(force)} N on each ${of.toLowerCase()}: not with this tool`,
			hook ? input.ratedLoadPerHookN : input.ratedLoadPerScrewN
		);
	}
	if (coilBind) {
		throw refuse(
			'input.hookedCoils',
			'close before the seat is free: take more coils between the hooks',
			input.hookedCoils
		);
	}
}
