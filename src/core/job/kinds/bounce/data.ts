/** Subject the corner; movements of null takes it back. */
export interface Data {
	movements: number | null;
	dampingRatio?: number;
	expanded?: number;
}
