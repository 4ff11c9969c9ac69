import { describe, expect, it } from 'vitest';
import { stackOf } from '../bench/stack';
import { findLayout } from '../layout/catalogue';
import type { Corner } from '../height/corners';
import { blockedBy } from '../work/order';
import { replay } from '../work/replay/replay';
import { usualStrategy } from '../work/scope';
import { usualCosts, showMoney } from './costs';
import type { JobRecord } from './record';
import { jobParts } from './parts';
import { declinedWork } from './decisions';
import { oldPartsOf } from './old-units';
import { jobAdvice } from './plan';
import { sagOf } from './sag';
import { stepsLeft } from './scope';
import { viewJob } from './view';
import { findingsOf } from './findings';
import { benchWants } from './bench-wants';
import { addedSince, jointAt, viewWork } from './work';
import type { Entry } from './book/entry';
import { lead, told } from './kinds/saying.testing';
import { demoRecord } from '../../../demo/jobs.testing';
import type { KindData, KindName } from './kinds/data';
import { WorkBook } from './work-book';
import { trayItems, workOwed } from './work-owed';

const limits = { setDeg: 2, advisedDeg: 5 };
const job = demoRecord;
type Changed = ReturnType<typeof demoRecord>;
let count = 0;
function write<K extends KindName>(record: Changed, kind: K, subject: string, data: KindData[K]) {
	const id = `entry-${++count}`;
	const enteredAt = '2026-11-24T09:00:00.000Z';
	const seq = record.entries.length + 1;
	const personId = record.createdBy;
	record.entries.push({ id, seq, kind, subject, data, personId, enteredAt } as unknown as Entry);
}
const stepOf = (record: JobRecord, id: string) =>
	viewWork(record, limits).order.steps.find((step) => step.id === id)!;
const wants = (record: JobRecord, id: string) =>
	benchWants(record, WorkBook.of(record), stepOf(record, id));

describe('the book of the work', () => {
	it('answers with the last entry of a kind and subject, and with the one before it', () => {
		const record = job('2026-0268');
		const rust = (grade: 'none' | 'light' | 'heavy') => write(record, 'rust', 'car', { grade });
		rust('heavy');
		rust('none');
		const book = WorkBook.of(record);
		expect(book.get('rust')).toEqual({ grade: 'none' });
		expect(book.before('rust', 'car')).toEqual({ grade: 'heavy' });
		expect(book.get('rust', 'front')).toBeUndefined();
		expect(book.of('rust')).toHaveLength(1);
	});

	it('takes a finding back without losing that it was there', () => {
		const record = job('2026-0268');
		const before = findingsOf(WorkBook.of(record)).length;
		write(record, 'finding', 'FL/boot', {
			corner: 'FL',
			point: 'boot',
			state: null,
			where: '',
			note: ''
		});
		const book = WorkBook.of(record);
		expect(findingsOf(book)).toHaveLength(before - 1);
		expect(book.before('finding', 'FL/boot')).toMatchObject({ state: 'split' });
	});
});

