/** Drawings of a page as files of their own. */
import { afterEach, describe, expect, it, vi } from 'vitest';
import { drawingName, drawingsOn, saveFile, standalone } from './drawings';

afterEach(() => {
	document.body.innerHTML = '';
	vi.restoreAllMocks();
});

function page(): void {
	document.body.innerHTML = `
		<svg aria-label="Corner to scale: hub to arch 365 mm" viewBox="0 0 400 300">
			<path class="line" style="stroke: red; stroke-width: 3px" d="M 0 0 L 10 10"/>
		</svg>
		<svg viewBox="0 0 24 24"></svg>
		<svg aria-label="A mark" viewBox="0 0 24 24"></svg>`;
	vi.spyOn(Element.prototype, 'getBoundingClientRect').mockImplementation(function (this: Element) {
		const wide = this.getAttribute('aria-label') === 'A mark' ? 24 : 600;
		return { width: wide, height: 450 } as DOMRect;
	});
}

describe('the drawings of a page', () => {
	it('are those that are named and large enough to be one', () => {
		page();
		expect(drawingsOn(document).map(({ title }) => title)).toEqual([
			'Corner to scale: hub to arch 365 mm'
		]);
	});

	it('carry their styles in themselves, on a ground', () => {
		page();
		const text = standalone(drawingsOn(document)[0]!.svg);
		expect(text).toContain('xmlns="http://www.w3.org/2000/svg"');
		expect(text).toMatch(/<rect[^>]*width="(400|600)"/);
		expect(text).toMatch(/stroke="(red|rgb\(255, 0, 0\))"/);
		expect(text).not.toMatch(/class=|style=/);
	});

	it('are named by car, job and day', () => {
		const name = (title: string, of: object = { plate: 'RUD 614', number: '2026-0268' }) =>
			drawingName(title, of, '2026-11-27');
		expect(name('Corner to scale: hub to arch 365 mm')).toBe(
			'RUD-614_2026-0268_2026-11-27_corner-to-scale'
		);
		expect(name('Höhe/Vorne, links', {})).toBe('2026-11-27_hohe-vorne');
	});

	it('are given to the browser under that name', () => {
		const click = vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(() => {});
		vi.stubGlobal(
			'URL',
			Object.assign(URL, { createObjectURL: () => 'blob:x', revokeObjectURL: vi.fn() })
		);
		saveFile('x.svg', new Blob(['<svg/>']));
		expect(click).toHaveBeenCalledTimes(1);
		vi.unstubAllGlobals();
	});
});
