/** Tasks that wait for each other and share people, places and lifts. */

export interface Task {
	id: string;
	minutes: number;
	/** Units of each resource it holds while it runs. */
	needs: Readonly<Record<string, number>>;
	/** Ids of tasks that end before it starts. */
	after: readonly string[];
}

/** One unit of a resource held from the start of one task to the end of a later one: a car on a lift. */
export interface Hold {
	resource: string;
	from: string;
	until: string;
}

export interface Project {
	tasks: readonly Task[];
	/** Units there are of each resource. */
	capacity: Readonly<Record<string, number>>;
	holds?: readonly Hold[];
}
