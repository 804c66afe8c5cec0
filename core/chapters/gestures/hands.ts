import { USUAL_KAPPA } from '../../hand/drawn.ts';
import { handSummary, type HandSummary } from '../../hand/hand-test.ts';
import type { OfficeDesks } from '../../keyboard/office-desks.ts';

/** A hand of the office, with where it was tested. */
export interface TestedHand {
	readonly seat: string;
	readonly summary: HandSummary;
}

/** The hands that were tested at the desks. */
export const handsAt = (desks: OfficeDesks['desks']): TestedHand[] =>
	desks.flatMap(({ handsOf = [] }) =>
		handsOf.flatMap(({ seat, flicks }) => {
			const summary = handSummary(flicks);
			return summary ? [{ seat, summary }] : [];
		})
	);

/** How steady the least steady hand of the office is; what hands are taken for where none was tested. A concentration. */
export function kappaFor(desks: OfficeDesks['desks']): number {
	const all = handsAt(desks).map(({ summary }) => summary.spread.kappa);
	return all.length > 0 ? Math.min(...all) : USUAL_KAPPA;
}
