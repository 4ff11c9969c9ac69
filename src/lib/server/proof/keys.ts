/** The key a shop seals with: its private half a file of its own outside the database, readable by nobody else. */
import {
	createHash,
	createPrivateKey,
	createPublicKey,
	generateKeyPairSync,
	sign,
	verify,
	type KeyObject
} from 'node:crypto';
import { mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Sheet } from '../../../core/job/sheet/document.ts';
import { insertSealKey, retireSealKeys, type PublicKey } from '../db/seals.ts';
import type { Database } from '../db/pool.ts';
import type { SealMark } from '../exchange/sheet-pdf.ts';

export interface SigningKey extends PublicKey {
	privateKey: KeyObject;
}

/** What seals a shop's jobs. */
export interface Sealer {
	/** Folder of the private key. */
	folder: string;
	/** Address at which the shop's page of proof is opened. */
	origin: string;
	/** Draws the sheets; here, where nobody else does. */
	draw?: (sheet: Sheet, mark: SealMark) => Promise<Uint8Array>;
}

const keyFile = (folder: string) => join(folder, 'signing-key.pem');

/** The key in use; the first time, it is made. */
export async function signingKey(db: Database, folder: string): Promise<SigningKey> {
	const found = readKey(folder) ?? makeKey(folder);
	await insertSealKey(db, found);
	return found;
}

/** Another key from now on; the old one's public half stays known, its private half is gone. */
export async function rotateKey(db: Database, folder: string): Promise<SigningKey> {
	const before = readKey(folder);
	if (before) await insertSealKey(db, before);
	const next = makeKey(folder, before !== undefined);
	await retireSealKeys(db, next.keyId);
	await insertSealKey(db, next);
	return next;
}

function readKey(folder: string): SigningKey | undefined {
	let pem: string;
	try {
		pem = readFileSync(keyFile(folder), 'utf8');
	} catch (error) {
		if ((error as NodeJS.ErrnoException).code === 'ENOENT') return undefined;
		throw error;
	}
	return keyOf(createPrivateKey(pem));
}

function makeKey(folder: string, replace = false): SigningKey {
	mkdirSync(folder, { recursive: true, mode: 0o700 });
	const { privateKey } = generateKeyPairSync('ed25519');
	const pem = privateKey.export({ type: 'pkcs8', format: 'pem' });
	// Written whole beside, so that a key is never half there.
	const file = keyFile(folder);
	if (replace) {
		writeFileSync(`${file}.new`, pem, { mode: 0o600 });
		renameSync(`${file}.new`, file);
	} else writeFileSync(file, pem, { mode: 0o600, flag: 'wx' });
	return keyOf(privateKey);
}

function keyOf(privateKey: KeyObject): SigningKey {
	const { x } = createPublicKey(privateKey).export({ format: 'jwk' });
	return { keyId: keyIdOf(x!), publicKey: x!, privateKey };
}

/** First 16 hex digits of the SHA-256 of the public key's 32 bytes. */
export const keyIdOf = (publicKey: string): string =>
	createHash('sha256').update(Buffer.from(publicKey, 'base64url')).digest('hex').slice(0, 16);

export const signWith = ({ privateKey }: SigningKey, statement: string): string =>
	sign(null, Buffer.from(statement), privateKey).toString('base64url');

/** Whether a signature is that key's over the statement; false too for what is no key or no signature. */
export function signedBy(publicKey: string, statement: string, signature: string): boolean {
	try {
		const key = createPublicKey({
			key: { kty: 'OKP', crv: 'Ed25519', x: publicKey },
			format: 'jwk'
		});
		return verify(null, Buffer.from(statement), key, Buffer.from(signature, 'base64url'));
	} catch {
		return false;
	}
}
