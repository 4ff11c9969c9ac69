import { hash, verify } from '@node-rs/argon2';
import { createHash, randomBytes } from 'node:crypto';

/** Argon2id with OWASP's minimum (19 MiB, two passes). */
const options = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export const hashSecret = (secret: string): Promise<string> => hash(secret, options);

/** For a person who does not exist the same work is done, so that the answer takes as long. */
const nobody = hashSecret(randomBytes(16).toString('hex'));

export async function secretMatches(
	secretHash: string | null | undefined,
	secret: string
): Promise<boolean> {
	const matches = await verify(secretHash ?? (await nobody), secret);
	return matches && secretHash != null;
}

export const newToken = (): string => randomBytes(32).toString('base64url');
export const tokenHash = (token: string): Buffer => createHash('sha256').update(token).digest();
