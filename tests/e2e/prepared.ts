/** Jobs that are made and brought along through the API, so that a test begins where it has something to see. */
import type { Page } from '@playwright/test';
import { v7 as uuidv7 } from 'uuid';
import { viewJob } from '../../src/core/job/view';
import { viewWork } from '../../src/core/job/work';
import type { Corner } from '../../src/core/height/corners';
import type { WorkStep } from '../../src/core/work/step';
import { bookOf, expect } from './shop';

const now = () => new Date().toISOString();

/** A car of its own and a job on it. @param more of the car */
export async function openJob(
	page: Page,
	corners: string[] = ['FL'],
	more: object = {},
	job: object = {}
): Promise<string> {
	const vehicleId = uuidv7();
	const made = await page.request.post('/api/v1/vehicles', {
		data: {
			id: vehicleId,
			plate: `T ${vehicleId.slice(-6)}`,
			make: 'Halden',
			model: 'Reed',
			wheelbase: '2640',
			front: axleOf('macpherson-front'),
			rear: axleOf('trailing-arm-rear'),
			...more
		}
	});
	expect(made.status(), await made.text()).toBe(201);
	const id = uuidv7();
	const opened = await page.request.post('/api/v1/jobs', {
		data: { id, vehicleId, complaint: 'Knock over bumps', corners, ...job }
	});
	expect(opened.status(), await opened.text()).toBe(201);
	return `/jobs/${id}`;
}

const axleOf = (layout: string) => ({
	layout,
	track: '1540',
	makerHeight: '365',
	makerHeightSchool: 'hub-to-arch'
});

/** A car of these layouts with a job on it, its heights read. */
export async function newJob(
	page: Page,
	[front, rear]: [front: string, rear: string],
	corners: Corner[],
	complaint: string
): Promise<string> {
	const car = { model: 'Test', front: axleOf(front), rear: axleOf(rear) };
	const url = await openJob(page, corners, car, { complaint, odometer: '120000 km' });
	for (const corner of ['FL', 'FR', 'RL', 'RR']) {
		for (let i = 0; i < 3; i++) {
			const said = { phase: 'before', school: 'hub-to-arch', height: '355' };
			await say(page, url, 'reading', corner, said);
		}
	}
	return url;
}

/** Says something of a job through the API. */
export async function say(page: Page, url: string, kind: string, subject: string, said: object) {
	const data = { id: uuidv7(), kind, subject, data: said, enteredAt: now() };
	const answer = await page.request.post(`/api/v1${url}/entries`, { data });
	expect(answer.status(), await answer.text()).toBe(201);
}

/** The steps of a job in their order, as its book has them. */
export async function stepsOf(
	page: Page,
	url: string
): Promise<{ steps: WorkStep[]; left: WorkStep[] }> {
	const record = await bookOf(page, url);
	const { order, done } = viewWork(record, record.limits, [], viewJob(record));
	return { steps: [...order.steps], left: order.steps.filter(({ id }) => !done.has(id)) };
}

/**
 * A lead says that the steps are done, with a reason for what somebody should have seen, up to the one of this
 * title; the round and the heights are left alone.
 *
 * @param lead a page of a lead
 */
export async function passSteps(lead: Page, url: string, until?: RegExp): Promise<void> {
	for (let last = ''; ;) {
		const { left } = await stepsOf(lead, url);
		const end = left.findIndex(({ doneIn, title }) => doneIn !== undefined || until?.test(title));
		const passed = end < 0 ? left : left.slice(0, end);
		if (!passed.length) return;
		// What is not done by being said would be said for ever.
		expect(passed[0]!.id).not.toBe(last);
		last = passed[0]!.id;
		const overrideReason = 'said done for this test';
		for (const { id } of passed)
			await say(lead, url, 'step', id, { state: 'done', note: '', overrideReason });
	}
}

/** Each joint gets a torque of the maker's. */
export async function specify(page: Page, url: string): Promise<void> {
	const { joints } = await bookOf(page, url);
	for (const { id, kind } of joints)
		if (kind !== 'cushion')
			await say(page, url, 'joint', id, { torque: '60 N·m', torqueSource: 'maker' });
}
