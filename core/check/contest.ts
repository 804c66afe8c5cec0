import { RULES } from '../answer/rules/rules.ts';
import type { Contender } from '../answer/rules/rule.ts';
import type { ShortcutIndex } from '../answer/shortcut-index.ts';
import type { CommandId } from '../application/command.ts';
import { absorb, difference, intersection, isEmpty, meets, noBits, union, type Bits } from '../context/bits.ts';
import type { Binding } from '../profile/effective.ts';
import { properPrefixes, strokesOf, typesCharacter, type Keys } from '../stroke/stroke.ts';

/** Situations in which bindings stand undecided or in a chooser; bindings that never meet are in ties of their own. */
export interface Tie {
	readonly bindings: readonly Binding[];
	readonly situations: Bits;
}

export interface Masking {
	readonly situations: Bits;
	readonly by: readonly Binding[];
}

/** Everything that happens on one input over all situations: who wins where, who is masked by whom, who ties. */
export interface Contest {
	readonly keys: Keys;
	readonly bindings: readonly Binding[];
	readonly ties: readonly Tie[];
	/** By binding: where its command runs, is offered, or may still run after a wait. */
	readonly wins: ReadonlyMap<Binding, Bits>;
	/** By binding: where others mask it, and which. */
	readonly masked: ReadonlyMap<Binding, Masking>;
}

/** Works on sets of situations throughout; agrees with `resolve` in each situation (tested against enumeration). */
export function contestOn(index: ShortcutIndex, keys: Keys): Contest {
	const bindings = index.on(keys);
	const size = index.space.situations.length;
	const isText = strokesOf(keys).every(typesCharacter) && !isEmpty(index.typing);
	const heard = (binding: Binding) => {
		const reach = index.reach(binding);
		return isText ? difference(reach, index.typing) : reach;
	};
	const masked = new Map<Binding, { situations: Bits; by: Binding[] }>();
	const mask = (binding: Binding, situations: Bits, by: Binding[]) => {
		const known = masked.get(binding);
		if (!known) return masked.set(binding, { situations, by });
		absorb(known.situations, situations);
		known.by.push(...by);
	};

	const early = index.rules.sequences === 'at-once' ? properPrefixes(keys).flatMap((prefix) => index.on(prefix)) : [];
	const cut = noBits(size);
	for (const binding of early) absorb(cut, index.reach(binding));
	if (early.length > 0)
		for (const binding of bindings) {
			const situations = intersection(heard(binding), cut);
			if (!isEmpty(situations))
				mask(
					binding,
					situations,
					early.filter((by) => meets(situations, index.reach(by)))
				);
		}

	const waiting = noBits(size);
	if (index.rules.sequences === 'wait') for (const longer of index.longer(keys)) absorb(waiting, index.reach(longer));
	const outside = difference(index.space.everywhere, union(cut, waiting));
	const contenders = bindings.map((binding): Contender => {
		const reach = heard(binding);
		return { binding, scope: index.scopeBits(binding), reach: intersection(reach, outside) };
	});

	const { wins: own, tied } = RULES[index.rules.ambiguity].spread(contenders, size);
	const byCommand = new Map<CommandId, Bits>();
	contenders.forEach(({ binding }, i) => {
		const bits = byCommand.get(binding.command);
		if (bits) absorb(bits, own[i]!);
		else byCommand.set(binding.command, Uint32Array.from(own[i]!));
	});
	const allWon = noBits(size);
	for (const bits of byCommand.values()) absorb(allWon, bits);
	const wins = new Map<Binding, Bits>();
	contenders.forEach(({ binding, reach }) => {
		const won = intersection(reach, byCommand.get(binding.command)!);
		const lost = difference(difference(intersection(reach, allWon), won), tied);
		if (!isEmpty(lost)) {
			const by = contenders.filter((other, i) => other.binding.command !== binding.command && meets(lost, own[i]!));
			if (by.length > 0)
				mask(
					binding,
					lost,
					by.map((other) => other.binding)
				);
		}
		absorb(won, difference(intersection(heard(binding), waiting), cut));
		wins.set(binding, won);
	});
	return { keys, bindings, ties: tiesIn(contenders, tied), wins, masked };
}

/** Bindings that meet within the tied situations, directly or through others, make one tie. */
function tiesIn(contenders: readonly Contender[], tied: Bits): Tie[] {
	if (isEmpty(tied)) return [];
	let ties: { bindings: Binding[]; situations: Bits }[] = [];
	for (const { binding, reach } of contenders) {
		const situations = intersection(reach, tied);
		if (isEmpty(situations)) continue;
		const touching = ties.filter((tie) => meets(tie.situations, situations));
		for (const tie of touching) absorb(situations, tie.situations);
		ties = [
			...ties.filter((tie) => !touching.includes(tie)),
			{ bindings: [...touching.flatMap((tie) => tie.bindings), binding], situations }
		];
	}
	return ties;
}

/** Whether anything on these keys can need a contest: more than one binding, or an earlier stroke that is taken. */
export function isContested(index: ShortcutIndex, keys: Keys): boolean {
	return index.on(keys).length > 1 || properPrefixes(keys).some((prefix) => index.on(prefix).length > 0);
}
