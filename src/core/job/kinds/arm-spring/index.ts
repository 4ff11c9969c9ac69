import Joi from '#joi';
import { cornerNames, corners, type Corner } from '../../../height/corners.ts';
import { defineKind } from '../../book/kind.ts';
import * as inputs from '../../../schema/inputs.ts';
import { typed } from '../typed.ts';

const kept = () => Joi.object({ input: Joi.object(inputs.armSpring()).required(), typed: typed() });

export const armSpring = defineKind<'arm-spring'>({
	kind: 'arm-spring',
	name: 'Spring on its arm',
	counts: 'last',
	subject: () => Joi.string().valid(...corners),
	said: kept,
	kept,
	words: (_, { subject }) =>
		`force of the spring on its arm, ${cornerNames[subject as Corner].toLowerCase()}`
});
