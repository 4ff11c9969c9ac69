/** The larger checks, put where the kinds find them. */
import { benchWants, checkCompressor } from '../bench-wants.ts';
import { decideTorque } from '../kinds/torque/decide.ts';
import { putDeciders } from './deciding.ts';

export const deciders = { benchWants, checkCompressor, decideTorque };

putDeciders(deciders);
