import Joi from 'joi';

/** A step's id: its place and its kind. */
export const stepId = () =>
	Joi.string().pattern(
		/^(car|front|rear|FL|FR|RL|RR)\/[a-z0-9:-]{1,60}$/,
		'a step such as FL/support'
	);
