import { corners, type Corner } from '$core/height/corners';

/** The corner that an address names; null where it names none. */
export function cornerAsked(url: URL): Corner | null {
	const asked = url.searchParams.get('corner') as Corner | null;
	return asked && corners.includes(asked) ? asked : null;
}
