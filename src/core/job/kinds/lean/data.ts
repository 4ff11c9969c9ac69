/** Subject `before/front`: why an axle stands higher on one side. */
export interface Data {
	reason: string;
}
