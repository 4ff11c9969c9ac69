/** A person's own order of the steps. */
export interface Data {
	ids: string[];
}
