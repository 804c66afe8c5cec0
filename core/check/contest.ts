import { RULES } from '../answer/rules/rules.ts';
import type { Contender } from '../answer/rules/rule.ts';
import type { ShortcutIndex } from '../answer/shortcut-index.ts';
import { absorb, firstBit, meets, Shelf, type Bits } from '../context/bits.ts';
import type { Binding } from '../profile/effective.ts';
import { properPrefixes, typesOnly, type Keys } from '../stroke/stroke.ts';

/** Situations in which bindings stand undecided or in a chooser; bindings that never meet are in ties of their own. */
export interface Tie {
	readonly bindings: readonly Binding[];
	readonly situations: Bits;
}

const NONE: readonly never[] = [];

/**
 * Everything that happens on one input over all situations: who wins where, who ties, who is masked. Lists go by the place
 * of the binding in the application's list. Works on sets of situations throughout, which lie on a shelf: `contestsOn` aims
 * the same contest at one input after the other. Agrees with `resolve` in each situation (tested against enumeration).
 */
export class Contest {
	keys = '' as Keys;
	/** The bindings that are alive somewhere. */
	contenders: readonly Contender[] = NONE;
	/** Where each is heard: alive, and the keys are not text. */
	heard: readonly Bits[] = NONE;
	/** Where the command of each runs, is offered, or may still run after a wait. */
	wins: readonly Bits[] = NONE;
	/** Where several commands are left undecided or offered; `nowhere` of the space if nowhere. */
	tied: Bits;
	/** Sequences that begin with these keys and go on. */
	longer: readonly Binding[] = NONE;

	readonly #index: ShortcutIndex;
	readonly #shelf: Shelf;
	#prefixes: readonly Keys[] = NONE;
	/** Where a shorter input fires first. */
	#cut: Bits | undefined;
	/** Where each is left to be decided on: heard, not cut short, not waiting. */
	#left: readonly Bits[] = NONE;
	/** What the application's rule gives to each, and with what other bindings of its command win. */
	#own: readonly Bits[] = NONE;
	#shared: readonly Bits[] = NONE;
	/** Whether two bindings on these keys are of one command. */
	#hasSiblings = false;
	#sharedByAny: Bits | undefined;
	#won: Bits | undefined;
	#beyond: Bits | undefined;

	constructor(index: ShortcutIndex) {
		this.#index = index;
		this.#shelf = new Shelf(index.space.situations.length);
		this.tied = index.space.nowhere;
	}

	/** Looks at these keys; what it said of others is gone. */
	aim(keys: Keys): this {
		const index = this.#index;
		const shelf = this.#shelf;
		const { space, rules, typing } = index;
		shelf.clear();
		this.keys = keys;
		this.#sharedByAny = this.#won = this.#beyond = undefined;
		const all = living(index.contenders(keys), space.nowhere);
		this.contenders = all;
		this.longer = index.longer(keys);
		const reach: Bits[] = [];
		for (let i = 0; i < all.length; i++) reach.push(all[i]!.reach);
		this.heard =
			all.length > 0 && typing !== space.nowhere && typesOnly(keys) ? reach.map((bits) => shelf.difference(bits, typing)) : reach;

		const isSequence = keys.includes(' ');
		this.#prefixes = isSequence && rules.sequences === 'at-once' ? properPrefixes(keys) : NONE;
		this.#cut = isSequence ? this.#occupied(this.#prefixes) : undefined;
		const waits = rules.sequences === 'wait' && this.longer.length > 0;
		const waiting = waits ? this.longerReach() : undefined;
		this.#left = this.heard;
		if (this.#cut || waiting)
			this.#left = this.heard.map((bits) => {
				const cut = this.#cut ? shelf.difference(bits, this.#cut) : bits;
				return waiting ? shelf.difference(cut, waiting) : cut;
			});

		this.#own = this.#left;
		this.tied = space.nowhere;
		if (index.contenders(keys).length > 1) {
			const { wins, tied } = RULES[rules.ambiguity].spread(all, this.#left, space, shelf, index.contenders(keys));
			this.#own = wins;
			this.tied = tied;
		}
		this.#hasSiblings = all.length > 1 && hasSiblings(all);
		this.#shared = this.#sharedByCommand();
		this.wins = waiting ? this.#shared.map((bits, i) => this.#withWaiting(bits, this.heard[i]!, waiting)) : this.#shared;
		return this;
	}

	/** The binding's place in the application's list, by what it says; -1 if it is not on these keys. */
	placeOf({ key }: Pick<Binding, 'key'>): number {
		return this.contenders.findIndex((c) => c.binding.key === key);
	}

