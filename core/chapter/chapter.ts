import type { z } from 'zod';
import type { Hearing, ShortcutIndex } from '../answer/shortcut-index.ts';
import type { InputRules } from '../application/application.ts';
import type { Command, CommandId } from '../application/command.ts';
import type { Scope } from '../context/scope.ts';
import type { ContextSpace } from '../context/space.ts';
import type { OfficeDesks } from '../keyboard/office-desks.ts';
import type { ImpliedShortcuts } from '../shortcut/effective.ts';
import type { Keys } from '../stroke/stroke.ts';
import type { TextConflict } from '../text/merge-texts.ts';
import type { ChangeProblem } from '../strata/change.ts';
import type { Profile, StratumId } from '../strata/stratum.ts';

/** What a chapter is asked on: a profile and the index of the same profile. */
export interface Ground {
	readonly index: ShortcutIndex;
	readonly profile: Profile;
	/** What the desks of the office tell of keys that the application does not hear as they are spelled. */
	readonly office?: Pick<OfficeDesks, 'heardAs'>;
}

/** How things are called where there may be no application at hand. */
export interface Names {
	/** Whether some situation lies in both. */
	meet(a: Scope, b: Scope): boolean;
	command(id: CommandId): string;
	option(path: string): string;
	scope(scope: Scope): string;
}

export const namesOf = ({ space, catalogue, rules }: Pick<ShortcutIndex, 'space' | 'catalogue' | 'rules'>): Names => ({
	meet: space.meet,
	command: (id) => catalogue.get(id)?.label ?? id,
	option: (path) => rules.options?.find((option) => option.path === path)?.label ?? path,
	scope: space.scopeLabel
});

/** A thing of a profile as people see it in a list. */
export interface Caption {
	/** Shown as key caps. */
	readonly keys?: Keys;
	/** What is typed for it, or its path. */
	readonly typed?: string;
	readonly label: string;
	/** Where it holds, or what else there is to say. */
	readonly detail: string;
}

/** Something that one profile says and another does not. */
export interface Difference {
	readonly chapter: string;
	/** The same for the same difference. */
	readonly id: string;
	readonly kind: 'added' | 'changed' | 'removed';
	/** The stratum that made it so. */
	readonly by: StratumId | undefined;
	readonly caption: Caption;
	readonly command: CommandId | undefined;
	/** What the chapter keeps to take it back. */
	readonly said: unknown;
}

/** From which stratum of which profile something is written. */
export interface Pen {
	readonly profile: Profile;
	readonly target: StratumId;
}

/** Part of an edit: a change of what one stratum holds of one chapter. */
export interface AnyChange {
	readonly chapter: string;
	readonly stratum: StratumId;
}

/** A text whose lines were changed here and elsewhere at once. */
export interface FileConflict {
	readonly chapter: string;
	readonly stratum: StratumId;
	/** The whole text as it would be with my changes alone. */
	readonly mine: string;
	/** The text that holds both, theirs before mine where they touch. */
	readonly both: string;
	readonly touching: readonly TextConflict[];
}

/** Changes that were made on an older content, made again on a newer one. */
export interface Rebase<Change> {
	readonly changes: readonly Change[];
	/** What has no place any more, in words. */
	readonly lost: readonly string[];
	readonly conflicts: readonly FileConflict[];
}

/** What of a profile is handed over. */
export interface Selection {
	/** Ids of chapters, and `machine` for what holds for one machine only. */
	readonly sections: readonly string[];
	/** Only what is heard somewhere in this scope; `{}` is everywhere. */
	readonly contexts: Scope;
	/** Only commands of these outermost categories; none named means all. */
	readonly categories: readonly string[];
	/** Only these bars, each with all that is in it, by their ids; none named means all. */
	readonly bars?: readonly string[];
}

/** One thing as read from a file: an entry of a keyed chapter (its rank says nothing), or a whole text. */
export interface FileRow<Said = unknown> {
	readonly chapter: string;
	readonly line: number;
	/** The stratum that the file names for it, if it names one. */
	readonly stratum: StratumId | undefined;
	readonly said: Said;
	/** How the file spells the keys, if the application hears them as others. */
	readonly spelled?: Keys;
}

/**
 * One thing of a file against the profile. new: it adds; replaced: something that is there now would go; same: nothing would
 * change; refused: see `reason`.
 */
export interface Item {
	/** The same for the same thing of the file, whatever the profile says meanwhile. */
	readonly key: string;
	readonly chapter: string;
	readonly state: 'new' | 'replaced' | 'same' | 'refused';
	readonly target: StratumId;
	readonly line: number;
	readonly op: string;
	readonly caption: Caption;
	/** How the file spells the keys, if the application hears them as others. */
	readonly spelled?: Keys;
	readonly reason?: string;
	/** What would happen to what is there now, in words; empty where nothing does. */
	readonly gone: string;
	/** What the chapter keeps to bring it. */
	readonly said: unknown;
}

/** What comparing goes by besides the rows. */
export interface Comparing {
	targetOf(row: FileRow): StratumId;
	/**
	 * The file says what it removes and what it locks besides what it sets, stratum by stratum: what it does not remove is to
	 * stay beside what it sets.
	 */
	readonly saysAll: boolean;
}

