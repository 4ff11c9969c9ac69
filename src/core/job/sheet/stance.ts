/** How a car stood and stands, as two drawings of it from the side: plain SVG, the same on a page and in a PDF. */
import type { Corner } from '../../height/corners.ts';

type Heights = Partial<Record<Corner, number>>;

/** The car's outline between its wheels' centres, in shares of the distance between them; up is negative. */
const outline: readonly (readonly [x: number, y: number])[] = [
	[-0.3, -0.01],
	[-0.29, -0.26],
	[-0.06, -0.34],
	[0.22, -0.4],
	[0.4, -0.64],
	[0.82, -0.64],
	[1.04, -0.4],
	[1.25, -0.36],
	[1.27, -0.01]
];
const wheelAt = 250;
const width = 420;
const height = 250;
/** Differences of height are drawn larger than the car, to be seen at all. */
export const stanceEnlarged = 2;
const mmToUnits = 0.1 * stanceEnlarged;
const ground = 222;
const axle = ground - 34;

/** The outline lifted at its two ends, mm above the mean. */
function body(frontMm: number, rearMm: number): string {
	const points = outline.map(([x, y]) => {
		const lift = (frontMm + (rearMm - frontMm) * x) * mmToUnits;
		return [85 + x * wheelAt, axle + y * wheelAt - lift];
	});
	return `M ${points.map((point) => point.map((n) => n.toFixed(1)).join(' ')).join(' L ')} Z`;
}

const wheel = (x: number) =>
	`<circle cx="${x}" cy="${axle}" r="34" fill="#ffffff" stroke="#1c2321" stroke-width="5"/>` +
	`<circle cx="${x}" cy="${axle}" r="5" fill="#1c2321"/>`;

/**
 * One side of the car: dashed as it stood, full as it stands.
 *
 * @param side which side is looked at; the nose points outward, left or right
 * @returns undefined until both corners of the side are read once
 */
export function stanceSvg(
	side: 'left' | 'right',
	before: Heights,
	after: Heights
): string | undefined {
	const [front, rear]: [Corner, Corner] = side === 'left' ? ['FL', 'RL'] : ['FR', 'RR'];
	const known = [before, after].filter(
		(heights) => heights[front] !== undefined && heights[rear] !== undefined
	);
	if (known.length === 0) return undefined;
	const mean =
		known.reduce((sum, heights) => sum + heights[front]! + heights[rear]!, 0) / (2 * known.length);
	const drawn = (heights: Heights, style: string) =>
		heights[front] === undefined || heights[rear] === undefined
			? ''
			: `<path d="${body(heights[front] - mean, heights[rear] - mean)}" fill="none" ${style}/>`;
	const flip = side === 'right' ? ` transform="translate(${width} 0) scale(-1 1)"` : '';
	return (
		`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}"><g${flip}>` +
		`<path d="M 0 ${ground} H ${width}" stroke="#b9c2be" stroke-width="2"/>` +
		drawn(before, 'stroke="#8a4b00" stroke-width="3" stroke-dasharray="9 6"') +
		drawn(after, 'stroke="#0f5b4c" stroke-width="4"') +
		wheel(85) +
		wheel(85 + wheelAt) +
		'</g></svg>'
	);
}
