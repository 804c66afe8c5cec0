import { put, takeAway } from '$core/answer/choices';
import type { CommandId } from '$core/application/command';
import { flicksOf } from '$core/chapters/gestures/flicks';
import {
	directionsOf,
	flickIn,
	flickKeys,
	rosesOf,
	roseThing,
	sameTrigger,
	triggerText,
	type PlacedRose,
	type Trigger
} from '$core/chapters/gestures/gesture';
import type { RoseSet, RoseWish } from '$core/chapters/gestures/suggest-roses';
import { lockRose, setRose, takeRoseAway } from '$core/chapters/gestures/writing';
import { scopeText, type Scope } from '$core/context/scope';
import { hasBit, isSubset, meets } from '$core/context/bits';
import { handSummary } from '$core/hand/hand-test';
import { directionText } from '$core/stroke/mouse';
import type { AnyChange } from '$core/profile/edit';
import { ofShortcuts } from '$core/shortcut/change';
import type { Binding } from '$core/shortcut/effective';
import { commitWithin } from './within-reach';
import type { Workspace } from './workspace.svelte';

/** One direction of a rose, with what a flick into it runs there. */
export interface Petal {
	/** In degrees clockwise from up, as its input says. */
	readonly degrees: number;
	/** Said for just this scope. */
	readonly own: readonly Binding[];
	/** What holds here from a wider scope, where nothing is said for just this one. */
	readonly inherited: Binding | undefined;
}

/** A rose as the view shows it. */
export interface RoseView {
	readonly id: string;
	readonly rose: PlacedRose;
	readonly petals: readonly Petal[];
	/** What is said for this scope on directions that the rose has not. */
	readonly waiting: readonly { readonly binding: Binding; readonly degrees: number }[];
}

/** A command that is proposed for a direction of a rose, and does not lie there. */
export interface RoseLine {
	readonly view: RoseView;
	readonly degrees: number;
	readonly command: CommandId;
}

/** The roses while they are shaped: one for each context that has one of its own, and what can be done with them. */
export class GestureDesk {
	readonly #workspace: Workspace;
	/** The trigger whose roses are shown, as text. */
	wanted = $state<string | undefined>(undefined);
	/** The direction that is selected, and of which rose. */
	selected = $state.raw<{ readonly rose: string; readonly degrees: number } | undefined>(undefined);
	/** Only directions that have a command, or only those that the strata above the factory say. */
	filter = $state<'all' | 'assigned' | 'changed' | 'here'>('all');
	/** What was done last, for those who do not see it. */
	told = $state('');

	/** The seat whose hand is drawn into the roses; none where it is empty. */
	seat = $state('');

	constructor(workspace: Workspace) {
		this.#workspace = workspace;
	}

	/** The triggers of all roses, and of flicks without one. */
	triggers = $derived.by((): Trigger[] => {
		const { profile, index } = this.#workspace;
		const all: Trigger[] = [...rosesOf(profile).map(({ entry }) => entry), ...flicksOf(index)];
		const byText = new Map(all.map(({ button, modifiers }) => [triggerText({ button, modifiers }), { button, modifiers }]));
		return byText.size > 0 ? [...byText.values()] : [{ button: 'Right', modifiers: [] }];
	});

	/** The hand that is drawn into the roses. */
	hand = $derived.by(() => {
		const flicks = this.#workspace.seats.find(({ id }) => id === this.seat)?.desk.hand;
		return flicks && handSummary(flicks);
	});

	get trigger(): Trigger {
		return this.triggers.find((one) => triggerText(one) === this.wanted) ?? this.triggers[0]!;
	}

	roses = $derived.by((): RoseView[] => {
		const { profile, index, situation } = this.#workspace;
		const { space } = index;
		const flicks = flicksOf(index).filter((flick) => sameTrigger(flick, this.trigger));
		return rosesOf(profile)
			.filter(({ entry }) => sameTrigger(entry, this.trigger))
			.filter(({ entry }) => this.filter !== 'here' || hasBit(index.space.bitsOf(entry.scope), situation))
			.map((rose): RoseView => {
				const text = scopeText(rose.entry.scope);
				const here = space.bitsOf(rose.entry.scope);
				const mine = flicks.filter(({ binding }) => binding.scopeText === text);
				const wider = flicks.filter(
					({ binding }) => binding.scopeText !== text && isSubset(here, space.bitsOf(binding.scope, binding.scopeText))
				);
				const petals = directionsOf(rose.entry).map((degrees): Petal => {
					const own = mine.filter((flick) => flick.degrees === degrees).map(({ binding }) => binding);
					return {
						degrees,
						own,
						inherited: own.length === 0 ? wider.find((flick) => flick.degrees === degrees)?.binding : undefined
					};
				});
				const there = new Set(petals.map(({ degrees }) => degrees));
				return {
					id: roseThing(rose.entry),
					rose,
					petals,
					waiting: mine.flatMap(({ binding, degrees }) => (there.has(degrees) ? [] : [{ binding, degrees }]))
				};
			});
	});

