import { body, endpoint, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { changeJoint, removeJoint, type JointInput } from '$lib/server/jobs/joints';
import { jointChangeSchema, removeSchema } from '$lib/schema/job';

/** Changes a joint: its specified torque, kind, rule or note. */
export const PATCH = endpoint(async (event) => {
	const who = person(event);
	const { id, joint } = event.params;
	return changeJoint(db, id!, joint!, await body<JointInput>(event, jointChangeSchema), who.id);
});

/** Removes a joint that nothing was recorded on. */
export const DELETE = endpoint(async (event) => {
	const who = person(event);
	const { id, joint } = event.params;
	const { version } = await body<{ version: number }>(event, removeSchema);
	return removeJoint(db, id!, joint!, version, who.id);
});
