/** The larger checks, put where the kinds find them. */
import { benchWants, checkCompressor } from '../bench-wants.ts';
import { decideTorque } from '../kinds/torque/decide.ts';
import { predictTarget } from '../predict-target.ts';
import { putDeciders } from './deciding.ts';

putDeciders({ benchWants, checkCompressor, decideTorque, predictTarget });