	get current(): { readonly view: RoseView; readonly petal: Petal } | undefined {
		const view = this.roses.find(({ id }) => id === this.selected?.rose);
		const petal = view?.petals.find(({ degrees }) => degrees === this.selected?.degrees);
		return view && petal && { view, petal };
	}

	/** Whether the filter lets the direction show. */
	shows({ own, inherited }: Petal): boolean {
		if (this.filter === 'all' || this.filter === 'here') return true;
		if (this.filter === 'assigned') return own.length > 0 || inherited !== undefined;
		return own.some(({ stratum }) => this.#workspace.profile.find((s) => s.id === stratum)?.kind !== 'factory');
	}

	select(rose: string, degrees: number): void {
		this.selected = { rose, degrees };
		const { current } = this;
		const [binding] = current?.petal.own ?? [];
		const what = binding ?? current?.petal.inherited;
		this.told = `${directionText(degrees)}: ${what ? this.#labelOf(what.command) : 'nothing'}`;
	}

	/** To the next direction round the rose, or to the same one of the next rose. */
	go(around: number, across: number): void {
		const { current } = this;
		if (!current) {
			const [first] = this.roses;
			if (first) this.select(first.id, first.petals[0]!.degrees);
			return;
		}
		const { view, petal } = current;
		const at = view.petals.indexOf(petal);
		if (around !== 0) {
			const next = view.petals[(at + around + view.petals.length) % view.petals.length]!;
			this.select(view.id, next.degrees);
			return;
		}
		const rose = this.roses[(this.roses.indexOf(view) + across + this.roses.length) % this.roses.length]!;
		const nearest = rose.petals.reduce((best, one) =>
			Math.abs(one.degrees - petal.degrees) < Math.abs(best.degrees - petal.degrees) ? one : best
		);
		this.select(rose.id, nearest.degrees);
	}

	#labelOf(command: CommandId): string {
		return this.#workspace.catalogue.get(command)?.label ?? command;
	}

	async #commit(label: string, make: () => readonly AnyChange[]): Promise<boolean> {
		const isDone = await commitWithin(this.#workspace, label, make);
		if (isDone) this.told = label;
		return isDone;
	}

