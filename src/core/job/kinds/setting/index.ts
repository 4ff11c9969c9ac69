import { settingWords } from '../../../bench/setting.ts';
import { cornerNames, type Corner } from '../../../height/corners.ts';
import { defineKind } from '../../book/kind.ts';

/** How a coilover is set now: perch and clicks. */
export const setting = defineKind<'setting'>({
	kind: 'setting',
	name: 'Setting of a coilover',
	counts: 'last',
	saidAsKept: true,
	words: (data, { subject }) =>
		`coilover, ${cornerNames[subject as Corner].toLowerCase()}: ${settingWords(data)}`
});
