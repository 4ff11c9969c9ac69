/** Parts of a page that are not in its first load. */
import { render, screen } from '@testing-library/svelte';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import Fetching from '../../../../tests/client/Fetching.svelte';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

it('a part that could not be fetched is tried again while the page stands', async () => {
	const fetch = vi.fn(() => Promise.resolve('here'));
	fetch.mockRejectedValueOnce(new Error('no network'));
	const { unmount } = render(Fetching, { fetch });
	await vi.advanceTimersByTimeAsync(2500);
	expect(fetch).toHaveBeenCalledTimes(1);
	expect(screen.queryByText('here')).toBeNull();
	await vi.advanceTimersByTimeAsync(3000);
	expect(screen.getByText('here')).toBeTruthy();
	await vi.advanceTimersByTimeAsync(9000);
	expect(fetch).toHaveBeenCalledTimes(2);
	unmount();
});

it('and no more once the page has gone', async () => {
	const fetch = vi.fn(() => Promise.reject<string>(new Error('no network')));
	const { unmount } = render(Fetching, { fetch });
	await vi.advanceTimersByTimeAsync(2500);
	unmount();
	await vi.advanceTimersByTimeAsync(9000);
	expect(fetch).toHaveBeenCalledTimes(1);
});
