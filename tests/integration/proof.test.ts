import { describe, expect, it } from 'vitest';
import { importJob, toJobFile, type JobFile } from '../../src/lib/server/exchange/job-file.ts';
import { loadJob } from '../../src/lib/server/jobs/load.ts';
import { proveChain } from '../../src/lib/server/proof/chain.ts';
import { useShop } from './shop.ts';

const shop = useShop('proof');
const there = useShop('proof_there');
const elsewhere = useShop('proof_elsewhere');

async function worked() {
	const id = await shop.job(['FL']);
	const first = await shop.reading(id, { height: '352' });
	await shop.reading(id, { height: '353' });
	const joint = (await loadJob(shop.db, id)).joints.find(({ kind }) => kind === 'rigid')!;
	const torque = await shop.torque(id, joint.id, { torque: '95' });
	await shop.reading(id, { height: '354', correctsId: first.id });
	return { id, first, joint, torque };
}
const prove = async (id: string) => proveChain(await loadJob(shop.db, id));

describe('the chain of a record', () => {
	it('holds over readings and torques in the order they were written', async () => {
		const { id, torque } = await worked();
		const { chain } = await loadJob(shop.db, id);
		expect(chain.map(({ kind }) => kind)).toEqual(['reading', 'reading', 'torque', 'reading']);
		expect(chain[2]!.id).toBe(torque.id);
		const proof = await prove(id);
		expect(proof).toEqual({ entries: 4, head: chain[3]!.hash, holds: true });
		expect(proof.head).toMatch(/^[0-9a-f]{64}$/);
	});

	it('is the same when an entry is sent twice, and under two writers at once', async () => {
		const { id, joint } = await worked();
		const sent = await shop.reading(id, { height: '351' });
		await shop.reading(id, { id: sent.id, height: '351', takenAt: sent.takenAt });
		await Promise.all([
			...Array.from({ length: 6 }, (_, i) => shop.reading(id, { height: `${350 + i}` })),
			...Array.from({ length: 6 }, (_, i) => shop.torque(id, joint.id, { torque: `${90 + i}` }))
		]);
		expect(await prove(id)).toMatchObject({ entries: 17, holds: true });
	});

	it.each([
		['a height', 'UPDATE height_readings SET height_mm = 349 WHERE id = ?', 'first', /353|352/],
		['what was typed', "UPDATE height_readings SET entered = '349' WHERE id = ?", 'first', /349/],
		[
			'a torque',
			'UPDATE torques SET torque_nm = 110 WHERE id = ?',
			'torque',
			/the torque of front left/
		],
		[
			'who did it',
			'UPDATE torques SET wrench = "other" WHERE id = ?',
			'torque',
			/is not as it was written/
		]
	] as const)('names %s that was edited in the database', async (_, sql, which, words) => {
		const job = await worked();
		await shop.db.run(sql, [job[which].id]);
		const proof = await prove(job.id);
		expect(proof.holds).toBe(false);
		expect(proof.broken).toMatchObject({
			seq: which === 'first' ? 1 : 3,
			id: job[which].id,
			words: expect.stringMatching(words)
		});
	});

	it('names a row that was removed, one put in past the program, and a link that was taken out', async () => {
		const removed = await worked();
		await shop.db.run('DELETE FROM torques WHERE id = ?', [removed.torque.id]);
		expect((await prove(removed.id)).broken).toMatchObject({
			seq: 3,
			words: 'a torque was removed'
		});

		const added = await worked();
		await shop.db.run(
			`INSERT INTO height_readings
			   (id, job_id, seq, phase, corner, school, height_mm, entered, withdrawn, person_id, taken_at)
			 SELECT UUID(), job_id, 99, phase, corner, school, 340, '340', 0, person_id, taken_at
			   FROM height_readings WHERE id = ?`,
			[added.first.id]
		);
		expect((await prove(added.id)).broken).toMatchObject({
			seq: 5,
			words: expect.stringContaining('put in past this program')
		});

		const cut = await worked();
		await shop.db.run('DELETE FROM record_chain WHERE job_id = ? AND seq = 2', [cut.id]);
		expect((await prove(cut.id)).broken).toMatchObject({ seq: 2 });
	});

	it('takes in the rows of a record from before there was a chain', async () => {
		const { id } = await worked();
		await shop.db.run('DELETE FROM record_chain WHERE job_id = ?', [id]);
		expect(await prove(id)).toEqual({ entries: 0, head: null, holds: true });
		await shop.reading(id, { height: '360' });
		expect(await prove(id)).toMatchObject({ entries: 5, holds: true });
	});

	it('goes with the job’s file, and a file that was changed on the way is not taken', async () => {
		const { id } = await worked();
		const file = JSON.parse(JSON.stringify(toJobFile(await loadJob(shop.db, id)))) as JobFile;
		const changed = structuredClone(file);
		changed.job.torques[0]!.torqueNm = 140;
		await expect(importJob(there.db, changed, there.lead.id)).rejects.toMatchObject({
			faults: [{ field: 'job.chain.2', message: expect.stringContaining('not as it was written') }]
		});
		await importJob(there.db, file, there.lead.id);
		const copy = await loadJob(there.db, id);
		expect(copy.chain).toEqual(file.job.chain);
		expect(proveChain(copy)).toMatchObject({ entries: 4, holds: true });

		const bare = structuredClone(file);
		bare.job.chain = [];
		await importJob(elsewhere.db, bare, elsewhere.lead.id);
		expect(proveChain(await loadJob(elsewhere.db, id))).toMatchObject({ entries: 4, holds: true });
	});
});
