/**
 * A change that is refused when somebody else changed the job meanwhile: the person is shown what
 * changed and can apply theirs again, on top.
 */
import { refresh } from './refresh';
import { call, type Refusal } from './api';

export class VersionedWrite {
	/** Why the last try was refused; undefined when it went through. */
	refusal = $state<Refusal>();
	busy = $state(false);
	#again: (() => Promise<boolean>) | undefined;

	get stale(): boolean {
		return this.refusal?.currentVersion !== undefined;
	}

	/** @returns true when the change is on record */
	async send(
		method: string,
		path: string,
		body: Record<string, unknown>,
		version: number
	): Promise<boolean> {
		this.busy = true;
		const answer = await call(method, path, { ...body, version });
		this.busy = false;
		this.refusal = answer.ok ? undefined : answer.refusal;
		const current = this.refusal?.currentVersion;
		this.#again = current === undefined ? undefined : () => this.send(method, path, body, current);
		if (answer.ok) await refresh();
		return answer.ok;
	}

	applyAgain(): Promise<boolean> {
		return this.#again?.() ?? Promise.resolve(false);
	}

	async takeTheirs(): Promise<void> {
		this.refusal = undefined;
		await refresh();
	}
}
