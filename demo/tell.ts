/** A story told at the shop's own door: every line of it goes through the same decision as a technician's. */
import { corners as allCorners } from '../src/core/height/corners.ts';
import { actionsOf } from '../src/core/fastener/joint-programme.ts';
import { oneTimePieces } from '../src/core/fastener/hardware.ts';
import { owedLine } from '../src/core/procedure/owed.ts';
import { layoutJoints } from '../src/core/job/kinds/head/decide.ts';
import type { KindData } from '../src/core/job/kinds/data.ts';
import type { Joint, Phase } from '../src/core/job/model.ts';
import { toJobFile, type JobFile } from '../src/lib/schema/job-file.ts';
import { Book, type Say } from './book.ts';
import { cars } from './cars.ts';
import { specified } from './joints.ts';
import { key, scatter } from './seeded.ts';
import { idOf, people, wrenches, wrenchFor } from './shop.ts';
import { stories, type Story } from './stories.ts';
import { tellWork } from './work-story.ts';

const limits = { setDeg: 2, advisedDeg: 5 };
const mm = (value: number) => `${value} mm`;

const conditions = {
	levelFloor: true,
	rolledAndBounced: true,
	steeringAhead: true,
	brakesOff: true,
	tyrePressures: '2.3 bar front, 2.2 bar rear, cold',
	fuel: 'half',
	load: 'empty'
};

/** A told job: its book begun as a job is opened, then everything said at the one door. */
function tell(story: Story): Book {
	const openedAt = new Date(story.opened).toISOString();
	let clock = Date.parse(openedAt) + 12 * 60_000;
	const now = (seconds = 45) => new Date((clock += seconds * 1000)).toISOString();
	const car = cars[story.car];
	const joints = story.work.flatMap((corner) =>
		layoutJoints({ vehicle: car }, corner, { key: () => key(openedAt) }).map((draft) => ({
			...draft,
			data: { ...draft.data, ...specified(draft.data, story.programmes) }
		}))
	);
	const id = key(openedAt);
	const opened: KindData['opened'] = {
		number: story.number,
		vehicle: car,
		complaint: story.complaint,
		odometerKm: story.km,
		odometerEntered: `${story.km} km`,
		corners: story.work,
		technicianId: idOf(story.by),
		school: story.school ?? 'hub-to-arch',
		resetAboveMm: 10,
		limits
	};
	const book = new Book({ id, number: story.number, people }, wrenches, key);
	book.begin(idOf('mara'), openedAt, [{ kind: 'opened', subject: 'car', data: opened }, ...joints]);
	const say: Say = (kind, subject, data, { at = now(20), by = idOf(story.by), corrects } = {}) =>
		book.say({ kind, subject, data, corrects }, by, at);
	for (const [axle, offset] of Object.entries(story.offsets ?? {})) say('offset', axle, { offset });
	read(say, story, 'before', now);
	if (story.note) say('note', 'car', { text: story.note });
	for (const [corner, height] of Object.entries(story.chosen ?? {}))
		say('target', corner, { source: 'chosen', height: mm(height) });
	if (story.book) tellWork(book, story.book, { say, now, key });
	tighten(book, say, story, now);
	read(say, story, 'after', now);
	const { sign, checked } = story;
	if (checked) {
		for (const corner of story.work)
			say('bounce', `${corner}/after`, { movements: checked.movements });
		say('checked', 'drive', { state: 'good', words: '', at: checked.at }, { at: now(900) });
		say('checked', 'marks', { state: 'good', words: '', at: '' });
	}
	if (sign) {
		const over = book.job.view.standing.owed.map((item) => ({
			item: owedLine(item),
			reason: sign.reason
		}));
		say('signed', 'car', { over }, { at: now(600), by: idOf(sign.by) });
	}
	return book;
}

