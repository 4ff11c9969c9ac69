/** Answers that a page came with: found in the order they are asked, and only while the page opens. */
import { describe, expect, it } from 'vitest';
import { FirstAnswers } from './first-answers';

describe('first answers', () => {
	const brought = () => new FirstAnswers({ 'bolt 0': { n: 1 }, 'bolt 1': { n: 2 } });

	it('are told in the order they are asked', () => {
		const answers = brought();
		expect(answers.of('bolt', {})).toEqual({ n: 1 });
		expect(answers.of('bolt', {})).toEqual({ n: 2 });
		expect(answers.of('bolt', {})).toBeUndefined();
		expect(answers.of('bounce', {})).toBeUndefined();
	});

	it('are gone when the page is open', () => {
		const answers = brought();
		answers.end();
		expect(answers.of('bolt', {})).toBeUndefined();
	});

	it('travel as data that ends no script early', () => {
		document.body.innerHTML = '<script type="application/json" id="first-answers">{"a":1}</script>';
		expect(brought().script).toBe(document.body.innerHTML);
	});
});
