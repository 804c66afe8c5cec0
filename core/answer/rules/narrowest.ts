import { absorb, isEmpty, type Bits, type Shelf } from '../../context/bits.ts';
import type { ContextSpace } from '../../context/space.ts';
import type { Live, Rule } from './rule.ts';

/** Whether `b` cannot keep `a` from winning: it runs the same command, or its scope is wider. */
const yields = (b: Live, a: Live, space: ContextSpace) => b.command === a.command || space.isNarrower(a.scope, b.scope);

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
	spread(all, alive, space, shelf) {
		const { nowhere } = space;
		const wins: Bits[] = all.map(() => nowhere);
		let tied = nowhere;
		const order = bySize(all);
		const covered = shelf.empty();
		/** The words of the contender in hand that are not decided yet: their places, and what is left in them. */
		const places = shelf.raw();
		const left = shelf.raw();

		for (let rank = 0; rank < order.length; rank++) {
			const i = order[rank]!;
			const a = all[i]!;
			const mine = alive[i]!;
			if (mine === nowhere) continue;
			let open = 0;
			for (let w = 0; w < covered.length; w++) {
				const word = mine[w]! & ~covered[w]!;
				if (word === 0) continue;
				covered[w]! |= word;
				places[open] = w;
				left[open++] = word;
			}
			if (open === 0) continue;
			let failed: Bits | undefined;
			// the widest rivals first: they settle the most at once
			for (let next = order.length - 1; next > rank && open > 0; next--) {
				const theirs = alive[order[next]!]!;
				if (theirs === nowhere || yields(all[order[next]!]!, a, space)) continue;
				for (let k = 0; k < open; k++) {
					const w = places[k]!;
					const lost = left[k]! & theirs[w]!;
					if (lost === 0) continue;
					failed ??= shelf.empty();
					failed[w]! |= lost;
					left[k]! &= ~lost;
					if (left[k] !== 0) continue;
					places[k] = places[--open]!;
					left[k] = left[open]!;
					k--;
				}
			}
			if (open > 0) {
				const won = wins[i] === nowhere ? (wins[i] = shelf.empty()) : wins[i]!;
				for (let k = 0; k < open; k++) won[places[k]!]! |= left[k]!;
			}
			if (!failed) continue;
			rescue(i, failed, all, alive, wins, space, shelf);
			if (tied === nowhere) tied = failed;
			else absorb(tied, failed);
		}
		return { wins, tied: isEmpty(tied) ? nowhere : tied };
	}
};

/** Where one fails, another binding of its command may be narrower than all the others. */
function rescue(
	one: number,
	failed: Bits,
	all: readonly Live[],
	alive: readonly Bits[],
	wins: Bits[],
	space: ContextSpace,
	shelf: Shelf
): void {
	const { command } = all[one]!;
	for (let s = 0; s < all.length; s++) {
		const sibling = all[s]!;
		if (s === one || sibling.command !== command) continue;
		const won = shelf.copy(failed);
		for (let w = 0; w < won.length; w++) won[w]! &= alive[s]![w]!;
		for (let b = 0; b < all.length; b++)
			if (!yields(all[b]!, sibling, space)) for (let w = 0; w < won.length; w++) won[w]! &= ~alive[b]![w]!;
		if (isEmpty(won)) continue;
		for (let w = 0; w < won.length; w++) failed[w]! &= ~won[w]!;
		if (wins[s] === space.nowhere) wins[s] = won;
		else absorb(wins[s]!, won);
	}
}

/** The places of the bindings, the smallest scope first. */
function bySize(all: readonly Live[]): number[] {
	const count = all.length;
	const order: number[] = [];
	for (let i = 0; i < count; i++) {
		const { size } = all[i]!.scope;
		let at = i;
		for (; at > 0 && all[order[at - 1]!]!.scope.size > size; at--) order[at] = order[at - 1]!;
		order[at] = i;
	}
	return order;
}
