import { absorb, difference, isSubset, noBits } from '../../context/bits.ts';
import type { Live, Rule } from './rule.ts';

const isNarrower = (a: Live, b: Live) => isSubset(a.scope, b.scope) && !isSubset(b.scope, a.scope);

/** Whether `b` cannot keep `a` from winning: it runs the same command, or its scope is wider. */
const yields = (b: Live, a: Live) => b.binding.command === a.binding.command || isNarrower(a, b);

/** The binding with the narrowest scope wins; if none is narrower than all the others, it stays undecided. */
export const narrowest: Rule = {
	label: 'The narrowest scope wins',
	decide(live) {
		const winner = live.find((a) => live.every((b) => yields(b, a)));
		return winner
			? {
					winner: winner.binding,
					masked: live.filter((l) => l.binding.command !== winner.binding.command).map((l) => l.binding),
					why: 'its scope is narrower than every other'
				}
			: { masked: [], why: 'no scope is narrower than all the others' };
	},
	spread(contenders, size) {
		const won = noBits(size);
		const alive = noBits(size);
		const wins = contenders.map((a) => {
			const rivals = noBits(size);
			for (const b of contenders) if (!yields(b, a)) absorb(rivals, b.reach);
			const mine = difference(a.reach, rivals);
			absorb(won, mine);
			absorb(alive, a.reach);
			return mine;
		});
		return { wins, tied: difference(alive, won) };
	}
};
