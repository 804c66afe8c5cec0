import { NOTHING, type Row, type Shelf } from '../../context/kernel.ts';
import type { ContextSpace } from '../../context/space.ts';
import type { Live, Rule } from './rule.ts';

/** Whether `b` cannot keep `a` from winning: it runs the same command, or its scope is wider. */
const yields = (b: Live, a: Live, space: ContextSpace) => space.isNarrower(a.scope, b.scope) || b.command === a.command;

/**
 * A binding that is narrower than every binding of another command wins. If there is none, it stays undecided between those
 * that no binding of another command is narrower than; the wider ones are masked there.
 *
 * For all situations at once: whoever wins somewhere is narrower than all others there, so it holds the fewest
 * situations of them. The contenders are therefore taken from the smallest scope up, and each is tried only where no
 * smaller one is alive; if it fails there, only bindings of its own command can still win.
 */
export const narrowest: Rule = {
	label: 'The narrowest scope wins',
	decide(live, space) {
		const winner = live.find((a) => live.every((b) => yields(b, a, space)));
		if (winner)
			return {
				winner: winner.binding,
				masked: live.filter((l) => l.binding.command !== winner.binding.command).map((l) => l.binding),
				why: 'its scope is narrower than every other'
			};
		const parties = live.filter((a) => !live.some((b) => masks(b, a, space)));
		return {
			undecided: parties.map((l) => l.binding),
			masked: live.filter((l) => !parties.includes(l)).map((l) => l.binding),
			why: 'no scope is narrower than all the others'
		};
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
		if (shelf.isEmpty(tied)) return { wins, tied: NOTHING, parties: wins.map(() => NOTHING) };
		return { wins, tied, parties: partiesOf(all, alive, order, tied, space, shelf) };
	}
};

/** Whether `b` keeps `a` out of an undecided contest: it runs another command, and its scope is narrower. */
const masks = (b: Live, a: Live, space: ContextSpace) => b.command !== a.command && space.isNarrower(b.scope, a.scope);

/** Where each binding is one of those between which it is undecided. `order` has their places, the smallest scope first. */
function partiesOf(
	all: readonly Live[],
	alive: readonly Row[],
	order: readonly number[],
	tied: Row,
	space: ContextSpace,
	shelf: Shelf
): Row[] {
	const parties = new Array<Row>(all.length).fill(NOTHING);
	for (let rank = 0; rank < order.length; rank++) {
		const place = order[rank]!;
		const part = shelf.both(alive[place]!, tied);
		if (part === NOTHING) continue;
		const one = all[place]!;
		shelf.list(rank);
		// only a smaller scope can be narrower
		for (let r = 0; r < rank; r++) {
			const other = order[r]!;
			if (masks(all[other]!, one, space)) shelf.add(alive[other]!);
		}
		shelf.lose(part);
		if (shelf.isAnyLeft) parties[place] = part;
	}
	return parties;
}

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
