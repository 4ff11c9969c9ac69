/** Subject the axle and its arm, as `front/lower-arm`; in the shop's currency, for one corner. */
export interface Data {
	arm: number;
	bushes: number;
	joint: number;
}
