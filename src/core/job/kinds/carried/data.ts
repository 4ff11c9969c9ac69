/** What a job from before the book had that no entry says: its first chain, and the changes of its head. */
export interface Data {
	/** The chain over readings, torques and loadings, link by link; its last hash is its head. */
	chain: FirstLink[];
	/** In the words of that time, oldest first. */
	changes: { version: number; personId: string; what: string; at: string }[];
}

export interface FirstLink {
	seq: number;
	kind: 'reading' | 'torque' | 'loading';
	id: string;
	hash: string;
}