	/** Where any of the inputs has a live binding; undefined when none has bindings at all. */
	#occupied(inputs: readonly Keys[]): Bits | undefined {
		let only: Bits | undefined;
		let all: Bits | undefined;
		for (const keys of inputs) {
			if (this.#index.on(keys).length === 0) continue;
			const occupied = this.#index.occupied(keys);
			if (all) absorb(all, occupied);
			else if (only) absorb((all = this.#shelf.copy(only)), occupied);
			else only = occupied;
		}
		return all ?? only;
	}

	/** What any binding of a command wins, all bindings of that command share where they are alive. */
	#sharedByCommand(): readonly Bits[] {
		const all = this.contenders;
		const own = this.#own;
		if (!this.#hasSiblings) return own;
		return all.map(({ command }, i) => {
			let shared: Bits | undefined;
			for (let o = 0; o < all.length; o++) {
				if (o === i || all[o]!.command !== command) continue;
				shared ??= this.#shelf.copy(own[i]!);
				absorb(shared, own[o]!);
			}
			if (!shared) return own[i]!;
			const left = this.#left[i]!;
			for (let w = 0; w < shared.length; w++) shared[w]! &= left[w]!;
			return shared;
		});
	}

	/** An input that waits for more may still run when no more comes. */
	#withWaiting(wins: Bits, heard: Bits, waiting: Bits): Bits {
		const all = this.#shelf.copy(wins);
		for (let w = 0; w < all.length; w++) all[w]! |= heard[w]! & waiting[w]! & ~(this.#cut?.[w] ?? 0);
		return all;
	}

	#union(sets: readonly Bits[]): Bits {
		if (sets.length === 1) return sets[0]!;
		const all = this.#shelf.empty();
		for (const bits of sets) if (bits !== this.#index.space.nowhere) absorb(all, bits);
		return all;
	}

	/** Where any of the commands runs, is offered, or may still run after a wait. */
	won(): Bits {
		return (this.#won ??= this.#union(this.wins));
	}

	/** Where any of the longer sequences is alive. */
	longerReach(): Bits {
		return (this.#beyond ??= this.#union(this.#index.longerContenders(this.keys).map((c) => c.reach)));
	}

	/**
	 * Where the binding is masked by another command or by a shorter input, as one word of situations after the other; ends
	 * when `take` returns true.
	 */
	#eachMasked(place: number, take: (lost: number, w: number) => boolean): void {
		if (!this.#cut && this.contenders.length === 1) return;
		const won = (this.#sharedByAny ??= this.#union(this.#shared));
		const left = this.#left[place]!;
		const mine = this.#shared[place]!;
		const heard = this.heard[place]!;
		const cut = this.#cut;
		const { tied } = this;
		for (let w = 0; w < tied.length; w++) {
			let lost = left[w]! & won[w]! & ~mine[w]! & ~tied[w]!;
			if (cut) lost |= heard[w]! & cut[w]!;
			if (lost !== 0 && take(lost, w)) return;
		}
	}

	/** A situation in which the binding is masked, or -1. */
	maskedAt(place: number): number {
		let situation = -1;
		this.#eachMasked(place, (lost, w) => {
			situation = firstBit(lost, w);
			return true;
		});
		return situation;
	}

	/** All situations in which the binding is masked. */
	masked(place: number): Bits {
		const found = this.#shelf.empty();
		this.#eachMasked(place, (lost, w) => {
			found[w] = lost;
			return false;
		});
		return found;
	}

	/** The bindings that mask it somewhere in the given situations. */
	maskers(place: number, situations: Bits): Binding[] {
		const { command } = this.contenders[place]!.binding;
		const early = this.#prefixes
			.flatMap((prefix) => this.#index.on(prefix))
			.filter((b) => meets(situations, this.#index.reach(b)));
		const here = this.contenders.filter((c, i) => c.binding.command !== command && meets(situations, this.#own[i]!));
		return [...early, ...here.map((c) => c.binding)];
	}

	/** Bindings that meet within the tied situations, directly or through others, make one tie. Its sets are its own. */
	ties(): Tie[] {
		const { tied } = this;
		let ties: { places: number[]; situations: Bits }[] = [];
		for (let place = 0; place < this.contenders.length; place++) {
			const left = this.#left[place]!;
			if (!meets(left, tied)) continue;
			let tie: (typeof ties)[number] | undefined;
			let joined: Set<(typeof ties)[number]> | undefined;
			for (const other of ties) {
				// a tie's situations are tied ones, so that meeting what is left is enough
				if (!meets(other.situations, left)) continue;
				if (!tie) tie = other;
				else {
					absorb(tie.situations, other.situations);
					tie.places.push(...other.places);
					(joined ??= new Set()).add(other);
				}
			}
			if (joined) ties = ties.filter((other) => !joined.has(other));
			if (!tie) ties.push((tie = { places: [], situations: new Int32Array(tied.length) }));
			for (let w = 0; w < tied.length; w++) tie.situations[w]! |= left[w]! & tied[w]!;
			tie.places.push(place);
		}
		return ties.map(({ places, situations }) => ({
			bindings: places.sort((a, b) => a - b).map((place) => this.contenders[place]!.binding),
			situations
		}));
	}
}

function living(all: readonly Contender[], nowhere: Bits): readonly Contender[] {
	for (let i = 0; i < all.length; i++) if (all[i]!.reach === nowhere) return all.filter((c) => c.reach !== nowhere);
	return all;
}

function hasSiblings(all: readonly Contender[]): boolean {
	if (all.length > 64) return new Set(all.map((c) => c.command)).size < all.length;
	for (let i = 1; i < all.length; i++) {
		const { command } = all[i]!;
		for (let o = 0; o < i; o++) if (all[o]!.command === command) return true;
	}
	return false;
}

/** Gives the contest on any input; what it says holds until it is asked for the next. */
export function contestsOn(index: ShortcutIndex): (keys: Keys) => Contest {
	const contest = new Contest(index);
	let aimed: Keys | undefined;
	return (keys) => (aimed === keys ? contest : contest.aim((aimed = keys)));
}
