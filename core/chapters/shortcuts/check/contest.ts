import { RULES } from '../../../answer/rules/rules.ts';
import type { Contender } from '../../../answer/rules/rule.ts';
import { absorbReach, reachRow, type Input } from '../../../answer/input.ts';
import type { ShortcutIndex } from '../../../answer/shortcut-index.ts';
import { NOTHING, Shelf, type Row } from '../../../context/kernel.ts';
import type { Binding } from '../../../shortcut/effective.ts';

/** Situations in which bindings stand undecided or in a chooser; bindings that never meet are in ties of their own. */
export interface Tie {
	readonly bindings: readonly Binding[];
	readonly situations: Row;
}

const NONE: readonly never[] = [];

/**
 * Everything that happens on one input over all situations: who wins where, who ties, who is masked. Lists go by the place
 * of the binding in the application's list. Works on sets of situations throughout, rows on the shelf of `contestOn`; an
 * empty set is `NOTHING`. Agrees with `resolve` in each situation (tested against enumeration).
 */
export class Contest {
	readonly input: Input;
	readonly shelf: Shelf;
	/** The bindings that are alive somewhere. */
	readonly contenders: readonly Contender[];
	/** Where each is heard: alive, and the keys are not text. */
	readonly heard: readonly Row[];
	/** Where the command of each runs or is offered, at once or after a wait. */
	readonly wins: readonly Row[];
	/** Where several commands are left undecided or offered. */
	readonly tied: Row;

	readonly #index: ShortcutIndex;
	readonly #reach: readonly Row[];
	/** Where the keys are text. */
	readonly #text: Row;
	readonly #prefixes: readonly Input[];
	/** Where a shorter input fires first. */
	readonly #cut: Row;
	/** Where each is left to be decided on: loaded, heard, not cut short. */
	readonly #left: readonly Row[];
	/** Whether several bindings run one command. */
	readonly hasSiblings: boolean;
	/** Where each is one of those between which it is undecided, or that are offered. */
	readonly parties: readonly Row[];
	/** What the application's rule gives to each by itself. */
	readonly #own: readonly Row[];
	#wonByAny: Row | undefined;
	#beyond: Row | undefined;
	/** The longer sequences, with where each is alive. */
	#longer: readonly { readonly binding: Binding; readonly reach: Row }[] | undefined;