describe('where the work stands', () => {
	it('comes next what is first in order and not done', () => {
		const work = viewWork(job('2026-0268'), limits);
		expect(work.next!.id).toBe('FL/compress');
		expect(replay(work.order.steps, work.scope)).toEqual([]);
		expect(blockedBy(work.order, 'FL/compress', work.done)).toEqual([]);
		const [waits, ...more] = blockedBy(work.order, 'FL/shaft-off', work.done);
		expect(waits!.rule.words).toMatch(/only when the spring turns loosely/);
		expect(more).toEqual([]);
	});

	it('counts heights as read when they are read, and the round’s steps by their joints', () => {
		const record = job('2026-0268');
		expect(viewWork(record, limits).done.has('car/heights-before')).toBe(true);
		record.readings = record.readings.filter(({ corner }) => corner !== 'RR');
		expect(viewWork(record, limits).done.has('car/heights-before')).toBe(false);
		const done = () => viewWork(record, limits).done.has('front/links-tight');
		expect(done()).toBe(false);
		for (const joint of record.joints.filter(({ name }) => name.startsWith('Drop link')))
			joint.loosened = false;
		expect(done()).toBe(true);
	});

	it('opens a step again that was taken back', () => {
		const record = job('2026-0268');
		write(record, 'step', 'FL/undo-top', { state: 'open', note: '' });
		expect(viewWork(record, limits).next!.id).toBe('FL/undo-top');
	});

	it('opens a step again at whose joints it was not done when the plan has added them', () => {
		const record = job('2026-0268');
		const standing = (joints?: string[]) => {
			write(record, 'step', 'FL/undo-bottom', {
				state: 'done',
				note: '',
				...(joints && { joints })
			});
			const work = viewWork(record, limits);
			const step = work.order.steps.find(({ id }) => id === 'FL/undo-bottom')!;
			return [work.done.has(step.id), stepsLeft(record), addedSince(work, step)];
		};
		const [upper, lower] = ['FL/strut-knuckle-upper', 'FL/strut-knuckle-lower'];
		const left = stepsLeft(record);
		expect(standing([upper!, lower!])).toEqual([true, left, []]);
		expect(standing([upper!])).toEqual([false, left + 1, ['Strut to knuckle, lower bolt']]);
		// Told before joints were kept with it.
		expect(standing()).toEqual([true, left, []]);
		const over = { state: 'done', note: '', overrideReason: 'the other side was first' };
		const ticked = told(job('2026-0268'), 'step', 'FR/undo-bottom', over, { who: lead });
		expect(new WorkBook(ticked.entries).get('step', 'FR/undo-bottom')!.joints).toEqual([
			'FR/strut-knuckle-upper',
			'FR/strut-knuckle-lower'
		]);
	});

	it('follows a hand’s order, and drops it where the plan has other steps now', () => {
		const record = job('2026-0269');
		const usual = viewWork(record, limits).order.steps.map(({ id }) => id);
		const [a, b] = [usual.indexOf('RL/mark'), usual.indexOf('RR/mark')];
		const ids = [...usual];
		[ids[a], ids[b]] = [ids[b]!, ids[a]!];
		write(record, 'order', 'car', { ids });
		expect(viewWork(record, limits).order.steps.map(({ id }) => id)).toEqual(ids);
		write(record, 'scope', 'rear', { damper: true, spring: true, bushes: false });
		const { order, scope } = viewWork(record, limits);
		expect(order.steps.length).toBeGreaterThan(ids.length);
		expect(replay(order.steps, scope)).toEqual([]);
	});

	it('has no steps before something is to be renewed', () => {
		const work = viewWork(job('2026-0260'), limits);
		expect(work.order.steps).toEqual([]);
		expect(work.next).toBeUndefined();
	});

	it('finds a joint of the layout by its key, whatever it is called, and none where it was removed', () => {
		const record = job('2026-0268');
		const nut = jointAt(record, 'FL', 'shaft-nut')!;
		expect(nut.name).toBe('Strut shaft nut');
		nut.name = 'Nut on top';
		expect(jointAt(record, 'FL', 'shaft-nut')).toBe(nut);
		record.joints = record.joints.filter((joint) => joint !== nut);
		expect(jointAt(record, 'FL', 'shaft-nut')).toBeUndefined();
	});
});

