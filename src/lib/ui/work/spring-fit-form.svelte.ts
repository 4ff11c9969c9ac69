/** What is touched and typed of a spring that goes in. */
import { numberOf } from '$core/units/parse';
import type {
	PadState,
	SpringFit,
	SpringHand,
	SpringPad,
	SpringWayUp
} from '$core/bench/spring-fit';

interface TypedPad {
	state: PadState | undefined;
	mm: string;
}

const typedPad = (pad?: SpringPad): TypedPad => ({
	state: pad?.state,
	mm: pad?.mm === undefined ? '' : String(pad.mm)
});
const isWrong = ({ state, mm }: TypedPad) =>
	state !== 'none' && mm.trim() !== '' && !(numberOf(mm) >= 0.5 && numberOf(mm) <= 60);

export class SpringFitForm {
	hand = $state<SpringHand>();
	wayUp = $state<SpringWayUp>();
	upper = $state<TypedPad>(typedPad());
	lower = $state<TypedPad>(typedPad());

	/** @param other how the other side went in, mirrored */
	constructor(other?: SpringFit) {
		this.hand = other?.hand;
		this.wayUp = other?.wayUp;
		this.upper = typedPad(other?.upper);
		this.lower = typedPad(other?.lower);
	}

	padFault(pad: TypedPad): string | undefined {
		return isWrong(pad) ? `‘${pad.mm}’: 0.5 to 60 mm, or nothing` : undefined;
	}

	/** Once all of it is said and nothing of it is wrong. */
	get fit(): SpringFit | undefined {
		const { hand, wayUp } = this;
		const [upper, lower] = [this.upper, this.lower].map(readPad);
		return hand && wayUp && upper && lower ? { hand, wayUp, upper, lower } : undefined;
	}
}

function readPad(pad: TypedPad): SpringPad | undefined {
	const { state, mm } = pad;
	if (!state || isWrong(pad)) return undefined;
	return { state, ...(state !== 'none' && mm.trim() && { mm: numberOf(mm) }) };
}
