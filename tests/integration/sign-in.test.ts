import { v7 as uuidv7 } from 'uuid';
import { describe, expect, it } from 'vitest';
import { tokenHash } from '../../src/lib/server/auth/secrets.ts';
import { limits, signIn } from '../../src/lib/server/auth/sign-in.ts';
import { deleteSessionsOf, findSessionPerson } from '../../src/lib/server/db/sessions.ts';
import { changePerson, createPerson } from '../../src/lib/server/people.ts';
import { useShop } from './shop.ts';

const shop = useShop('sign_in');
const enter = (handle: string, secret: string, address = '10.0.0.1', hours = 12) =>
	signIn(shop.db, { handle, secret, address }, hours, new Date());

describe('signing in', () => {
	it('opens a session that ends when it is told to, everywhere', async () => {
		const [a, b] = await Promise.all([enter('tech', '123456'), enter('tech', '123456')]);
		expect(await findSessionPerson(shop.db, tokenHash(a.token))).toBe(shop.technician.id);
		await deleteSessionsOf(shop.db, shop.technician.id);
		for (const { token } of [a, b])
			expect(await findSessionPerson(shop.db, tokenHash(token))).toBeUndefined();
	});

	it('stores no token and no secret in the clear', async () => {
		const { token } = await enter('tech', '123456');
		const dump = JSON.stringify([
			await shop.db.rows('SELECT HEX(token_hash) AS h FROM sessions'),
			await shop.db.rows('SELECT * FROM people')
		]);
		expect(dump).not.toContain(token);
		expect(dump).not.toContain('123456');
		expect(dump).toContain('$argon2id$');
	});

	it('an expired session is none', async () => {
		const { token } = await enter('tech', '123456', '10.0.0.1', -1);
		expect(await findSessionPerson(shop.db, tokenHash(token))).toBeUndefined();
	});

	it('says the same for a wrong PIN and for a name that does not exist', async () => {
		const wrong = await enter('lead', '000000', '10.0.0.2').catch((e) => e.message);
		const nobody = await enter('nobody', '000000', '10.0.0.2').catch((e) => e.message);
		expect(wrong).toBe(nobody);
	});

	it('is limited per person, also with the right PIN then', async () => {
		await shop.person('limited', 'technician');
		for (let i = 0; i < limits.person; i++)
			await expect(enter('limited', '000000', `10.1.0.${i}`)).rejects.toMatchObject({
				status: 401
			});
		await expect(enter('LIMITED', '123456', '10.1.0.99')).rejects.toMatchObject({
			status: 429,
			extra: { retryAfterSeconds: expect.any(Number) }
		});
		await expect(enter('tech', '123456')).resolves.toBeDefined();
	});

	it('is limited per address, over all persons', async () => {
		for (let i = 0; i < limits.address; i++)
			await expect(enter(`guess${i}`, '000000', '10.2.0.1')).rejects.toMatchObject({ status: 401 });
		await expect(enter('tech', '123456', '10.2.0.1')).rejects.toMatchObject({ status: 429 });
	});
});

describe('people', () => {
	it('whose key is taken are out at once, and in again with it', async () => {
		const person = await shop.person('leaver', 'technician');
		const { token } = await enter('leaver', '123456');
		await changePerson(shop.db, person.id, { active: false });
		expect(await findSessionPerson(shop.db, tokenHash(token))).toBeUndefined();
		await expect(enter('leaver', '123456')).rejects.toMatchObject({ status: 401 });
		await changePerson(shop.db, person.id, { active: true });
		await expect(enter('leaver', '123456')).resolves.toBeDefined();
	});

	it('with a new PIN lose their sessions', async () => {
		const person = await shop.person('renewed', 'technician');
		const { token } = await enter('renewed', '123456');
		await changePerson(shop.db, person.id, { secret: '999999' });
		expect(await findSessionPerson(shop.db, tokenHash(token))).toBeUndefined();
		await expect(enter('renewed', '999999')).resolves.toBeDefined();
	});

	it('the last lead stays', async () => {
		await expect(changePerson(shop.db, shop.lead.id, { role: 'technician' })).rejects.toMatchObject(
			{ faults: [{ field: 'role' }] }
		);
		await expect(changePerson(shop.db, shop.lead.id, { active: false })).rejects.toMatchObject({
			status: 422
		});
	});

	it('have names to sign in with of their own', async () => {
		await expect(
			createPerson(shop.db, {
				id: uuidv7(),
				handle: 'tech',
				name: 'Other',
				role: 'lead',
				secret: '123456'
			})
		).rejects.toMatchObject({ faults: [{ field: 'handle' }] });
	});
});
