/** What may be said of a kind of fact and how it is kept, apart from what it does: a page draws without it. */
import Joi from 'joi';

export interface KindSchemas {
	// Made when something is checked, not when they are loaded.
	/** What its subject must be. */
	readonly subject: () => Joi.Schema;
	/** What is said, at every door. Absent: it has no door of its own and follows from something else. */
	readonly said?: () => Joi.ObjectSchema;
	/** As it is kept, and as files carry it. */
	readonly kept: () => Joi.Schema;
}

export const defineSchemas = (schemas: KindSchemas): KindSchemas => schemas;

/** The subject of what is said of the whole car. */
export const wholeCar = () => Joi.string().valid('car');
