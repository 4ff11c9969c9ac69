import type { Attachment } from 'svelte/attachments';

/** Where a pointer is, in the coordinates of the drawing. */
export interface Place {
	x: number;
	y: number;
}

/**
 * Lets a part of an SVG drawing be moved by pointer. `grab` is told where it was taken and returns what
 * to do with each further place.
 */
export function draggable(grab: (at: Place) => (to: Place) => void): Attachment<SVGElement> {
	return (node) => {
		const svg = (node.ownerSVGElement ?? node) as SVGSVGElement;
		let move: ((to: Place) => void) | undefined;
		const place = ({ clientX, clientY }: PointerEvent): Place => {
			const { x, y } = new DOMPoint(clientX, clientY).matrixTransform(
				svg.getScreenCTM()!.inverse()
			);
			return { x, y };
		};
		const down = (event: PointerEvent) => {
			event.preventDefault();
			node.setPointerCapture(event.pointerId);
			move = grab(place(event));
		};
		const drag = (event: PointerEvent) => move?.(place(event));
		const up = () => (move = undefined);
		node.addEventListener('pointerdown', down);
		node.addEventListener('pointermove', drag);
		node.addEventListener('pointerup', up);
		node.addEventListener('pointercancel', up);
		return () => {
			node.removeEventListener('pointerdown', down);
			node.removeEventListener('pointermove', drag);
			node.removeEventListener('pointerup', up);
			node.removeEventListener('pointercancel', up);
		};
	};
}
