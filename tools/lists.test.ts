import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { dataFiles, lists, withFiles } from './lists';

describe('lists of data files', () => {
	it.each(lists)('$module knows every file of its folder: npm run lists', (list) => {
		const text = readFileSync(list.module, 'utf8');
		expect(dataFiles(list).length).toBeGreaterThan(5);
		expect(withFiles(text, list.folder, dataFiles(list))).toBe(text);
	});

	it.each(lists)('$module takes a new one at the end, and only once', ({ module, folder }) => {
		const text = readFileSync(module, 'utf8');
		const whole = withFiles(text, folder, ['swing-axle-rear']);
		const line = `import swingAxleRear from './${folder}/swing-axle-rear.json' with { type: 'json' };`;
		expect(whole.split('\n').filter((one) => one === line)).toHaveLength(1);
		expect(whole).toMatch(/,\n\tswingAxleRear\n?\] as /);
		expect(withFiles(whole, folder, ['swing-axle-rear'])).toBe(whole);
		const without = whole.replace(`\n${line}`, '').replace(',\n\tswingAxleRear', '');
		expect(without).toBe(text);
	});

	it('says where there is none', () => {
		expect(() => withFiles('const list = [];', 'data', ['one'])).toThrow('no list of data');
	});
});