export interface Words {
	readonly one: string;
	readonly many: string;
	/** The view that edits them, as in its address. */
	readonly view: string;
}

/** What a chapter adds to the inputs that a program hears, besides shortcuts of keys. */
export interface Adds {
	/** The space with the profile's contexts of this chapter in it; the same one for the same contexts. */
	contexts?(space: ContextSpace, profile: Profile): ContextSpace;
	/** The shortcuts that its content implies, by stratum. */
	shortcuts?(profile: Profile): ImpliedShortcuts;
	/** Where an input of a command can be made at all, for the inputs that the chapter decides on. */
	heard?(profile: Profile, space: ContextSpace): Hearing;
	/** The commands whose inputs it decides on; any change of the chapter touches them. */
	decidesOn?(index: ShortcutIndex): Iterable<CommandId>;
	/** The commands that it gives a place in the window, which is a way to them without keys. */
	places?(profile: Profile): ReadonlySet<CommandId>;
}

/** One kind of content of a profile. Everything outside a chapter's folder goes through this. */
export interface Chapter<
	Content = unknown,
	Said = unknown,
	Change extends { readonly stratum: StratumId } = { stratum: StratumId }
> {
	readonly id: string;
	readonly words: Words;
	/** `keyed` is kept entry by entry, `text` as a whole. */
	readonly form: 'keyed' | 'text';
	/** An entry as it is kept, or the text; and as it stands in files, where the order of the list is its rank. */
	readonly said: z.ZodType<Said>;
	readonly inFile: z.ZodType;
	readonly change: z.ZodType<Change>;
	contentIn(stratum: Profile[number]): Content;
	/** What the content says, in its order; `contentOf` makes it of that again. */
	list(content: Content): readonly Said[];
	contentOf(said: readonly Said[]): Content;
	/** Under which key what is said is kept; a text has none. */
	keyOf(said: Said): { readonly key: string; readonly isLock: boolean };
	/** What is said, as it stands in a file; `fromFile` may throw an error that says what is wrong, with a `path`. */
	toFile(said: Said): unknown;
	fromFile(value: unknown): Said;
	/** How much there is of it. */
	size(said: Said): number;
	/** Exact: applying the inverse restores it, also "nothing there". Throws `StaleChangeError` if it is not as `changes` expect it. */
	apply(content: Content, changes: readonly Change[]): Content;
	inverse(change: Change): Change;
	rebase(now: Profile, changes: readonly Change[], base: Profile): Rebase<Change>;
	/** What it is about; two changes touch if they share a key. */
	touches(change: Change): string;
	/** What it is about, in words. */
	about(change: Change, names: Names): string;
	differences(before: Profile, now: Profile, names: Names): Difference[];
	/** One difference for each thing that is in force otherwise, whichever strata say so; where `differences` tells each stratum's word. */
	differencesInForce?(before: Profile, now: Profile, names: Names): Difference[];
	/** The changes that take a difference back. May throw `OutOfReachError`. */
	takeBack(difference: Difference, ground: Ground, pen: Pen): Change[];
	/** The changes by which the stratum says nothing any more, of these commands or of all. */
	clears(stratum: Profile[number], isIn?: (command: CommandId) => boolean): Change[];
	/** What is said as far as it is selected; undefined if it is not. `all` is what it may belong to, as a place to its bar. */
	selector(
		selection: Selection,
		ground: Pick<Ground, 'index'> & { readonly all: Iterable<Said> }
	): (said: Said) => Said | undefined;
	isOfMachine(said: Said, rules?: InputRules): boolean;
	/** The command that it is about, if it is about one. */
	commandOf?(said: Said): CommandId | undefined;
	/** Where it holds, if it says so. */
	scopeOf?(said: Said): Scope | undefined;
	/** The same within another scope, for what has one of its own to choose. */
	inScope?(said: Said, scope: Scope): Said;
	compare(rows: readonly FileRow<Said>[], ground: Ground, comparing: Comparing): Item[];
	bring(items: readonly Item[], ground: Ground): { changes: Change[]; left: { line: number; message: string }[] };
	/** The changes with places in the list that no other entry has. */
	placed(profile: Profile, changes: readonly Change[]): readonly Change[];
	problems(changes: readonly Change[], ground: Ground): ChangeProblem[];
	/** The changes by which a stratum says of renamed commands what it says of their former ids. */
	followRenames?(stratum: Profile[number], renamed: ReadonlyMap<CommandId, CommandId>): Change[];
	/** The commands that a stratum speaks of, one for each entry, step or line; what says nothing counts too. */
	commandsIn?(stratum: Profile[number]): readonly CommandId[];
	/** The commands that it adds to the catalogue, so that other chapters may speak of them. */
	commands?(profile: Profile): readonly Command[];
	/** The command that is in the catalogue because of what is said. */
	addsCommand?(said: Said): CommandId | undefined;
	/** What it adds to the inputs that the program hears. */
	readonly adds?: Adds;
}
