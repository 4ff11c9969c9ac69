import Joi from 'joi';
import { plugEnds } from '../../../work/scope.ts';
import { defineSchemas, wholeCar } from '../../book/kind-schemas.ts';

const waysOfAxle = () => Joi.object().pattern(Joi.string().max(40), Joi.string().max(60)).max(8);

const kept = () =>
	Joi.object({
		assembly: Joi.string().valid('rebuild', 'complete').required(),
		springOut: Joi.string().valid('lower-arm', 'internal-compressor').required(),
		first: Joi.string().valid('bottom', 'top').required(),
		sides: Joi.string().valid('one-by-one', 'together').required(),
		people: Joi.number().valid(1, 2).required(),
		load: Joi.string().valid('jack-to-height', 'on-wheels').required(),
		ways: Joi.object({ front: waysOfAxle(), rear: waysOfAxle() }),
		inside: Joi.string().valid('before-lifting', 'on-stands'),
		soak: Joi.string().valid('evening', 'wheel-off'),
		easeTop: Joi.boolean(),
		topNuts: Joi.string().valid('with-others', 'weight-on'),
		stands: Joi.string().valid('body', 'subframe'),
		plugs: Joi.string().valid(...plugEnds),
		align: Joi.string().valid('before-driving', 'after-settling')
	});

export const schemas = defineSchemas({
	subject: wholeCar,
	said: kept,
	kept
});
