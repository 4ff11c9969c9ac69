/** What has to be laid out for a job: tools, sockets, what is used up. */
import { axleOf } from '../height/corners.ts';
import { loosenedJoints, workSteps } from '../work/assembly-steps.ts';
import { axlePlans, type WorkScope } from '../work/scope.ts';

export interface ToolLine {
	name: string;
	/** Steps it is wanted for. */
	for: string[];
	special: boolean;
}

/** Tools that a shop does not have in every drawer. */
const special = /compressor|splitter|lever|scales/i;

/** Every tool the steps ask for, once, with what it is for. */
export function toolLines(scope: WorkScope): ToolLine[] {
	const tools = new Map<string, ToolLine>();
	for (const step of workSteps(scope)) {
		for (const name of (step.tool ?? '').split(', ').filter(Boolean)) {
			const key = name[0]!.toUpperCase() + name.slice(1);
			const line = tools.get(key) ?? { name: key, for: [], special: special.test(key) };
			if (!line.for.includes(step.title)) line.for.push(step.title);
			tools.set(key, line);
		}
	}
	return [...tools.values()].sort(
		(a, b) => Number(b.special) - Number(a.special) || a.name.localeCompare(b.name)
	);
}

/** What is used up. Common practice, no source. */
export function consumables(scope: WorkScope): string[] {
	const plans = axlePlans(scope);
	if (plans.length === 0) return [];
	return [
		...(scope.rust === 'none' ? [] : ['Penetrating oil', 'Wire brush']),
		'Paint pen',
		'Cable ties, trim clips',
		...(plans.some(({ rebuilt }) => rebuilt) ? ['Grease for the compressor’s screws'] : []),
		...(loosenedJoints(scope).some(({ corner, key }) => {
			const { joints } = scope.layouts[axleOf(corner)];
			return joints.find((joint) => joint.key === key)?.kind === 'ball-joint';
		})
			? ['Cleaner for tapers: clean and dry']
			: [])
	];
}

/** Widths across flats of hexagon nuts and bolts by thread, mm: ISO 272 (from memory); older parts in brackets. */
const acrossFlats: Readonly<Record<number, string>> = {
	6: '10',
	8: '13',
	10: '16 (17)',
	12: '18 (19)',
	14: '21 (22)',
	16: '24',
	18: '27',
	20: '30'
};

export interface SocketLine {
	/** As it stands on the socket, mm. */
	widthMm: string;
	diameterMm: number;
	/** Joints it is wanted for. */
	for: string[];
}

/** Sockets for joints whose thread is known; a thread without a usual width is left out. */
export function socketLines(joints: readonly { name: string; diameterMm: number }[]): SocketLine[] {
	const lines = new Map<number, SocketLine>();
	for (const { name, diameterMm } of joints) {
		const widthMm = acrossFlats[diameterMm];
		if (!widthMm) continue;
		const line = lines.get(diameterMm) ?? { widthMm, diameterMm, for: [] };
		if (!line.for.includes(name)) line.for.push(name);
		lines.set(diameterMm, line);
	}
	return [...lines.values()].sort((a, b) => a.diameterMm - b.diameterMm);
}
