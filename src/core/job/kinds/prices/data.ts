/** Subject the axle, in the shop's currency, for one corner. */
export interface Data {
	unit: number;
	damper: number;
	wearParts: number;
}
