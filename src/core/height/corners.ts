/** The four corners, axle by axle. */
export const corners = ['FL', 'FR', 'RL', 'RR'] as const;
export type Corner = (typeof corners)[number];
export type Axle = 'front' | 'rear';
export type PerCorner<T> = Record<Corner, T>;

export const cornerNames: Readonly<PerCorner<string>> = {
	FL: 'Front left',
	FR: 'Front right',
	RL: 'Rear left',
	RR: 'Rear right'
};

/** Round the car on foot. */
export const usualWalk: readonly Corner[] = ['FL', 'RL', 'RR', 'FR'];

export const axleOf = (corner: Corner): Axle => (corner[0] === 'F' ? 'front' : 'rear');
/** The other wheel of the axle. */
export const otherSide = (corner: Corner): Corner =>
	`${corner[0]}${corner[1] === 'L' ? 'R' : 'L'}` as Corner;
export const isLeft = (corner: Corner): boolean => corner[1] === 'L';

export function perCorner<T>(make: (corner: Corner) => T): PerCorner<T> {
	return { FL: make('FL'), FR: make('FR'), RL: make('RL'), RR: make('RR') };
}
