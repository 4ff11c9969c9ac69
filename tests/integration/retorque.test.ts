import { describe, expect, it } from 'vitest';
import { retorqueCalendar } from '../../src/lib/server/exchange/calendar.ts';
import { importJob } from '../../src/lib/server/exchange/job-file.ts';
import { toJobFile } from '../../src/lib/schema/job-file.ts';
import type { JobFile } from '../../src/lib/schema/job-file.ts';
import { readJob } from '../../src/lib/server/jobs/book.ts';
import { dueRetorques } from '../../src/lib/server/jobs/lists.ts';
import { useShop } from './shop.ts';

const shop = useShop('retorque');
const there = useShop('retorque_there');

async function signedJob(signedAt = new Date()): Promise<string> {
	const id = await shop.job(['FL']);
	await shop.say(id, 'head', 'car', { odometer: '61200 km' });
	const wheel = (await shop.record(id)).joints.find(({ kind }) => kind === 'wheel')!;
	await shop.say(id, 'down', 'car', { onWheels: true });
	await shop.torque(id, wheel.id, { torque: '120', carState: 'loaded', method: 'on-wheels' });
	await shop.sign(id, 'the rest does not matter here', { enteredAt: signedAt.toISOString() });
	return id;
}
const check = async (jobId: string, change: object = {}, more: object = {}) => {
	const data = { odometer: '61280 km', torque: '120', found: 'held', ...change };
	return (await shop.say(jobId, 'retorque', 'car', data, more))[0]!;
};

describe('wheels after the first kilometres', () => {
	it('are due from the sign-off until they are checked, longest waiting first', async () => {
		const late = await signedJob(new Date('2026-02-01T10:00:00Z'));
		const later = await signedJob(new Date('2026-03-01T10:00:00Z'));
		const open = await shop.job(['FL']);
		const ids = async () => (await dueRetorques(shop.db)).lines.map((line) => line.id);
		expect(await ids()).toEqual([late, later]);
		expect(await ids()).not.toContain(open);
		const {
			lines: [line]
		} = await dueRetorques(shop.db);
		expect(line).toMatchObject({ wheelTorqueNm: 120, due: { fromKm: 61250, toKm: 61300 } });
		await check(late);
		expect(await ids()).toEqual([later]);
	});

	it('are a record of their own, kept once, with who and what was found', async () => {
		const id = await signedJob();
		const first = await check(id, { found: 'moved', note: 'two by a quarter-turn' });
		await check(
			id,
			{ found: 'moved', note: 'two by a quarter-turn' },
			{ id: first.id, enteredAt: first.enteredAt }
		);
		const { retorques, people, signOff } = await shop.record(id);
		expect(retorques).toHaveLength(1);
		expect(retorques[0]).toMatchObject({
			entered: '120 N·m',
			odometerKm: 61280,
			found: 'moved',
			personId: shop.technician.id
		});
		expect(people.map((person) => person.id)).toContain(shop.technician.id);
		expect(signOff).not.toBeNull();
	});

	it('are refused before the job is signed, and with an odometer that ran backwards', async () => {
		await expect(check(await shop.job(['FL']))).rejects.toMatchObject({ status: 409 });
		await expect(check(await signedJob(), { odometer: '60000' })).rejects.toMatchObject({
			faults: [{ field: 'odometer', value: '60000' }]
		});
	});

	it('go with the job’s file', async () => {
		const id = await signedJob();
		await check(id);
		const file = JSON.parse(JSON.stringify(toJobFile(await readJob(shop.db, id)))) as JobFile;
		await importJob(there.db, file, there.lead);
		expect((await there.record(id)).retorques).toEqual((await shop.record(id)).retorques);
	});

	/** RFC 5545: lines end in CRLF, an event has UID, DTSTAMP and DTSTART. */
	it('go into a calendar a week after the sign-off', async () => {
		const job = await shop.record(await signedJob(new Date('2026-03-25T10:00:00Z')));
		const text = retorqueCalendar(job, 'Test shop');
		for (const line of [
			'BEGIN:VCALENDAR',
			'VERSION:2.0',
			`UID:retorque-${job.id}@vane-set`,
			'DTSTART;VALUE=DATE:20260401',
			'DTEND;VALUE=DATE:20260402',
			`SUMMARY:Wheel fasteners checked: ${job.vehicle.plate}`,
			'END:VCALENDAR'
		])
			expect(text.split('\r\n')).toContain(line);
		expect(text).toMatch(/DTSTAMP:\d{8}T\d{6}Z/);
		expect(text.replace(/\r\n[ \t]/g, '')).toContain('odometer 61250 to 61300 km');
	});
});
