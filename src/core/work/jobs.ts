/**
 * Jobs beside dampers and springs, each a data file: what of a layout it takes out, and what goes in. A layout
 * that has no such part does not know the job.
 */
import type { Layout, LayoutPart, PartKind } from '../layout/types.ts';
import { airUnit, axleLinks, bellowsOf, damperOf, jointsOf, partOf } from '../layout/shape.ts';
import type { PartKey } from '../inspect/part-keys.ts';
import type { StepKind } from './operations.ts';
import airSpring from './jobs/air-spring.json' with { type: 'json' };
import arm from './jobs/arm.json' with { type: 'json' };
import barBush from './jobs/bar-bush.json' with { type: 'json' };
import bracket from './jobs/bracket.json' with { type: 'json' };
import bumpStop from './jobs/bump-stop.json' with { type: 'json' };
import bush from './jobs/bush.json' with { type: 'json' };
import coilover from './jobs/coilover.json' with { type: 'json' };
import dropLink from './jobs/drop-link.json' with { type: 'json' };
import topMount from './jobs/top-mount.json' with { type: 'json' };

interface Job {
	key: string;
	name: string;
	/** The kind of part that comes out; of a bar its brackets, of a mount the unit it is on. */
	takes: PartKind;
	/** Asked for part by part, as arms are. */
	each?: boolean;
	/** Its rubber is pressed out and in on the bench, and the part goes back. */
	press?: boolean;
	/** Its damper is opened on the bench; one that is one with its air is not. */
	opens?: true;
	/** Damper and spring come new in one kit, on a threaded perch; no air has any. */
	kit?: true;
	/** What is done at the car or the bench while the part is out, in this order, before it goes in again. */
	adds?: readonly StepKind[];
	/** What is bought for it. */
	part: PartKey;
}

const jobs = [
	dropLink,
	barBush,
	topMount,
	bumpStop,
	airSpring,
	arm,
	bush,
	bracket,
	coilover
] as Job[];

/** One job as it is asked for: at all such parts of an axle, or at one of them. */
export interface AskedJob {
	/** As it is kept: `drop-link`, `arm:lower-arm`. */
	id: string;
	job: Job;
	name: string;
	/** Of a job that is asked for part by part. */
	part?: LayoutPart;
}

/** Every job that a layout knows. */
export function jobsOf(layout: Layout): AskedJob[] {
	// Links of a live axle are changed one at a time, which its own job says.
	const own = (part: LayoutPart) => !part.shared && !axleLinks(layout).includes(part);
	return jobs.flatMap((job): AskedJob[] => {
		const parts = layout.assembly.parts.filter(
			(part) => part.kind === job.takes && canComeOut(layout, part)
		);
		const sealed = airUnit(layout).includes(damperOf(layout).key);
		const onAir = sealed || bellowsOf(layout) !== undefined;
		if (parts.length === 0 || (job.opens && sealed) || (job.kit && onAir)) return [];
		if (!job.each) return [{ id: job.key, job, name: job.name }];
		return parts.filter(own).map((part) => ({
			id: `${job.key}:${part.key}`,
			job,
			name: job.press ? `${job.name} of the ${lowered(part.name)}` : part.name,
			part
		}));
	});
}

/** The jobs that were asked for, of those that the layout knows. */
export const askedJobs = (layout: Layout, ids: readonly string[] = []): AskedJob[] =>
	ids.length === 0 ? [] : jobsOf(layout).filter(({ id }) => ids.includes(id));

/** Nothing that this work leaves alone holds it: all of it is joints. */
function canComeOut({ assembly, joints }: Layout, { key, kind }: LayoutPart): boolean {
	if (kind === 'mount' || kind === 'bar') return true;
	const contact = assembly.contacts.some(({ between }) => between.includes(key));
	return !contact && joints.some(({ between }) => between.includes(key));
}

const lowered = (name: string) => `${name[0]!.toLowerCase()}${name.slice(1)}`;

/** Joints of rubber that an arm has, in the order of its layout. */
export const bushesOf = (layout: Layout, part: LayoutPart) =>
	jointsOf(layout, part.key).filter(({ rubber, between }) => {
		const other = between.find((key) => key !== part.key)!;
		return rubber && partOf(layout, other)?.kind !== 'damper';
	});
