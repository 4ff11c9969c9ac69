import Joi from 'joi';
import { mostClicks, mostPreloadMm } from '../../../bench/setting.ts';
import { corners } from '../../../height/corners.ts';
import { typed } from '../typed.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

const clicks = () =>
	Joi.number().integer().min(0).max(mostClicks).description('clicks from full stiff');

const kept = () =>
	Joi.object({
		preloadMm: Joi.number().min(0).max(mostPreloadMm),
		rebound: clicks(),
		compression: clicks(),
		typed: typed()
	}).or('preloadMm', 'rebound', 'compression');

export const schemas = defineSchemas({
	subject: () => Joi.string().valid(...corners),
	said: kept,
	kept
});
