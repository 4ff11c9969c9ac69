import { readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import type { Entry } from '../../src/core/job/book/entry.ts';
import { validate } from '../../src/core/validate.ts';
import { jobFileSchema } from '../../src/lib/schema/job-file.ts';
import { findPerson } from '../../src/lib/server/db/people.ts';
import { listSpecifications } from '../../src/lib/server/db/projections.ts';
import { listSealKeys, listSheets, putKnownShop } from '../../src/lib/server/db/seals.ts';
import { findShop, updateShop } from '../../src/lib/server/db/shop.ts';
import { importJob, sealedJobFile } from '../../src/lib/server/exchange/job-file.ts';
import { toJobFile } from '../../src/lib/schema/job-file.ts';
import type { JobFile } from '../../src/lib/schema/job-file.ts';
import { readJob } from '../../src/lib/server/jobs/book.ts';
import { chained } from '../../src/lib/server/proof/chain.ts';
import { changePerson } from '../../src/lib/server/people.ts';
import { keyIdOf, rotateKey, signedBy, signingKey } from '../../src/lib/server/proof/keys.ts';
import { proveMark, readMark } from '../../src/lib/server/proof/mark.ts';
import { pdfDigest, sheetDigest } from '../../src/lib/server/proof/seal.ts';
import { knownSigners } from '../../src/lib/server/proof/signers.ts';
import { proveFile, proveSeals } from '../../src/lib/server/proof/verify.ts';
import { changeVehicle } from '../../src/lib/server/vehicles.ts';
import { useShop } from './shop.ts';

const shop = useShop('seal_here');
const there = useShop('seal_there');

async function signed(): Promise<string> {
	const id = await shop.job(['FL']);
	await shop.reading(id, { height: '365' });
	await shop.sign(id, 'the owner wants to drive it home');
	return id;
}
const sealsOf = async (id: string) =>
	proveSeals(id, (await readJob(shop.db, id)).entries, await knownSigners(shop.db));
const wire = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
const fileOf = async (id: string) =>
	wire(await sealedJobFile(shop.db, await readJob(shop.db, id), shop.sealer));

describe('a signature', () => {
	it('is sealed: the head signed, the sheet kept as data and as PDF', async () => {
		const id = await signed();
		const { entries } = await readJob(shop.db, id);
		const [signature, seal] = entries.slice(-2) as [Entry<'signed'>, Entry<'sealed'>];
		expect([signature.kind, seal.kind]).toEqual(['signed', 'sealed']);
		const [sheet] = await listSheets(shop.db, id);
		expect(sheet!.seq).toBe(signature.seq);
		expect(sheet!.pdf.subarray(0, 5).toString()).toBe('%PDF-');
		expect(seal.data).toMatchObject({
			head: signature.hash,
			sheetDigest: sheetDigest(sheet!.sheet),
			pdfDigest: pdfDigest(sheet!.pdf)
		});
		expect(await sealsOf(id)).toMatchObject([{ holds: true, by: { own: true } }]);
	});

	it('said twice is sealed once, and answered with its seal', async () => {
		const id = await shop.job(['FL']);
		const first = await shop.sign(id);
		const { id: key, enteredAt, data } = first[0]! as Entry<'signed'>;
		const again = await shop.say(id, 'signed', 'car', data, {
			id: key,
			enteredAt,
			by: shop.lead
		});
		expect(again).toEqual(first);
		expect(await listSheets(shop.db, id)).toHaveLength(1);
	});

	it('keeps its sheet, byte for byte, whatever is changed of the car and the shop', async () => {
		const id = await signed();
		const [before] = await listSheets(shop.db, id);
		const { vehicle } = await shop.record(id);
		const { plate, make, model } = vehicle;
		const input = shop.vehicleInput({ plate, make, model, owner: 'Somebody else' });
		const change = { ...input, id: vehicle.id, version: vehicle.version };
		await changeVehicle(shop.db, vehicle.id, change, shop.lead);
		await updateShop(shop.db, { ...(await findShop(shop.db))!, name: 'Another name' });
		await changePerson(shop.db, shop.lead.id, { name: 'Another Lead' });
		const [after] = await listSheets(shop.db, id);
		expect(after!.pdf.equals(before!.pdf)).toBe(true);
		expect(after!.sheet).toEqual(before!.sheet);
		expect(JSON.stringify(after!.sheet)).not.toMatch(/Somebody else|Another name|Another Lead/);
		expect(await sealsOf(id)).toMatchObject([{ holds: true }]);
	});

	it('is followed by an addendum that is sealed again; the first sheet stays', async () => {
		const id = await signed();
		const reason = 'the front left height was typed for the wrong side';
		await expect(
			shop.say(id, 'addendum', 'car', { reason }, { by: shop.technician })
		).rejects.toMatchObject({ status: 403 });
		await shop.say(id, 'addendum', 'car', { reason }, { by: shop.lead });
		await expect(shop.reading(id)).rejects.toMatchObject({ status: 403 });
		const height = { phase: 'before', school: 'hub-to-arch', height: '366' };
		await shop.say(id, 'reading', 'FL', height, { by: shop.lead });
		await shop.sign(id);
		const sheets = await listSheets(shop.db, id);
		expect(sheets).toHaveLength(2);
		expect(JSON.stringify(sheets[0]!.sheet)).not.toContain(reason);
		const addendum = sheets[1]!.sheet.blocks.find(
			(block) => block.kind === 'notice' && block.title.startsWith('Addendum 1')
		);
		expect(addendum).toMatchObject({
			lines: [`“${reason}”`, expect.stringMatching(/366 mm.*\(Another Lead/)]
		});
		expect(await sealsOf(id)).toMatchObject([{ holds: true }, { holds: true }]);
	});
});

describe('a seal', () => {
	it('does not hold over a chain that was computed anew after a change', async () => {
		const id = await signed();
		const { entries } = await readJob(shop.db, id);
		const forged = chained(
			id,
			undefined,
			entries.map((entry) =>
				entry.kind === 'reading' ? { ...entry, data: { ...entry.data, heightMm: 371 } } : entry
			)
		);
		const signers = await knownSigners(shop.db);
		expect(proveSeals(id, forged, signers)).toMatchObject([
			{ holds: false, words: 'is over no signature of this book' }
		]);
		// Also where the forger writes the new head into the seal.
		const at = forged.findIndex(({ kind }) => kind === 'sealed');
		const seal = forged[at] as Entry<'sealed'>;
		const moved = [...forged];
		moved[at] = { ...seal, data: { ...seal.data, head: forged[at - 1]!.hash } };
		expect(proveSeals(id, chained(id, undefined, moved), signers)).toMatchObject([
			{ holds: false, words: expect.stringMatching(/was not made by .*’s key/) }
		]);
	});

	it('is read from the square of its sheet by anybody, and says what was added since', async () => {
		const id = await signed();
		const { entries } = await readJob(shop.db, id);
		const { data, seq } = entries.at(-1) as Entry<'sealed'>;
		const address = (change: object = {}) =>
			new URLSearchParams({
				job: id,
				seq: String(seq - 1),
				head: data.head,
				sig: data.signature,
				...change
			});
		const ask = (params: URLSearchParams) => proveMark(shop.db, readMark(params)!);
		expect(await ask(address())).toMatchObject({ sealed: true, unchanged: true, addenda: 0 });
		expect(await ask(address({ head: 'f'.repeat(64) }))).toMatchObject({ sealed: false });
		expect(readMark(address({ sig: 'short' }))).toBeUndefined();
		await shop.say(id, 'addendum', 'car', { reason: 'a note of the owner' }, { by: shop.lead });
		expect(await ask(address())).toMatchObject({ unchanged: true, addenda: 1 });
		await shop.db.run(
			`UPDATE entries SET data = JSON_SET(data, '$.heightMm', 350) WHERE job_id = ? AND kind = 'reading'`,
			[id]
		);
		expect(await ask(address())).toMatchObject({ sealed: true, unchanged: false });
	});

	it('is made with a key that only its owner reads, kept outside the database', async () => {
		const file = join(shop.sealer.folder, 'signing-key.pem');
		expect(statSync(file).mode & 0o777).toBe(0o600);
		const tables = await shop.db.rows('SELECT * FROM seal_keys');
		expect(JSON.stringify(tables)).not.toContain(
			readFileSync(file, 'utf8').split('\n')[1]!.slice(16, 40)
		);
	});

	it('holds after the key was rotated, and new ones are made with the new key', async () => {
		const id = await signed();
		const before = await signingKey(shop.db, shop.sealer.folder);
		const next = await rotateKey(shop.db, shop.sealer.folder);
		expect(next.keyId).not.toBe(before.keyId);
		expect(statSync(join(shop.sealer.folder, 'signing-key.pem')).mode & 0o777).toBe(0o600);
		expect(await sealsOf(id)).toMatchObject([{ holds: true, keyId: before.keyId }]);
		expect(await sealsOf(await signed())).toMatchObject([{ holds: true, keyId: next.keyId }]);
		const keys = await listSealKeys(shop.db);
		expect(keys.find(({ keyId }) => keyId === before.keyId)!.retiredAt).not.toBeNull();
		expect(keys.find(({ keyId }) => keyId === next.keyId)!.retiredAt).toBeNull();
	});

	it('is Ed25519: the second test vector of RFC 8032, 7.1', () => {
		const base64url = (hex: string) => Buffer.from(hex, 'hex').toString('base64url');
		const publicKey = base64url('3d4017c3e843895a92b70aa74d1b7ebc9c982ccf2ec4968cc0cd55f12af4660c');
		const signature = base64url(
			'92a009a9f0d4cab8720e820b5f642540a2b27b5416503f8fb3762223ebdb69da085ac1e43e15996e458f3613d0f11d8c387b2eaeb4302aeeb00d291612bb0c00'
		);
		// Its message is the one byte 72, the letter r.
		expect(signedBy(publicKey, 'r', signature)).toBe(true);
		expect(signedBy(publicKey, 's', signature)).toBe(false);
		expect(keyIdOf(publicKey)).toMatch(/^[0-9a-f]{16}$/);
	});
});

describe('a job file', () => {
	const know = async () => {
		const { keyId, publicKey } = await signingKey(shop.db, shop.sealer.folder);
		await putKnownShop(there.db, {
			keyId,
			publicKey,
			name: 'Harbour Axle',
			addedBy: there.lead.id
		});
	};

	it('of a shop that nobody knows is taken, and marked as not verified', async () => {
		const id = await signed();
		const outcome = await importJob(there.db, await fileOf(id), there.technician);
		expect(outcome).toMatchObject({ created: true, verified: false, from: null });
		const record = await there.record(id);
		expect(record.imported).toMatchObject({
			from: null,
			verified: false,
			personId: there.technician.id
		});
		expect(await listSheets(there.db, id)).toEqual([]);
		expect(record.people.find((one) => one.id === shop.lead.id)!.name).toMatch(/\(another shop\)$/);
	});

	it('of a known shop is verified, with its sheets; its people are names from there', async () => {
		await know();
		const id = await signed();
		const file = await fileOf(id);
		expect(proveFile(file, await knownSigners(there.db))).toMatchObject({
			verified: true,
			by: { name: 'Harbour Axle', own: false }
		});
		expect(await importJob(there.db, file, there.technician)).toMatchObject({
			verified: true,
			from: 'Harbour Axle'
		});
		expect(await listSheets(there.db, id)).toHaveLength(1);
		const person = (await findPerson(there.db, shop.lead.id))!;
		expect(person).toMatchObject({ canSignIn: false, active: false });
		await expect(
			changePerson(there.db, person.id, { secret: '123456', active: true })
		).rejects.toMatchObject({ status: 422 });
		// Twice is once.
		expect(await importJob(there.db, file, there.lead)).toMatchObject({ created: false });
	});

	it('that was changed after a known shop sealed it is refused', async () => {
		await know();
		const id = await signed();
		const file = await fileOf(id);
		const entries = chained(
			id,
			undefined,
			file.entries.map((entry) =>
				entry.kind === 'reading' ? { ...entry, data: { ...entry.data, heightMm: 371 } } : entry
			)
		);
		const forged = { ...file, entries, head: entries.at(-1)!.hash };
		await expect(importJob(there.db, forged, there.technician)).rejects.toMatchObject({
			faults: [
				{ field: 'seal', message: expect.stringContaining('is not as Harbour Axle sealed it') }
			]
		});
		const { seal: _, ...bare } = forged;
		expect(await importJob(there.db, bare, there.technician)).toMatchObject({ verified: false });
	});

	it('without its chain is not taken', async () => {
		const file = await fileOf(await signed());
		const bare = { ...file, entries: file.entries.map(({ hash: _, ...entry }) => entry) };
		const checked = validate(jobFileSchema, wire(bare), { now: Date.now() });
		expect(checked.ok).toBe(false);
		expect(!checked.ok && checked.faults[0]!.field).toBe('entries.0.hash');
	});

	it('does not speak for somebody who works here, unless this shop sealed it', async () => {
		// A job made up elsewhere, with torques and a signature in the name of this shop's lead.
		const own = toJobFile(await readJob(shop.db, await signed()));
		const id = own.job.id.replace(/^.{8}/, '01a2b3c4');
		const entries = chained(
			id,
			undefined,
			own.entries.map((entry) => ({ ...entry, id: entry.id.replace(/^.{8}/, '01a2b3c4') }))
		);
		const forged = { ...own, job: { ...own.job, id }, entries, head: entries.at(-1)!.hash };
		await expect(importJob(shop.db, forged, shop.technician)).rejects.toMatchObject({
			faults: expect.arrayContaining([
				expect.objectContaining({
					field: expect.stringMatching(/^people\.\d\.id$/),
					message: expect.stringContaining('only a file that this shop has sealed')
				})
			])
		});
	});

	it('that nobody vouches for teaches no torque', async () => {
		const id = await shop.job(['FL']);
		const joint = (await shop.record(id)).joints.find(({ kind }) => kind === 'rigid')!;
		await shop.say(id, 'joint', joint.id, { torque: '199', torqueSource: 'maker' });
		const { seal: _, ...bare } = await fileOf(id);
		await importJob(there.db, bare, there.technician);
		const { vehicle } = await there.record(id);
		const known = await listSpecifications(there.db, {
			vehicleId: vehicle.id,
			model: `${vehicle.make}|${vehicle.model}`,
			layouts: [vehicle.axles.front.layout, vehicle.axles.rear.layout]
		});
		expect(known.filter(({ torqueNm }) => torqueNm === 199)).toEqual([]);
	});

	it('with a sheet that is not the sealed one is not verified', async () => {
		await know();
		const file = await fileOf(await signed());
		const changed: JobFile = {
			...file,
			sheets: file.sheets!.map((one) => ({ ...one, pdf: Buffer.from('%PDF-').toString('base64') }))
		};
		const proof = proveFile(changed, await knownSigners(there.db));
		expect(proof.verified).toBe(false);
		expect(proof.words.join()).toMatch(/the sheet of entry \d+ is not the one that was sealed/);
	});
});
