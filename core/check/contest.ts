import { addBit, noBits, union, indexesOf, type Bits } from '../context/bits.ts';
import type { Binding } from '../profile/effective.ts';
import { properPrefixes, type Keys } from '../stroke/stroke.ts';
import { aliveAt, resolve } from '../answer/resolve.ts';
import type { ShortcutIndex } from '../answer/shortcut-index.ts';

/** Situations in which the same bindings stand undecided or in a chooser together. */
export interface Tie {
	readonly bindings: readonly Binding[];
	readonly situations: Bits;
}

/** Everything that happens on one input over all situations: who wins where, who is masked by whom, who ties. */
export interface Contest {
	readonly keys: Keys;
	readonly bindings: readonly Binding[];
	readonly ties: readonly Tie[];
	/** By binding: where it runs, or is offered. */
	readonly wins: ReadonlyMap<Binding, Bits>;
	/** By binding: where another one masks it, and which. */
	readonly masked: ReadonlyMap<Binding, ReadonlyMap<Binding, Bits>>;
}

export function contestOn(index: ShortcutIndex, keys: Keys): Contest {
	const bindings = index.on(keys);
	const size = index.space.situations.length;
	const ties = new Map<string, { bindings: readonly Binding[]; situations: Bits }>();
	const wins = new Map(bindings.map((b) => [b, noBits(size)]));
	const masked = new Map<Binding, Map<Binding, Bits>>();
	const mask = (binding: Binding, by: Binding, situation: number) => {
		let byWhom = masked.get(binding);
		if (!byWhom) masked.set(binding, (byWhom = new Map()));
		let bits = byWhom.get(by);
		if (!bits) byWhom.set(by, (bits = noBits(size)));
		addBit(bits, situation);
	};

	for (const s of indexesOf(bindings.map((b) => index.reach(b)).reduce(union, noBits(size)))) {
		const outcome = resolve(index, keys, s);
		switch (outcome.kind) {
			case 'fires':
				for (const b of aliveAt(index, bindings, s)) if (b.command === outcome.winner.command) addBit(wins.get(b)!, s);
				for (const b of outcome.masked) mask(b, outcome.winner, s);
				break;
			case 'chooser':
			case 'undecided': {
				const key = outcome.offered.map((b) => b.key).join('\n\n');
				const tie = ties.get(key) ?? { bindings: outcome.offered, situations: noBits(size) };
				ties.set(key, tie);
				addBit(tie.situations, s);
				if (outcome.kind === 'chooser') for (const b of aliveAt(index, bindings, s)) addBit(wins.get(b)!, s);
				break;
			}
			case 'cut-short':
				for (const b of outcome.masked) for (const by of aliveAt(index, index.on(outcome.by), s)) mask(b, by, s);
				break;
			case 'waits':
				for (const b of aliveAt(index, bindings, s)) addBit(wins.get(b)!, s);
				break;
			case 'nothing':
			case 'typed':
				break;
		}
	}
	return { keys, bindings, ties: [...ties.values()], wins, masked };
}

/** Whether anything on these keys can need a contest: more than one binding, or an earlier stroke that is taken. */
export function isContested(index: ShortcutIndex, keys: Keys): boolean {
	return index.on(keys).length > 1 || properPrefixes(keys).some((prefix) => index.on(prefix).length > 0);
}
