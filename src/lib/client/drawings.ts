/** Drawings of a page as files of their own: SVG that needs no style sheet, and PNG. */

export interface PageDrawing {
	svg: SVGSVGElement;
	/** What it shows, as a reader of the page hears it. */
	title: string;
}

/** Signs and small marks are no drawings, pixels. */
const leastWidth = 150;

/** Every drawing that stands on a page, in its order. */
export const drawingsOn = (root: ParentNode): PageDrawing[] =>
	[...root.querySelectorAll<SVGSVGElement>('svg[aria-label]')]
		.filter((svg) => svg.getBoundingClientRect().width >= leastWidth)
		.map((svg) => ({ svg, title: svg.getAttribute('aria-label')! }));

const styles = [
	'fill',
	'fill-opacity',
	'stroke',
	'stroke-width',
	'stroke-dasharray',
	'stroke-linecap',
	'stroke-linejoin',
	'opacity',
	'font-family',
	'font-size',
	'font-weight',
	'text-anchor',
	'display',
	'visibility'
] as const;

/** The drawing with its styles in itself, on the ground it stands on. */
export function standalone(svg: SVGSVGElement): string {
	const copy = svg.cloneNode(true) as SVGSVGElement;
	const [from, to] = [svg, copy].map((root) => [root, ...root.querySelectorAll('*')]);
	for (const [i, element] of from!.entries()) {
		const computed = getComputedStyle(element);
		const own = to![i]!;
		for (const name of styles) {
			const value = computed.getPropertyValue(name);
			if (value) own.setAttribute(name, value);
		}
		own.removeAttribute('class');
		own.removeAttribute('style');
		own.removeAttribute('tabindex');
	}
	const { width, height } = svg.getBoundingClientRect();
	const box = svg.viewBox.baseVal;
	const [x, y, wide, tall] = box.width
		? [box.x, box.y, box.width, box.height]
		: [0, 0, width, height];
	copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
	copy.setAttribute('width', String(Math.round(width)));
	copy.setAttribute('height', String(Math.round(height)));
	const ground = document.createElementNS('http://www.w3.org/2000/svg', 'rect');
	const colour = getComputedStyle(svg.closest('.panel') ?? document.body).backgroundColor;
	for (const [name, value] of Object.entries({ x, y, width: wide, height: tall, fill: colour }))
		ground.setAttribute(name, String(value));
	copy.prepend(ground);
	return new XMLSerializer().serializeToString(copy);
}

/** @param times of the size on the screen, for print */
export async function asPng(svg: string, times = 2): Promise<Blob> {
	const image = new Image();
	image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
	await image.decode();
	const canvas = document.createElement('canvas');
	[canvas.width, canvas.height] = [image.width * times, image.height * times];
	canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
	return new Promise((done, failed) =>
		canvas.toBlob((blob) => (blob ? done(blob) : failed(new Error('no picture'))), 'image/png')
	);
}

/**
 * By car, job, day and what it shows: `RUD-614_2026-0268_2026-11-27_corner-to-scale`.
 *
 * @param of the car and the job of the page, where it has them
 */
export function drawingName(
	title: string,
	of: { plate?: string; number?: string },
	isoDay: string
): string {
	const plain = (text: string) =>
		text
			.normalize('NFD')
			.replace(/\p{M}/gu, '')
			.replace(/[^\p{L}\p{N}]+/gu, '-')
			.replace(/^-|-$/g, '');
	const short = plain(title.split(/[:,]/)[0]!.toLowerCase()).slice(0, 40);
	return [of.plate && plain(of.plate), of.number, isoDay, short].filter(Boolean).join('_');
}

/** Gives a file to the browser to keep. */
export function saveFile(name: string, blob: Blob): void {
	const link = document.createElement('a');
	link.href = URL.createObjectURL(blob);
	link.download = name;
	link.click();
	setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}