describe('what the bench wants', () => {
	it('is a spring seen free in a compressor that bears it', () => {
		const record = job('2026-0268');
		expect(wants(record, 'FL/compress')).toEqual(['the spring seen turning loosely in its seat']);
		expect(wants(record, 'FR/compress')[0]).toMatch(/type the spring and the tool/);
		const kept = WorkBook.of(record).get('compressor', 'FL')!;
		write(record, 'compressor', 'FL', {
			...kept,
			input: { ...kept.input, ratedLoadPerHookN: 600 },
			free: true
		});
		expect(wants(record, 'FL/compress')[0]).toMatch(/overloaded/);
		write(record, 'compressor', 'FL', {
			...kept,
			input: { ...kept.input, hookedCoils: 1.5 },
			free: true
		});
		expect(wants(record, 'FL/compress')[0]).toMatch(/close too early/);
		write(record, 'compressor', 'FL', { ...kept, free: true });
		expect(wants(record, 'FL/compress')).toEqual([]);
	});

	it('is every part stacked in order but the nut, the damper primed, its marks right', () => {
		const record = job('2026-0268');
		const order = stackOf(findLayout('macpherson-front')!)
			.map(({ key }) => key)
			.filter((key) => key !== 'shaft-nut');
		const either = { spring: { fate: 'renewed', marked: 'either' } } as const;
		type Stack = KindData['stack'];
		const stack = (
			parts: typeof order,
			checks: Stack['checks'],
			changed: Stack['changed'] = either
		) => write(record, 'stack', 'FL', { order: parts, checks, changed, typed: {} });
		expect(wants(record, 'FL/restack').join()).toMatch(/to go on: damper.*primed/);
		stack(order, {});
		expect(wants(record, 'FL/restack')).toEqual(['the new damper primed through its stroke']);
		stack(order, { strokes: 5, clockOldDeg: 0, clockNewDeg: 20 });
		expect(wants(record, 'FL/restack')[0]).toMatch(/20.0° clockwise/);
		stack(
			order.filter((part) => part !== 'bump-stop'),
			{ strokes: 5 }
		);
		expect(wants(record, 'FL/restack')[0]).toMatch(/bump stop is missing/);
		stack(order, { strokes: 5 }, {});
		expect(wants(record, 'FL/restack')).toEqual(['which side the spring is marked for']);
		stack(order, { strokes: 5 }, { spring: { fate: 'renewed', marked: 'right' } });
		expect(wants(record, 'FL/restack')).toEqual([
			'the spring marked right goes to the right: this is the front left'
		]);
		stack(order, { strokes: 5 }, { spring: { fate: 'renewed', marked: 'left' } });
		expect(wants(record, 'FL/restack')).toEqual([]);
		stack(order, { strokes: 5 });
		expect(wants(record, 'FL/restack')).toEqual([]);
	});

	it('is each new part compared, one sent back compared again', () => {
		const record = job('2026-0268');
		expect(wants(record, 'FL/compare')).toEqual([]);
		const kept = WorkBook.of(record).get('comparison', 'FL/damper')!;
		write(record, 'comparison', 'FL/damper', { ...kept, outcome: 'returned' });
		expect(wants(record, 'FL/compare')).toEqual(['the damper went back: compare the next one']);
		write(record, 'comparison', 'FL/damper', { ...kept, outcome: 'open' });
		expect(wants(record, 'FL/compare')[0]).toMatch(/the same in 3 dimensions/);
	});

	it('is nothing for a step at the car', () => {
		expect(wants(job('2026-0268'), 'FL/undo-top')).toEqual([]);
	});
});

describe('what the work still owes to a signature', () => {
	it('is what lies in the trays, by corner', () => {
		const record = job('2026-0268');
		const lying = () => workOwed(record).filter(({ kind }) => kind === 'tray');
		expect(lying()).toHaveLength(3);
		expect(lying()[0]).toEqual({
			kind: 'tray',
			stage: 'work',
			corner: 'FL',
			text: 'Bracket bolt, hose (tray A1): 1 of 1 not back'
		});
		for (const item of trayItems(WorkBook.of(record))) {
			const { id, ...data } = item;
			write(record, 'tray', id, { ...data, step: 'FL/hose-off', back: item.count });
		}
		expect(lying()).toEqual([]);
		expect(viewJob(record).standing.owed.some(({ kind }) => kind === 'tray')).toBe(false);
	});
});

describe('where a job stands', () => {
	it('is at taking apart and putting together while planned steps are open', () => {
		const record = job('2026-0268');
		expect(viewJob(record).standing.stage).toBe('work');
		const left = stepsLeft(record);
		expect(left).toBeGreaterThan(5);
		for (const { id } of viewWork(record, limits).order.steps) {
			write(record, 'step', id, { state: 'done', note: '' });
		}
		expect(stepsLeft(record)).toBe(0);
		expect(viewJob(record).standing.stage).toBe('set');
	});

	it('is at the joints where nobody planned any steps', () => {
		const record = job('2026-0262');
		expect(stepsLeft(record)).toBe(0);
		expect(viewJob(record).standing.stage).toBe('set');
	});
});

