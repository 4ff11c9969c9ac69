/** In place of SvelteKit's own modules where a component is rendered without a page around it. */
export const page: { data: Record<string, unknown>; url: URL } = {
	data: {},
	url: new URL('http://localhost/')
};
export const navigating: { to: unknown } = { to: null };
export const invalidateAll = (): Promise<void> => Promise.resolve();
export const goto = (): Promise<void> => Promise.resolve();
export const version = 'test';