function read(say: Say, story: Story, phase: Phase, now: () => string): void {
	const means = story[phase];
	if (!means) return;
	const resolution = story.imperial ? '1/16 in' : '1 mm';
	say('conditions', phase, { conditions, resolution }, { at: now() });
	for (const corner of allCorners) {
		const mean = means[corner];
		if (mean === undefined) continue;
		// The signed override of the demo is about a reading that was never taken.
		const n = phase === 'after' && story.sign?.reason && corner === 'RR' ? 2 : 3;
		for (let i = 0; i < n; i++) {
			const slip =
				phase === 'before' && story.slip?.corner === corner && i === 1 ? story.slip : undefined;
			const taken = (heightMm: number, corrects?: string) => {
				const height = story.imperial ? sixteenths(heightMm) : mm(heightMm);
				const data = { phase, school: story.school ?? 'hub-to-arch', height };
				return say('reading', corner, data, { at: now(), corrects })[0]!.id;
			};
			const first = taken(slip?.mm ?? mean + scatter(1));
			if (slip?.corrected) taken(mean, first);
		}
	}
}

/** As a tape in inches shows it. */
function sixteenths(heightMm: number): string {
	const all = Math.round((heightMm / 25.4) * 16);
	const rest = all % 16;
	return `${Math.floor(all / 16)}${rest ? ` ${rest}/16` : ''} in`;
}

function tighten(book: Book, say: Say, story: Story, now: (seconds?: number) => string): void {
	if (!story.joints) return;
	const hanging = { carState: 'hanging' };
	const pull = (joint: Joint, seconds: number, how: object, nm = joint.torqueNm) => {
		const data = nm === null ? { seen: 'washer-edge' } : { torque: `${nm} N·m`, ...held(nm) };
		say('torque', joint.id, { ...data, ...how }, { at: now(seconds) });
	};
	const renewed = (joint: Joint) => {
		const pieces = oneTimePieces(joint);
		const data = Object.fromEntries(pieces.map((piece) => [piece, { done: 'renewed' }]));
		if (pieces.length) say('hardware', joint.id, data, { at: now(10) });
	};
	const { joints } = book.job.record;
	const anyTime = joints.filter(({ rule, loosened }) => rule === 'any-time' && loosened);
	for (const joint of anyTime.slice(0, Math.ceil(anyTime.length * story.joints))) {
		pull(joint, 90, hanging);
		renewed(joint);
	}
	if (!story.bushes) return;
	const bushes = joints.filter((joint) => joint.rule === 'ride-height');
	for (const joint of bushes) {
		const nipped = { seen: 'hand-tight', ...hanging };
		if (joint.kind === 'cushion') pull(joint, 40, hanging);
		else say('torque', joint.id, nipped, { at: now(40) });
	}
	const loaded = (hubToArchMm: number) => ({
		carState: 'loaded',
		method: story.method,
		hubToArch: mm(hubToArchMm)
	});
	const { wound } = story;
	for (const joint of bushes.filter(({ corner }) => corner === wound?.corner))
		pull(joint, 80, loaded(wound!.hubToArchMm));
	if (story.bushes !== 'set') return;
	for (const corner of story.work) {
		const target = book.job.view.corners[corner].target!.heightMm;
		const at = loaded(Math.round(target) + scatter(3));
		say('loading', corner, { method: at.method, hubToArch: at.hubToArch }, { at: now(240) });
		for (const joint of bushes.filter((bush) => bush.corner === corner)) {
			pull(joint, 80, corner === wound?.corner ? { ...at, loosenedFirst: true } : at);
			renewed(joint);
		}
	}
	if (!story.wheels) return;
	say('down', 'car', { onWheels: true }, { at: now(200) });
	for (const joint of joints.filter((j) => j.kind === 'wheel')) {
		for (const [action, { torqueNm }] of actionsOf(joint).entries()) {
			pull(joint, 12, { carState: 'loaded', method: 'on-wheels', action }, torqueNm);
		}
	}
}

const held = (nm: number) => {
	const { id, name } = wrenchFor(nm);
	return { wrenchId: id, wrench: name };
};

let told: readonly JobFile[] | undefined;

/** The demo's jobs as files of the open format, told once per process; the same every time. */
export const demoJobs = (): readonly JobFile[] =>
	(told ??= stories.map(
		(story) => JSON.parse(JSON.stringify(toJobFile(tell(story).job))) as JobFile
	));