	/** Use `contestOn`. */
	constructor(index: ShortcutIndex, input: Input, shelf: Shelf, within?: Row) {
		const { space, rules, typing } = index;
		const { living: all, loaded, prefixes } = input;
		this.#index = index;
		this.input = input;
		this.shelf = shelf;
		this.contenders = all;
		const reach = new Array<Row>(all.length);
		for (let i = 0; i < all.length; i++) reach[i] = reachRow(shelf, all[i]!, space);
		if (within !== undefined) for (let i = 0; i < all.length; i++) reach[i] = shelf.both(reach[i]!, within);
		this.#reach = this.heard = reach;
		if (!input.isHeard) this.heard = reach.map(() => NOTHING);
		this.#text = all.length > 0 && input.isHeard && typing !== space.nowhere && input.beginsBare ? shelf.put(typing) : NOTHING;
		if (this.#text !== NOTHING) this.heard = reach.map((row) => shelf.without(row, this.#text));

		const isCut = prefixes.length > 0 && rules.sequences === 'at-once';
		this.#prefixes = isCut ? prefixes : NONE;
		this.#cut = isCut && all.length > 0 ? this.#occupied(prefixes) : NOTHING;
		let left = this.heard;
		if (loaded !== all) left = left.map((row, i) => (loaded.includes(all[i]!) ? row : NOTHING));
		if (this.#cut !== NOTHING) left = left.map((row) => shelf.without(row, this.#cut));
		this.#left = this.#own = left;

		this.tied = NOTHING;
		this.hasSiblings = all.length > 1 && hasSiblings(all);
		this.parties = NONE;
		if (all.length > 1) {
			const spread = RULES[rules.ambiguity].spread({ all, alive: left, hasSiblings: this.hasSiblings }, space, shelf);
			this.#own = spread.wins;
			this.tied = spread.tied;
			this.parties = spread.parties;
		}
		this.wins = this.hasSiblings ? this.#sharedByCommand() : this.#own;
	}

	/** The contest on an input of another profile, on the same shelf; within these situations only, if they are given. */
	beside(index: ShortcutIndex, input: Input, within?: Row): Contest {
		return new Contest(index, input, this.shelf, within);
	}

	/** The binding's place in the application's list, by what it says; -1 if it is not on these keys. */
	placeOf({ key }: Pick<Binding, 'key'>): number {
		return this.contenders.findIndex((c) => c.binding.key === key);
	}

	/** Whether the keys are text anywhere. */
	get isTyped(): boolean {
		return this.#text !== NOTHING;
	}

	/** The first situation of the binding in which its keys are text, or -1. */
	typedAt(place: number): number {
		return this.#text === NOTHING ? -1 : this.shelf.firstOfBoth(this.#reach[place]!, this.#text);
	}

	/** Where any of the inputs has a live binding. */
	#occupied(inputs: readonly Input[]): Row {
		let all = NOTHING;
		for (const { occupied: bits } of inputs) {
			if (bits === this.#index.space.nowhere) continue;
			const occupied = this.shelf.put(bits);
			if (all === NOTHING) all = occupied;
			else this.shelf.absorb(all, occupied);
		}
		return all;
	}

	/** What any binding of a command wins, all bindings of that command share where they are alive. */
	#sharedByCommand(): readonly Row[] {
		const all = this.contenders;
		const own = this.#own;
		return all.map(({ command }, i) => {
			let shared = NOTHING;
			for (let o = 0; o < all.length; o++) {
				if (o === i || all[o]!.command !== command) continue;
				if (shared === NOTHING) shared = this.shelf.copy(own[i]!);
				this.shelf.absorb(shared, own[o]!);
			}
			return shared === NOTHING ? own[i]! : this.shelf.both(shared, this.#left[i]!);
		});
	}

	/** The longer inputs that are alive where the binding is heard. */
	longerThan(place: number): Binding[] {
		const heard = this.heard[place]!;
		this.#longer ??= this.input.longer.flatMap(({ loaded }) =>
			loaded.map((contender) => ({ binding: contender.binding, reach: reachRow(this.shelf, contender, this.#index.space) }))
		);
		const found: Binding[] = [];
		for (const { binding, reach } of this.#longer) if (this.shelf.meets(reach, heard)) found.push(binding);
		return found;
	}

	#reachBeyond(): Row {
		const all = this.shelf.empty();
		for (const { loaded } of this.input.longer) absorbReach(this.shelf, all, loaded);
		return all;
	}

	/** Where any of the longer sequences is alive. */
	longerReach(): Row {
		return (this.#beyond ??= this.#reachBeyond());
	}

	/** Whether the application has loaded the binding. */
	isLoaded(place: number): boolean {
		return this.input.loaded === this.contenders || this.input.loaded.includes(this.contenders[place]!);
	}

	/** Where the binding is masked by another command or by a shorter input. */
	masked(place: number): Row {
		if (this.#cut === NOTHING && this.contenders.length === 1) return NOTHING;
		const { shelf, tied, wins } = this;
		const won = (this.#wonByAny ??= shelf.any(wins));
		const [left, mine] = this.isLoaded(place)
			? [this.#left[place]!, wins[place]!]
			: [this.heard[place]!, this.#wonBySiblings(place)];
		const masked = shelf.masked(left, won, mine, tied, this.heard[place]!, this.#cut);
		const outside = this.#outsideOfTies(place);
		if (outside === NOTHING || masked === NOTHING) return outside === NOTHING ? masked : outside;
		shelf.absorb(masked, outside);
		return masked;
	}

	/** What is not loaded has won nothing itself; it is masked where another command than its own has. */
	#wonBySiblings(place: number): Row {
		const { command } = this.contenders[place]!;
		return this.shelf.any(this.wins.filter((_, i) => this.contenders[i]!.command === command));
	}

	/** Where others stay undecided and the binding, being wider than one of them, is no party. */
	#outsideOfTies(place: number): Row {
		const { shelf, tied } = this;
		if (tied === NOTHING) return NOTHING;
		const here = shelf.both(this.#left[place]!, tied);
		return here === NOTHING ? NOTHING : shelf.without(here, this.parties[place]!);
	}

	/** The bindings that mask it somewhere. */
	maskers(place: number): Binding[] {
		const { shelf } = this;
		const { command, scope } = this.contenders[place]!;
		const masked = this.masked(place);
		const outside = this.#outsideOfTies(place);
		const found: Binding[] = [];
		for (const prefix of this.#prefixes)
			for (const { binding, reach } of prefix.loaded) if (shelf.meets(masked, shelf.put(reach))) found.push(binding);
		this.contenders.forEach((other, i) => {
			if (other.command === command) return;
			const isNarrowerThere =
				outside !== NOTHING && this.#index.space.isNarrower(other.scope, scope) && shelf.meets(outside, this.#left[i]!);
			if (isNarrowerThere || shelf.meets(masked, this.#own[i]!)) found.push(other.binding);
		});
		return found;
	}

	/** Parties that meet, directly or through others, make one tie. */
	ties(): Tie[] {
		const { shelf, contenders } = this;
		/** By their numbers; `NOTHING` of one that was joined with another. */
		const ties: Row[] = [];
		/** The number of its tie for each binding, -1 if it is in none. */
		const tieOf = new Array<number>(contenders.length).fill(-1);
		for (let place = 0; place < contenders.length; place++) {
			const part = this.parties[place] ?? NOTHING;
			if (part === NOTHING) continue;
			let mine = -1;
			for (let tie = 0; tie < ties.length; tie++) {
				if (ties[tie] === NOTHING) continue;
				if (mine < 0) {
					if (shelf.join(ties[tie]!, part, part)) mine = tie;
				} else if (shelf.meets(ties[tie]!, part)) {
					shelf.absorb(ties[mine]!, ties[tie]!);
					ties[tie] = NOTHING;
					for (let other = 0; other < place; other++) if (tieOf[other] === tie) tieOf[other] = mine;
				}
			}
			if (mine < 0) mine = ties.push(shelf.copy(part)) - 1;
			tieOf[place] = mine;
		}
		const found: Tie[] = [];
		for (let tie = 0; tie < ties.length; tie++)
			if (ties[tie] !== NOTHING)
				found.push({
					bindings: contenders.filter((_, place) => tieOf[place] === tie).map((c) => c.binding),
					situations: ties[tie]!
				});
		return found;
	}
}

/** Whether two bindings are of one command. */
function hasSiblings(all: readonly Contender[]): boolean {
	if (all.length > 64) return new Set(all.map((c) => c.command)).size < all.length;
	for (let i = 1; i < all.length; i++) {
		const { command } = all[i]!;
		for (let o = 0; o < i; o++) if (all[o]!.command === command) return true;
	}
	return false;
}

/** The contest on an input, while `work` goes on; what it says is gone then. */
export function contestOn<T>(index: ShortcutIndex, input: Input, work: (contest: Contest) => T): T {
	const shelf = new Shelf(index.space.situations.length);
	try {
		return work(new Contest(index, input, shelf));
	} finally {
		shelf.end();
	}
}

/** Gives the contest on an input; what it says is gone when another is asked for. */
export type ContestOf = (input: Input) => Contest;

/** From so many contests on, sets that inputs share are kept. */
const MANY = 100;

/** The contests on one input after the other, while `work` goes on; what one says is gone when another is asked for. `count` is about how many. */
export function contestsOn<T>(index: ShortcutIndex, count: number, work: (contestOf: ContestOf) => T): T {
	const { situations, setCount } = index.space;
	const shelf = new Shelf(situations.length, count < MANY ? 0 : setCount);
	let contest: Contest | undefined;
	try {
		return work((input) => {
			if (contest?.input === input) return contest;
			shelf.clear();
			return (contest = new Contest(index, input, shelf));
		});
	} finally {
		shelf.end();
	}
}
