import { v7 as uuidv7 } from 'uuid';
import { describe, expect, it } from 'vitest';
import { tokenHash } from '../../src/lib/server/auth/secrets.ts';
import {
	changePassword,
	limits,
	mayTry,
	placeOf,
	signIn
} from '../../src/lib/server/auth/sign-in.ts';
import { deleteSessionsOf, findSessionPerson } from '../../src/lib/server/db/sessions.ts';
import { changePerson, createPerson } from '../../src/lib/server/people.ts';
import { useShop } from './shop.ts';

const shop = useShop('sign_in');
const enter = async (
	handle: string,
	secret: string,
	address = '10.0.0.1',
	hours = 12,
	tablet?: string
) => {
	const place = await placeOf(shop.db, tablet, address);
	return signIn(shop.db, { handle, secret, place }, hours, new Date());
};
async function fails(handle: string, times: number, address: string, tablet?: string) {
	for (let i = 0; i < times; i++)
		await expect(enter(handle, '000000', address, 12, tablet)).rejects.toMatchObject({
			status: 401
		});
}
/** How long a try is told to wait, s. */
async function waitOf(attempt: Promise<unknown>): Promise<number> {
	const refused: unknown = await attempt.then(
		() => undefined,
		(error: unknown) => error
	);
	expect(refused).toMatchObject({ status: 429, extra: { retryAfterSeconds: expect.any(Number) } });
	return (refused as { extra: { retryAfterSeconds: number } }).extra.retryAfterSeconds;
}
/** All waits of now have passed; that there were some is remembered. */
const waitIsOver = () =>
	shop.db.run("DELETE FROM sign_in_attempts WHERE `key` NOT LIKE '%-waits:%'");

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

	it('is limited per person at one place, with a wait that grows, also with the right PIN', async () => {
		await shop.person('limited', 'technician');
		const waits: number[] = [];
		for (let round = 0; round < 3; round++) {
			await fails('limited', limits.here.tries, '10.1.0.1');
			waits.push(await waitOf(enter('LIMITED', '123456', '10.1.0.1')));
			await waitIsOver();
		}
		expect(waits).toEqual([30, 60, 120]);
		await expect(enter('limited', '123456', '10.1.0.1')).resolves.toBeDefined();
		await fails('limited', limits.here.tries, '10.1.0.1');
		expect(await waitOf(enter('limited', '123456', '10.1.0.1'))).toBe(30);
	});

	it('tries of many at once are no more than those of one after another', async () => {
		await shop.person('stormed', 'technician');
		const storm = await Promise.all(
			Array.from({ length: 40 }, () =>
				enter('stormed', '000000', '10.1.1.1').catch((error: { status: number }) => error.status)
			)
		);
		expect(storm.filter((status) => status === 401)).toHaveLength(limits.here.tries);
		expect(await waitOf(enter('stormed', '123456', '10.1.1.1'))).toBeLessThanOrEqual(30);
	});

	it('is limited per address, over all persons; an IPv6 network is one address', async () => {
		const of = (i: number) => (i % 2 ? `2001:db8:0:7::${i}` : `2001:db8:0:7:aaaa::${i}`);
		for (let i = 0; i < limits.address.tries; i++) await fails(`guess${i}`, 1, of(i));
		await waitOf(enter('tech', '123456', of(99)));
		await expect(
			placeOf(shop.db, 'no-mark', of(99)).then((at) => mayTry(shop.db, at))
		).rejects.toMatchObject({ status: 429 });
		await expect(enter('tech', '123456', '2001:db8:0:8::1')).resolves.toBeDefined();
	});

	it('a tablet of the shop is no stranger: neither a flood at its address nor one at the person’s name shuts it out', async () => {
		await shop.person('wanted', 'technician');
		const { tablet } = await enter('wanted', '123456', '10.4.0.1');
		for (let i = 0; i < limits.strangers.tries / 5; i++)
			await fails('wanted', 5, `10.4.0.${i + 2}`);
		for (let i = 0; i < limits.address.tries; i++) await fails(`other${i}`, 1, '10.4.0.1');
		await waitOf(enter('wanted', '123456', '10.4.0.200'));
		await waitOf(enter('wanted', '123456', '10.4.0.1'));
		await expect(enter('wanted', '123456', '10.4.0.1', 12, tablet)).resolves.toMatchObject({
			tablet
		});
		await fails('wanted', limits.here.tries, '10.4.0.1', tablet);
		await waitOf(enter('wanted', '123456', '10.4.0.1', 12, tablet));
		await expect(enter('lead', '123456', '10.4.0.1', 12, tablet)).resolves.toBeDefined();
	});

	it('a new PIN from a lead begins anew', async () => {
		const { id } = await shop.person('locked', 'technician');
		for (let i = 0; i < limits.strangers.tries / 5; i++) await fails('locked', 5, `10.5.0.${i}`);
		await waitOf(enter('locked', '123456', '10.5.0.99'));
		await changePerson(shop.db, id, { secret: '471926' });
		await expect(enter('locked', '471926', '10.5.0.99')).resolves.toBeDefined();
	});

	it('a lead’s password is a way of its own, set by whoever knows the PIN', async () => {
		const boss = await shop.person('boss', 'lead');
		await expect(
			changePassword(shop.db, boss, { secret: '000000', password: 'arm at rest' })
		).rejects.toMatchObject({ faults: [{ field: 'secret' }] });
		await changePassword(shop.db, boss, { secret: '123456', password: 'arm at rest' });
		await fails('boss', limits.here.tries, '10.6.0.1');
		await waitOf(enter('boss', '123456', '10.6.0.1'));
		await expect(enter('boss', 'arm at rust', '10.6.0.1')).rejects.toMatchObject({ status: 401 });
		await expect(enter('boss', 'arm at rest', '10.6.0.1')).resolves.toBeDefined();
		await changePassword(shop.db, boss, { secret: '123456', password: null });
		await expect(enter('boss', 'arm at rest', '10.6.0.1')).rejects.toMatchObject({ status: 401 });
		await changePerson(shop.db, boss.id, { role: 'technician' });
	});

	it('what is refused while it waits stores nothing', async () => {
		await shop.person('patient', 'technician');
		await fails('patient', limits.here.tries, '10.7.0.1');
		await waitOf(enter('patient', '123456', '10.7.0.1'));
		const stored = () => shop.db.rows('SELECT * FROM sign_in_attempts ORDER BY `key`');
		const before = await stored();
		for (let i = 0; i < 20; i++) await waitOf(enter('patient', `00${i}000`, '10.7.0.1'));
		expect(await stored()).toEqual(before);
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

	it('who lead cannot take it from each other into none, however close together', async () => {
		const other = await shop.person('second', 'lead');
		for (const { id } of await shop.db.rows<{ id: string }>(
			"SELECT id FROM people WHERE role = 'lead'"
		)) {
			if (id !== other.id && id !== shop.lead.id)
				await changePerson(shop.db, id, { role: 'technician' });
		}
		for (let round = 0; round < 20; round++) {
			const outcomes = await Promise.allSettled(
				[shop.lead.id, other.id].map((id) => changePerson(shop.db, id, { role: 'technician' }))
			);
			expect(outcomes.filter(({ status }) => status === 'rejected')).toHaveLength(1);
			for (const id of [shop.lead.id, other.id]) await changePerson(shop.db, id, { role: 'lead' });
		}
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
