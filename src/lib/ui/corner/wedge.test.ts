import { axleOf, corners } from '$core/height/corners';
import { cornerMechanism, posturesAt } from '$core/job/corner';
import { demoNumbers, demoRecord } from '../../../../demo/jobs.testing';
import type { JobRecord } from '$core/job/record';
import { asHubToArch } from '$core/job/corner-target';
import { judgeBush } from '$core/job/rubber';
import { viewJob } from '$core/job/view';
import { findLayout } from '$core/layout/catalogue';
import { sampleCorners } from '$core/mechanism/samples';
import { describe, expect, it } from 'vitest';
import { armOf, wedgeOf } from './view';

/** Of each arm that is drawn, degrees: how far it turns in the drawing, its wedge, and the twist said. */
function wedges(record: JobRecord, offsetMm: number) {
	const view = viewJob(record);
	return corners.flatMap((corner) => {
		const height = view.corners[corner].target?.heightMm;
		const target = height === undefined ? undefined : asHubToArch(record, corner, height);
		const axle = record.vehicle.axles[axleOf(corner)];
		const mechanism = target === undefined ? undefined : cornerMechanism(axle, target);
		if (target === undefined || !mechanism?.ok) return [];
		const postures = posturesAt(mechanism.value, [target + offsetMm, target]);
		if (!postures.ok) return [];
		return (['lower', 'upper'] as const).flatMap((which) => {
			const [now, rest] = postures.value.map((posture) =>
				armOf(findLayout(axle.layout)!.mechanism, posture, which)
			);
			if (!now || !rest) return [];
			const at = target + offsetMm;
			const said = judgeBush(record, corner, at, record.limits, {
				key: null,
				place: `${which}-pivot`
			});
			if (!said.ok) throw new Error(JSON.stringify(said.faults));
			const { twistDeg } = said.value;
			const angle = ({ joint, pivot }: typeof now) =>
				Math.atan2(joint[0] - pivot[0], joint[1] - pivot[1]);
			const [from, until] = wedgeOf(now, rest.joint, twistDeg);
			const turned = (angle(now) - angle(rest)) * (180 / Math.PI);
			const wedge = (until - from) * (180 / Math.PI);
			return [{ name: `${axle.layout} ${corner} ${which}`, turned, wedge, said: twistDeg }];
		});
	});
}

describe('the wedge that is drawn is the twist that is said', () => {
	const numbers = demoNumbers();

	it.each([60, 20, -30])('of every layout of the demo shop, %i mm from the target', (offset) => {
		const all = numbers.flatMap((number) => wedges(demoRecord(number), offset));
		expect(new Set(all.map(({ name }) => name.split(' ')[0])).size).toBeGreaterThan(8);
		for (const { name, turned, wedge, said } of all) {
			expect(wedge, name).toBeCloseTo(Math.abs(said), 9);
			// Taped arms turn about an axis along the view: the arm is drawn where the wedge ends.
			expect(Math.abs(turned), name).toBeCloseTo(Math.abs(said), 2);
			expect(Math.sign(said), name).toBe(Math.sign(offset));
		}
	});

	it.each([
		['double-wishbone', 'double-wishbone', 0.05],
		['macpherson-clamp', 'macpherson', 0.1],
		['multi-link-rear', 'multi-link', 0.4]
	] as const)(
		'of a %s corner by hardpoints, whose axes lie across the view',
		(layout, key, most) => {
			const record = demoRecord('2026-0267');
			Object.assign(record.vehicle.axles.front, { layout, hardpoints: sampleCorners[key] });
			const front = wedges(record, 40).filter(({ name }) => name.includes(' F'));
			expect(front.length).toBeGreaterThan(1);
			for (const { name, turned, wedge, said } of front) {
				expect(wedge, name).toBeCloseTo(Math.abs(said), 9);
				expect(Math.abs(Math.abs(turned) - wedge), name).toBeLessThan(most);
			}
		}
	);
});
