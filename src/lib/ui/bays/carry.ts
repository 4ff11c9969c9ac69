import type { Attachment } from 'svelte/attachments';

/** How far a pointer goes before it carries, px; less is a touch. */
const threshold = 8;
/** How near an edge of the window the page begins to move, px. */
const edge = 60;

export interface Carried {
	/** It is carried: over which place, if any, and where the pointer is. */
	onover: (place: string | undefined, at: { x: number; y: number }) => void;
	/** Let go over a place, or over none. */
	ondrop: (place: string | undefined) => void;
}

/**
 * Lets something be carried to a place by mouse, pen or finger; places are elements that say so in
 * `data-place`. A finger begins sideways, since up and down it scrolls the page. Escape lets go over none.
 */
export function carried({ onover, ondrop }: Carried): Attachment<HTMLElement> {
	return (node) => {
		let from: { x: number; y: number } | undefined;
		let carrying = false;
		/** It was carried since it was touched, wherever it was let go. */
		let moved = false;
		let pointer = { x: 0, y: 0 };
		const placeAt = (x: number, y: number) =>
			(document.elementFromPoint(x, y)?.closest('[data-place]') as HTMLElement | null)?.dataset
				.place;
		/** Near the upper or lower edge the page moves under what is carried. */
		const scroll = () => {
			if (!carrying) return;
			const { y } = pointer;
			const by = y < edge ? y - edge : Math.max(0, y - (innerHeight - edge));
			if (by) {
				window.scrollBy(0, by / 4);
				onover(placeAt(pointer.x, y), pointer);
			}
			requestAnimationFrame(scroll);
		};
		const end = (place: string | undefined) => {
			if (carrying) ondrop(place);
			from = undefined;
			carrying = false;
		};
		const on = {
			pointerdown(event: PointerEvent) {
				if (event.button !== 0) return;
				moved = false;
				from = { x: event.clientX, y: event.clientY };
				// From the start: a quick hand is out of it before it has moved once.
				node.setPointerCapture(event.pointerId);
			},
			pointermove({ clientX: x, clientY: y }: PointerEvent) {
				if (!from) return;
				if (!carrying) {
					if (Math.hypot(x - from.x, y - from.y) < threshold) return;
					carrying = moved = true;
					requestAnimationFrame(scroll);
				}
				pointer = { x, y };
				onover(placeAt(x, y), pointer);
			},
			pointerup({ clientX, clientY }: PointerEvent) {
				// The click that follows is no touch.
				end(placeAt(clientX, clientY));
			},
			pointercancel: () => end(undefined),
			click(event: Event) {
				// The one that follows being carried is no touch.
				if (moved && (event as MouseEvent).detail > 0) event.stopImmediatePropagation();
				moved = false;
			},
			dragstart: (event: DragEvent) => event.preventDefault()
		};
		const key = (event: KeyboardEvent) => event.key === 'Escape' && end(undefined);
		node.style.touchAction = 'pan-y';
		const all = Object.entries(on) as [string, EventListener][];
		for (const [name, listener] of all) node.addEventListener(name, listener, true);
		document.addEventListener('keydown', key);
		return () => {
			for (const [name, listener] of all) node.removeEventListener(name, listener, true);
			document.removeEventListener('keydown', key);
		};
	};
}
