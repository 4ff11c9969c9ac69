import { expect, it } from 'vitest';
import { faultLine, validate } from '../../core/validate';
import { isWeakPin, password, secret } from './secret';

const words = (schema: ReturnType<typeof secret>, value: string) => {
	const checked = validate(schema, value);
	return checked.ok ? '' : checked.faults.map(faultLine).join();
};

it.each([
	'0000',
	'7777777',
	'1234',
	'4321',
	'7890',
	'0987',
	'890123',
	'1212',
	'1122',
	'123123',
	'1998',
	'2031',
	'2580'
])('%s is guessed first', (pin) => {
	expect(isWeakPin(pin)).toBe(true);
	expect(words(secret(), pin)).toContain('first that are guessed');
});

it.each(['4719', '90210', '258014', '1357', '2468', '13795'])('%s is taken', (pin) => {
	expect(words(secret(), pin)).toBe('');
});

it('short, or digits without end, is neither PIN nor password', () => {
	for (const wrong of ['', '123', 'oak', 'seven c', '1234567890123'])
		expect(words(secret(), wrong), wrong).not.toBe('');
	expect(words(secret(), 'arm at rest')).toBe('');
	expect(words(password(), '471926')).toContain('8 characters');
	expect(words(password(), 'arm at rest')).toBe('');
});
