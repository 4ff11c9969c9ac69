import { expect, it } from 'vitest';
import { errorForLog } from './log';

const secret = '$argon2id$v=19$m=19456$s3cret';

it('a database error is kept without its statement and without its words', () => {
	const error = Object.assign(new Error(`Duplicate entry '${secret}' for key 'handle'`), {
		code: 'ER_DUP_ENTRY',
		errno: 1062,
		sqlState: '23000',
		sqlMessage: `Duplicate entry '${secret}'`,
		sql: `INSERT INTO people VALUES ('${secret}')`
	});
	const kept = errorForLog(error);
	expect(JSON.stringify(kept)).not.toContain('s3cret');
	expect(kept).toMatchObject({ type: 'Error', code: 'ER_DUP_ENTRY', errno: 1062 });
	expect((kept as { stack: string }).stack).toContain('log.test.ts');
});

it('another error keeps its words and its place, and nothing that hangs on it', () => {
	const error = Object.assign(new TypeError('height is not a number'), { token: secret });
	const kept = errorForLog(error);
	expect(kept).toMatchObject({ type: 'TypeError', message: 'height is not a number' });
	expect(JSON.stringify(kept)).not.toContain('s3cret');
	expect(errorForLog({ token: secret })).toEqual({ type: 'object' });
});
