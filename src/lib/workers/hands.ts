import { bearableByAll, handSummary, type BearableByAll, type Flick } from '$core/hand/hand-test';

export interface ToHands {
	/** The flicks of each hand of the office. */
	readonly hands: readonly (readonly Flick[])[];
	/** So many flicks may land wrong: a share. */
	readonly limit: number;
}

export const hear = ({ data }: MessageEvent<ToHands>) => {
	const hands = data.hands.flatMap((flicks) => handSummary(flicks) ?? []);
	self.postMessage(bearableByAll(hands, data.limit) satisfies BearableByAll);
};
