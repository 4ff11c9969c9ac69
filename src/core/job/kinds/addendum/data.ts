/** Subject `car`: a signed job is opened again to add to it or to correct it. */
export interface Data {
	reason: string;
}
