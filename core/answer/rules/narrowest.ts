import { NOTHING, type Row, type Shelf } from '../../context/kernel.ts';
import type { ContextSpace } from '../../context/space.ts';
import type { Live, Rule } from './rule.ts';

/** Whether `b` cannot keep `a` from winning: it runs the same command, or its scope is wider. */
const yields = (b: Live, a: Live, space: ContextSpace) => space.isNarrower(a.scope, b.scope) || b.command === a.command;

/**
 * The binding with the narrowest scope wins; if none is narrower than all the others, it stays undecided.
 *
 * For all situations at once: whoever wins somewhere is narrower than all others there, so it holds the fewest
 * situations of them. The contenders are therefore taken from the smallest scope up, and each is tried only where no
 * smaller one is alive; if it fails there, only bindings of its own command can still win.
 */
export const narrowest: Rule = {
	label: 'The narrowest scope wins',
	decide(live, _, space) {
		const winner = live.find((a) => live.every((b) => yields(b, a, space)));
		return winner
			? {
					winner: winner.binding,
					masked: live.filter((l) => l.binding.command !== winner.binding.command).map((l) => l.binding),
					why: 'its scope is narrower than every other'
				}
			: { masked: [], why: 'no scope is narrower than all the others' };
	},
	spread({ all, alive, hasSiblings }, space, shelf) {
		const wins: Row[] = all.map(() => NOTHING);
		let tied = NOTHING;
		const order = bySize(all);
		const covered = shelf.empty();
		for (let rank = 0; rank < order.length; rank++) {
			const i = order[rank]!;
			const a = all[i]!;
			const left = shelf.claim(alive[i]!, covered);
			if (left === NOTHING) continue;
			shelf.list(order.length);
			// the widest first: they settle the most at once
			for (let next = order.length - 1; next > rank; next--)
				if (!yields(all[order[next]!]!, a, space)) shelf.add(alive[order[next]!]!);
			const failed = shelf.lose(left);
			if (shelf.isAnyLeft) wins[i] = added(wins[i]!, left, shelf);
			if (failed === NOTHING) continue;
			if (hasSiblings) rescue(i, failed, all, alive, wins, space, shelf);
			tied = added(tied, failed, shelf);
		}
		return { wins, tied: shelf.isEmpty(tied) ? NOTHING : tied };
	}
};

/** `more` becomes the set if it was empty. */
function added(row: Row, more: Row, shelf: Shelf): Row {
	if (row === NOTHING) return more;
	shelf.absorb(row, more);
	return row;
}

/** Where one fails, another binding of its command may be narrower than all the others. */
function rescue(
	one: number,
	failed: Row,
	all: readonly Live[],
	alive: readonly Row[],
	wins: Row[],
	space: ContextSpace,
	shelf: Shelf
): void {
	const { command } = all[one]!;
	for (let s = 0; s < all.length; s++) {
		const sibling = all[s]!;
		if (sibling.command !== command || s === one) continue;
		const won = shelf.both(failed, alive[s]!);
		if (won === NOTHING) continue;
		shelf.list(all.length);
		for (let b = 0; b < all.length; b++) if (!yields(all[b]!, sibling, space)) shelf.add(alive[b]!);
		shelf.lose(won);
		if (!shelf.isAnyLeft) continue;
		shelf.list(1);
		shelf.add(won);
		shelf.lose(failed);
		wins[s] = added(wins[s]!, won, shelf);
	}
}

/** The places of the bindings, the smallest scope first. */
function bySize(all: readonly Live[]): number[] {
	const count = all.length;
	const order = new Array<number>(count);
	for (let i = 0; i < count; i++) {
		const { size } = all[i]!.scope;
		let at = i;
		for (; at > 0 && all[order[at - 1]!]!.scope.size > size; at--) order[at] = order[at - 1]!;
		order[at] = i;
	}
	return order;
}
