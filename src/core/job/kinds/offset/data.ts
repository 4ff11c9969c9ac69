/** Subject the axle: what is added to its readings to give hub to arch. */
export interface Data {
	offsetMm: number;
	entered: string;
}