describe('advice and parts of a job', () => {
	it('carry what was decided, and what was declined stays readable', () => {
		const record = job('2026-0268');
		const lines = jobAdvice(record, usualCosts);
		expect(lines.find(({ id }) => id === 'renew:damper:front')).toMatchObject({
			state: 'accepted'
		});
		expect(declinedWork(record)).toEqual([{ title: 'Top bearings, front', reason: '' }]);
		const parts = jobParts(record).map(({ id }) => id);
		expect(parts).toContain('boot:FR');
		expect(parts).not.toContain('top-bearing:FL');
	});

	it('call a part fitted once the step that puts it in is ticked off, unless it went back', () => {
		const record = job('2026-0268');
		const status = (id: string) => jobParts(record).find((one) => one.id === id)!.status;
		const tick = (id: string, state: 'done' | 'open') =>
			write(record, 'step', id, { state } as KindData['step']);
		expect(status('damper:FR')).not.toBe('fitted');
		tick('FR/damper-in', 'done');
		expect([status('damper:FR'), status('boot:FR')]).toEqual(['fitted', 'fitted']);
		expect(status('damper:FL')).not.toBe('fitted');
		tick('FR/damper-in', 'open');
		expect(status('damper:FR')).not.toBe('fitted');
		tick('FR/damper-in', 'done');
		write(record, 'part', 'damper:FR', { number: '', status: 'returned', note: '' });
		expect(status('damper:FR')).toBe('returned');
	});

	it('say what becomes of the old units, whichever way is chosen', () => {
		const record = job('2026-0268');
		const fates = () =>
			Object.fromEntries(
				oldPartsOf(record, 'front', usualCosts).map(({ part, fate }) => [part, fate])
			);
		expect(fates()).toMatchObject({
			damper: 'renewed',
			'bump-stop': 'renewed',
			spring: 'unseen',
			bearing: 'unseen'
		});
		const before = fates();
		write(record, 'strategy', 'car', { ...usualStrategy, assembly: 'complete' });
		expect(fates()).toEqual(before);
		expect(oldPartsOf(record, 'rear', usualCosts)).toEqual([]);
	});

	it('name the sagged spring where the heights say so', () => {
		const record = job('2026-0269');
		const sag = sagOf(record, WorkBook.of(record), viewJob(record))!;
		expect(sag.deviationMm.RL).toBeCloseTo(-21, 0);
		expect(sag.suspects[0]!.springs).toContain('RL');
		record.vehicle.axles.rear.makerHeightMm = null;
		expect(sagOf(record, WorkBook.of(record), viewJob(record))).toBeUndefined();
	});

	it('are told by springs of one kind measured free, and by no others', () => {
		const record = job('2026-0269');
		const measured = (corner: Corner, shorterMm: number, wireMm = 12.5) =>
			write(record, 'comparison', `${corner}/spring`, {
				corner,
				part: 'spring',
				old: { values: { freeLengthMm: 330 - shorterMm, wireMm: 12.5, coils: 5.5 } },
				new: { values: { freeLengthMm: 330, wireMm, coils: 5.5 } },
				typed: {},
				outcome: 'open',
				reason: ''
			});
		const found = (state: string) =>
			write(record, 'finding', 'RL/spring', {
				corner: 'RL',
				point: 'spring',
				state,
				where: '',
				note: ''
			});
		const sag = () => sagOf(record, WorkBook.of(record), viewJob(record))!;
		found('rusted');
		measured('RL', 18);
		measured('RR', 5, 12.9);
		expect(sag().measured).toEqual(['RL']);
		measured('RR', 5);
		expect(sag()).toMatchObject({ verdict: 'sagged', measured: ['RL', 'RR'] });
		// All are as long as they should be: whatever makes it stand so is no spring.
		measured('RL', 5);
		expect(sag().suspects.every(({ likelihood }) => likelihood < 0.2)).toBe(true);
		found('broken');
		expect(sag().measured).toEqual(['RR']);
	});

	it('show money with its currency', () => {
		expect(showMoney(1234.5, { currency: 'EUR' })).toBe('1,234.50 EUR');
	});
});
