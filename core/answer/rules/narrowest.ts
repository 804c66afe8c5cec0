import { absorb, difference, intersection, isEmpty, noBits, union, type Bits } from '../../context/bits.ts';
import type { ContextSpace } from '../../context/space.ts';
import type { Contender, Live, Rule } from './rule.ts';

/** Whether `b` cannot keep `a` from winning: it runs the same command, or its scope is wider. */
const yields = (b: Live, a: Live, space: ContextSpace) =>
	b.binding.command === a.binding.command || space.isNarrower(a.scope, b.scope);

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
	spread(contenders, space) {
		const { nowhere } = space;
		const size = space.situations.length;
		const wins: Bits[] = contenders.map(() => nowhere);
		let tied = nowhere;
		const order = bySize(contenders);
		const { covered, places, left } = scratchOf(space);
		covered.fill(0);

		for (let rank = 0; rank < order.length; rank++) {
			const i = order[rank]!;
			const a = contenders[i]!;
			if (a.reach === nowhere) continue;
			let open = 0;
			for (let w = 0; w < covered.length; w++) {
				const word = a.reach[w]! & ~covered[w]!;
				if (word === 0) continue;
				covered[w]! |= word;
				places[open] = w;
				left[open++] = word;
			}
			if (open === 0) continue;
			let failed: Bits | undefined;
			for (let next = rank + 1; next < order.length && open > 0; next++) {
				const b = contenders[order[next]!]!;
				if (b.reach === nowhere || yields(b, a, space)) continue;
				for (let k = 0; k < open; k++) {
					const w = places[k]!;
					const lost = left[k]! & b.reach[w]!;
					if (lost === 0) continue;
					(failed ??= noBits(size))[w]! |= lost;
					left[k]! &= ~lost;
					if (left[k] !== 0) continue;
					places[k] = places[--open]!;
					left[k] = left[open]!;
					k--;
				}
			}
			if (open > 0) {
				const won = noBits(size);
				for (let k = 0; k < open; k++) won[places[k]!] = left[k]!;
				wins[i] = wins[i] === nowhere ? won : union(wins[i]!, won);
			}
			if (!failed) continue;
			rescue(a, failed);
			if (tied === nowhere) tied = failed;
			else absorb(tied, failed);
		}

		/** Where `a` fails, another binding of its command may be narrower than all the others. */
		function rescue(a: Contender, failed: Bits) {
			contenders.forEach((sibling, s) => {
				if (sibling === a || sibling.binding.command !== a.binding.command) return;
				const rivals = noBits(size);
				for (const b of contenders) if (!yields(b, sibling, space)) absorb(rivals, b.reach);
				const won = intersection(difference(sibling.reach, rivals), failed);
				if (isEmpty(won)) return;
				for (let w = 0; w < won.length; w++) failed[w]! &= ~won[w]!;
				wins[s] = union(wins[s]!, won);
			});
		}
		return { wins, tied: isEmpty(tied) ? nowhere : tied };
	}
};

interface Scratch {
	/** The situations that a smaller contender has. */
	readonly covered: Bits;
	/** The words of the contender in hand that are not decided yet: their places, and what is left in them. */
	readonly places: Bits;
	readonly left: Bits;
}

/** Room to work in, kept for each space: asking for new room costs more than the work itself. */
const scratches = new WeakMap<ContextSpace, Scratch>();

function scratchOf(space: ContextSpace): Scratch {
	let scratch = scratches.get(space);
	if (!scratch) {
		const { length } = space.situations;
		scratches.set(space, (scratch = { covered: noBits(length), places: noBits(length), left: noBits(length) }));
	}
	return scratch;
}

/** The places of the contenders, the smallest scope first. */
function bySize(contenders: readonly Contender[]): Float64Array {
	const count = contenders.length;
	const packed = Float64Array.from(contenders, ({ scope }, i) => scope.size * count + i).sort();
	for (let i = 0; i < count; i++) packed[i]! %= count;
	return packed;
}
