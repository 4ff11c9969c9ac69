export const partStatuses = [
	'to-order',
	'ordered',
	'here',
	'compared',
	'fitted',
	'returned'
] as const;
export type PartStatus = (typeof partStatuses)[number];

export const partStatusNames: Readonly<Record<PartStatus, string>> = {
	'to-order': 'To order',
	ordered: 'Ordered',
	here: 'Here',
	compared: 'Compared',
	fitted: 'Fitted',
	returned: 'Returned'
};

/** Subject the part line's id. */
export interface Data {
	number: string;
	status: PartStatus;
	note: string;
	/** On the part that came out. */
	oldNumber?: string;
}