	#without(bindings: readonly Binding[]) {
		const { index, profile, targetId } = this.#workspace;
		return bindings.flatMap((binding, i) => takeAway(index, profile, targetId, binding, i));
	}

	/** What commands are wanted for: those that there are only in some contexts, and in the rose's, that are run most, with those that lie there. */
	wishes(): RoseWish[] {
		const { index, office } = this.#workspace;
		const { space, catalogue } = index;
		/** By keys; a flick is what is to be found. */
		const quickest = (id: CommandId): number | undefined => {
			const ways = index.of(id).flatMap(({ keys }) => (flickIn(keys) ? [] : (office.reach(keys)?.seconds ?? [])));
			return ways.length > 0 ? Math.min(...ways) : undefined;
		};
		return this.roses.map(({ id, rose, petals }): RoseWish => {
			const here = space.bitsOf(rose.entry.scope);
			const there = new Set(petals.flatMap(({ own }) => own.map(({ command }) => command)));
			const candidates = [...catalogue.values()]
				.filter(
					(command) =>
						there.has(command.id) ||
						(command.use !== undefined && command.contexts.length > 0 && meets(space.bitsOfAny(command.contexts), here))
				)
				.map((command) => ({ command, seconds: quickest(command.id) }))
				.sort(
					(a, b) =>
						Number(there.has(b.command.id)) - Number(there.has(a.command.id)) ||
						Number(a.seconds !== undefined) - Number(b.seconds !== undefined) ||
						(b.command.use ?? 0) - (a.command.use ?? 0)
				)
				.slice(0, petals.length * 3);
			return {
				id,
				directions: petals.map(({ degrees }) => degrees),
				candidates: candidates.map(({ command }) => command),
				now: Object.fromEntries(petals.map(({ degrees, own }) => [degrees, own.map(({ command }) => command)])),
				otherwise: Object.fromEntries(
					candidates.flatMap(({ command, seconds }) => (seconds === undefined ? [] : [[command.id, seconds]]))
				)
			};
		});
	}

	/** Where a proposal differs from what is said. */
	changed(set: RoseSet): RoseLine[] {
		return set.roses.flatMap(({ id, on }) => {
			const view = this.roses.find((one) => one.id === id);
			return on.flatMap(({ degrees, command }) => {
				const own = view?.petals.find((petal) => petal.degrees === degrees)?.own ?? [];
				return view && !own.some((binding) => binding.command === command) ? [{ view, degrees, command }] : [];
			});
		});
	}

	/** The directions from which a command moves away by these lines, and onto which none of them puts another. */
	emptiedBy(lines: readonly RoseLine[]): { readonly view: RoseView; readonly degrees: number; readonly command: CommandId }[] {
		return lines.flatMap(({ view, degrees, command }) =>
			view.petals.flatMap(({ degrees: at, own }) =>
				at !== degrees &&
				own.length > 0 &&
				own.every((binding) => lines.some((line) => line.view.id === view.id && line.command === binding.command)) &&
				own.some((binding) => binding.command === command) &&
				!lines.some((line) => line.view.id === view.id && line.degrees === at)
					? [{ view, degrees: at, command }]
					: []
			)
		);
	}

	/** Takes these lines of a proposal over as one edit. */
	take(changed: readonly RoseLine[]): Promise<boolean> {
		const { profile, targetId } = this.#workspace;
		return this.#commit('Gestures: suggestions applied', () => {
			// what lies where something else is to lie, or moves, goes first
			const going = changed.flatMap(({ view, degrees, command }) =>
				view.petals.flatMap(({ degrees: at, own }) => own.filter((binding) => at === degrees || binding.command === command))
			);
			const away = this.#without([...new Set(going)]);
			return ofShortcuts([
				...away,
				...changed.flatMap(({ view, degrees, command }, i) => {
					const { entry } = view.rose;
					return put(profile, targetId, { command, keys: flickKeys(entry, degrees), scope: entry.scope }, away.length + i);
				})
			]);
		});
	}

	/** Puts a command on a direction of a rose, in place of what is said there. */
	assign({ rose, petals }: RoseView, degrees: number, command: CommandId): Promise<boolean> {
		const { profile, targetId } = this.#workspace;
		const own = petals.find((petal) => petal.degrees === degrees)?.own ?? [];
		const label = `Gestures: ${this.#labelOf(command)} on ${triggerText(rose.entry)} ${directionText(degrees)}`;
		return this.#commit(label, () =>
			ofShortcuts([
				...this.#without(own.filter((binding) => binding.command !== command)),
				...put(profile, targetId, { command, keys: flickKeys(rose.entry, degrees), scope: rose.entry.scope }, own.length)
			])
		);
	}

	/** Takes what is said of a direction away. */
	clear({ rose, petals }: RoseView, degrees: number): Promise<boolean> {
		const own = petals.find((petal) => petal.degrees === degrees)?.own ?? [];
		return this.#commit(`Gestures: clear ${triggerText(rose.entry)} ${directionText(degrees)}`, () =>
			ofShortcuts(this.#without(own))
		);
	}

	/** Carries what lies on one direction to another, of this rose or of another one; what lies there comes back in its place. */
	carry(from: { rose: string; degrees: number }, to: { rose: string; degrees: number }): Promise<boolean> {
		const find = (at: typeof from) => {
			const view = this.roses.find(({ id }) => id === at.rose);
			const petal = view?.petals.find(({ degrees }) => degrees === at.degrees);
			return view && petal && { view, petal };
		};
		const [one, other] = [find(from), find(to)];
		if (!one || !other || one.petal.own.length === 0 || (from.rose === to.rose && from.degrees === to.degrees))
			return Promise.resolve(false);
		const { profile, targetId } = this.#workspace;
		const moves = [
			...one.petal.own.map((binding) => ({ binding, into: other })),
			...other.petal.own.map((binding) => ({ binding, into: one }))
		];
		return this.#commit(`Gestures: ${this.#labelOf(one.petal.own[0]!.command)} on ${directionText(to.degrees)}`, () =>
			ofShortcuts([
				...this.#without(moves.map(({ binding }) => binding)),
				...moves.flatMap(({ binding: { command }, into: { view, petal } }, i) => {
					const { entry } = view.rose;
					return put(profile, targetId, { command, keys: flickKeys(entry, petal.degrees), scope: entry.scope }, moves.length + i);
				})
			])
		);
	}

	/** Gives a rose another number of directions, or turns it; what loses its direction waits. */
	shape({ rose: { entry } }: RoseView, what: { directions?: number; turn?: number }): Promise<boolean> {
		const label =
			what.directions === undefined
				? `Gestures: ${triggerText(entry)} turned by ${what.turn}°`
				: `Gestures: ${triggerText(entry)} has ${what.directions} directions`;
		return this.#commit(label, () => setRose(this.#workspace.target, { ...entry, ...what }));
	}

	/** Makes a rose of the trigger for a scope. */
	async make(scope: Scope, directions = 4): Promise<boolean> {
		const { button, modifiers } = this.trigger;
		const { space } = this.#workspace;
		const isDone = await this.#commit(`Gestures: add a rose for ${triggerText(this.trigger)} in ${space.scopeLabel(scope)}`, () =>
			setRose(this.#workspace.target, { button, modifiers, scope, directions, turn: 0 })
		);
		if (isDone) this.select(roseThing({ button, modifiers, scope }), 0);
		return isDone;
	}

	remove({ rose: { entry } }: RoseView): Promise<boolean> {
		const { profile, targetId, space } = this.#workspace;
		return this.#commit(`Gestures: delete the rose for ${triggerText(entry)} in ${space.scopeLabel(entry.scope)}`, () =>
			takeRoseAway(profile, targetId, entry)
		);
	}

	lock({ rose: { entry } }: RoseView, isLocked: boolean): Promise<boolean> {
		return this.#commit(`Gestures: ${isLocked ? 'lock' : 'unlock'} the rose of ${triggerText(entry)}`, () =>
			lockRose(this.#workspace.target, entry, isLocked)
		);
	}
}
