/** What goes on the customer's page besides the record: which photos, and a sentence of the shop's own. */
export interface Data {
	photoIds: string[];
	note: string;
}
