import type { KnownSpecification } from '$core/job/joints';
import type { JointState, JointStatus } from '$core/procedure/joint-status';
import type { Mark } from '$lib/ui/status/StateMark.svelte';

interface Marked {
	mark: Mark;
	word: string;
}

/** Shape and word of each state of a joint. */
const jointMarks: Readonly<Record<JointState, Marked>> = {
	untouched: { mark: 'note', word: 'not undone' },
	open: { mark: 'owed', word: 'open' },
	begun: { mark: 'nipped', word: 'begun' },
	nipped: { mark: 'nipped', word: 'nipped' },
	again: { mark: 'again', word: 'again' },
	torqued: { mark: 'done', word: 'torqued' },
	set: { mark: 'set', word: 'set' },
	accepted: { mark: 'note', word: 'accepted' }
};

/** No tick of the specification where nobody has specified anything, nor of a bush that may be wound up. */
export const markOf = ({
	state,
	unspecified,
	unsure
}: Pick<JointStatus, 'state' | 'unspecified' | 'unsure'>): Marked => {
	const { mark, word } = jointMarks[state];
	const done = mark === 'done' || mark === 'set';
	const doubt = [unspecified && 'no specification', unsure && 'not sure'].filter(Boolean);
	return done && doubt.length
		? { mark: 'note', word: [word, ...doubt].join(', ') }
		: { mark, word };
};

/** Where a known torque comes from, in words. */
export function knownWords({ scope, source, jobNumber, modelYear }: KnownSpecification): string {
	const from = { maker: 'maker’s data', shop: 'the shop’s figure', estimated: 'estimated' }[source];
	const car =
		scope === 'car' ? 'this car' : `the same model, ${modelYear ? modelYear : 'year not known'}`;
	return `${from}, ${car}, job ${jobNumber}`;
}
