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

/**
 * Everything that happens on one input over all situations: who wins where, who ties, who is masked. Lists go by the
 * place of the binding in `bindings`, the order of the application's list.
 */
export interface Contest {
	readonly keys: Keys;
	readonly bindings: readonly Binding[];
	/** Where each is alive. */
	readonly reach: readonly Bits[];
	/** Where each is heard: alive, and the keys are not text. */
	readonly heard: readonly Bits[];
	/** Where the command of each runs, is offered, or may still run after a wait. */
	readonly wins: readonly Bits[];
	/** Where several commands are left undecided or offered. */
	readonly tied: Bits;
	/** Where each is masked by another command or by a shorter input that fires first; undefined for nowhere. */
	masked(place: number): Bits | undefined;
	/** The bindings that mask it somewhere in the given situations. */
	maskers(place: number, situations: Bits): Binding[];
	ties(): Tie[];
}

/** Works on sets of situations throughout; agrees with `resolve` in each situation (tested against enumeration). */
export function contestOn(index: ShortcutIndex, keys: Keys): Contest {
	const all = index.contenders(keys);
	const bindings = all.length === 1 ? [all[0]!.binding] : all.map((c) => c.binding);
	const reach = all.map((c) => c.reach);
	const isText = !isEmpty(index.typing) && strokesOf(keys).every(typesCharacter);
	const heard = isText ? reach.map((bits) => difference(bits, index.typing)) : reach;

	const prefixes = index.rules.sequences === 'at-once' && keys.includes(' ') ? properPrefixes(keys) : [];
	const cut = unionOf(
		index,
		prefixes.filter((prefix) => index.on(prefix).length > 0)
	);
	const longer = index.rules.sequences === 'wait' ? index.longer(keys) : [];
	const waiting = longer.length === 0 ? undefined : noBits(index.space.situations.length);
	for (const binding of longer) absorb(waiting!, index.reach(binding));

	const contenders = all.map((c, i): Contender => {
		let left = heard[i]!;
		if (cut) left = difference(left, cut);
		if (waiting) left = difference(left, waiting);
		return left === c.reach ? c : { ...c, reach: left };
	});
	const { wins: own, tied } =
		contenders.length === 1
			? { wins: [contenders[0]!.reach], tied: noBits(index.space.situations.length) }
			: RULES[index.rules.ambiguity].spread(contenders, index.space);

	const shared = sharedByCommand(contenders, own);
	const wins = waiting ? shared.map((bits, i) => withWaiting(bits, heard[i]!, waiting, cut)) : shared;
	let won: Bits | undefined;
	const wonByAny = () => {
		if (!won) {
			won = noBits(index.space.situations.length);
			for (const bits of shared) absorb(won, bits);
		}
		return won;
	};

	return {
		keys,
		bindings,
		reach,
		heard,
		wins,
		tied,
		masked(place) {
			const mine = shared[place]!;
			const anyones = wonByAny();
			const { reach: left } = contenders[place]!;
			let found: Bits | undefined;
			for (let w = 0; w < anyones.length; w++) {
				const lost = (left[w]! & anyones[w]! & ~mine[w]! & ~tied[w]!) | (cut ? heard[place]![w]! & cut[w]! : 0);
				if (lost !== 0) (found ??= noBits(index.space.situations.length))[w] = lost;
			}
			return found;
		},
		maskers(place, situations) {
			const { command } = bindings[place]!;
			const early = prefixes.flatMap((prefix) => index.on(prefix)).filter((b) => meets(situations, index.reach(b)));
			const here = contenders.filter((c, i) => c.binding.command !== command && meets(situations, own[i]!));
			return [...early, ...here.map((c) => c.binding)];
		},
		ties: () => tiesIn(contenders, tied)
	};
}

function unionOf(index: ShortcutIndex, inputs: readonly Keys[]): Bits | undefined {
	if (inputs.length < 2) return inputs[0] && index.occupied(inputs[0]);
	const all = noBits(index.space.situations.length);
	for (const keys of inputs) absorb(all, index.occupied(keys));
	return all;
}

/** What any binding of a command wins, all bindings of that command share where they are alive. */
function sharedByCommand(contenders: readonly Contender[], own: readonly Bits[]): readonly Bits[] {
	if (new Set(contenders.map((c) => c.binding.command)).size === contenders.length) return own;
	const byCommand = new Map<CommandId, Bits>();
	contenders.forEach(({ binding }, i) => {
		const bits = byCommand.get(binding.command);
		byCommand.set(binding.command, bits ? union(bits, own[i]!) : own[i]!);
	});
	return contenders.map(({ binding, reach }) => intersection(reach, byCommand.get(binding.command)!));
}

/** An input that waits for more may still run when no more comes. */
function withWaiting(wins: Bits, heard: Bits, waiting: Bits, cut: Bits | undefined): Bits {
	const may = intersection(heard, waiting);
	return wins.map((word, w) => word | (cut ? may[w]! & ~cut[w]! : may[w]!));
}

/** Bindings that meet within the tied situations, directly or through others, make one tie. */
function tiesIn(contenders: readonly Contender[], tied: Bits): Tie[] {
	if (isEmpty(tied)) return [];
	let ties: { bindings: Binding[]; situations: Bits }[] = [];
	for (const { binding, reach } of contenders) {
		const touching = ties.filter((tie) => meets(tie.situations, reach));
		let tie = touching[0];
		if (!tie) {
			if (!meets(reach, tied)) continue;
			ties.push((tie = { bindings: [], situations: noBits(tied.length * 32) }));
		}
		for (const other of touching.slice(1)) {
			absorb(tie.situations, other.situations);
			tie.bindings.push(...other.bindings);
		}
		if (touching.length > 1) ties = ties.filter((t) => t === tie || !touching.includes(t));
		for (let w = 0; w < tied.length; w++) tie.situations[w]! |= reach[w]! & tied[w]!;
		tie.bindings.push(binding);
	}
	return ties;
}
