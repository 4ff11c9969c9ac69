/** Subject `car`: it stands on its wheels, nothing under it; or it was lifted again. */
export interface Data {
	onWheels: boolean;
}
