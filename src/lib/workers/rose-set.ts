import { costsOf, suggestRoses, type RoseSet, type RoseWish } from '$core/chapters/gestures/suggest-roses';
import type { Flick } from '$core/hand/hand-test';
import { solver } from './solver';

export interface ToRoseSet {
	readonly wishes: readonly RoseWish[];
	/** The hand that is to flick; none for a usual one. */
	readonly flicks: readonly Flick[];
}

export type FromRoseSet = { readonly set: RoseSet } | { readonly problem: string };

export const hear = async ({ data }: MessageEvent<ToRoseSet>) => {
	try {
		const costs = new Map(data.wishes.map((rose) => [rose.id, costsOf(rose.directions, data.flicks)]));
		const set = suggestRoses(data.wishes, (degrees, rose) => costs.get(rose.id)!.get(degrees)!, await solver());
		self.postMessage({ set } satisfies FromRoseSet);
	} catch (error) {
		self.postMessage({ problem: (error as Error).message } satisfies FromRoseSet);
	}
};
