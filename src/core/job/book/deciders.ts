/** The larger checks, put where the kinds find them. */
import { checkCompressor } from '../bench-wants.ts';
import { decideHead } from '../kinds/head/decide.ts';
import { decideJoint } from '../kinds/joint/decide.ts';
import { decideOwn } from '../kinds/own/decide.ts';
import { decideStep } from '../kinds/step/decide.ts';
import { decideTarget } from '../kinds/target/decide.ts';
import { decideTorque } from '../kinds/torque/decide.ts';
import { putDeciders } from './deciding.ts';

putDeciders({
	checkCompressor,
	decideHead,
	decideJoint,
	decideOwn,
	decideStep,
	decideTorque,
	decideTarget
});
