import type { ArmSpringInput } from '../../../spring/arm-spring.ts';
import type { Typed } from '../typed.ts';

/** Subject the corner: a spring on its arm, and how the jack lets it down. */
export interface Data {
	input: ArmSpringInput;
	typed: Typed;
}
