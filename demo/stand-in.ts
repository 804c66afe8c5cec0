import { z } from 'zod';
import { emptyAliasFile, type AliasFile } from '../core/chapters/aliases/file.ts';
import { ALIASES, aliasFileIn } from '../core/chapters/aliases/file.ts';
import { textChange } from '../core/chapter/text.ts';
import { BARS, type BarEntry } from '../core/chapters/bars/bar.ts';
import { bars as barsChapter } from '../core/chapters/bars/chapter.ts';
import { Macro, MACROS, macrosIn } from '../core/chapters/macros/macro.ts';
import { parseSteps } from '../core/chapters/macros/steps.ts';
import { Application } from '../core/application/application.ts';
import { Command } from '../core/application/command.ts';
import { keyOfChange, ofShortcuts, type Change } from '../core/shortcut/change.ts';
import { lockMacro, setMacro } from '../core/chapters/macros/writing.ts';
import { applyEdit, tagged, type AnyChange } from '../core/profile/edit.ts';
import { OptionEntry, OPTIONS, optionsIn } from '../core/chapters/options/option.ts';
import { entryKeyFor, nextRank } from '../core/strata/entry.ts';
import { flickIn } from '../core/chapters/gestures/gesture.ts';
import { setRose } from '../core/chapters/gestures/writing.ts';
import { Scope } from '../core/context/scope.ts';
import { barEntries, inTurn } from './bars.ts';
import { optionLines } from './options.ts';
import { Entry, entryKey, SHORTCUTS, shortcutsIn, shortcutsOf } from '../core/shortcut/entry.ts';
import { stratumById, StratumHead, type Profile, type Stratum, type StratumId } from '../core/strata/stratum.ts';
import { parseKeys } from '../core/stroke/stroke.ts';

/** Short names for the scopes that a stand-in's catalogue and shortcuts use again and again. */
export type Scopes<Name extends string = string> = Readonly<Record<Name, Record<string, string[]>>>;

/** An edit as the demo writes it: one `op | keys | command | scope name` a line; the op drop takes an own entry away. */
export interface DemoEdit {
	readonly stratum: 'office' | 'personal';
	readonly label: string;
	readonly lines: string;
	/** The whole alias file of the stratum from now on. */
	readonly aliases?: string;
	/** Macros of the stratum, one `id | label | icon | inside, locks | steps | description` a line, in place of those of the same ids. */
	readonly macros?: string;
	/** The roses it sets, one `trigger | directions | scope name` a line. */
	readonly roses?: string;
	/** What it says of options (see `optionLines`). */
	readonly options?: string;
	/** What it does to the bars and modes that there are. */
	readonly also?: (profile: Profile, stratum: StratumId) => readonly AnyChange[];
}

/** After which edit, counted from 1, the steward published, with which notes. */
export interface DemoRelease {
	readonly after: number;
	readonly notes: string;
}

/** A stand-in application with its catalogue and factory, and what Altspur Cabins made of it. */
export interface StandIn {
	readonly application: Application;
	readonly commands: readonly Command[];
	readonly strata: readonly StratumHead[];
	readonly factoryEntries: readonly Entry[];
	/** The factory's alias file, for a program with a command line. */
	readonly factoryAliases: AliasFile | undefined;
	readonly factoryBars: readonly BarEntry[];
	readonly edits: readonly DemoEdit[];
	readonly releases: readonly DemoRelease[];
	entriesOf(lines: string): Entry[];
	/** Every edit as changes, with the profile after it. */
	history(): { changes: AnyChange[]; profile: Profile }[];
}

/** `use` gives runs a day for commands by id, one `id number` a line; the office has estimated them. */
export function standIn({
	application,
	scopes,
	commands,
	use,
	factory,
	aliases,
	bars = '',
	edits,
	releases
}: {
	application: unknown;
	scopes: Scopes;
	commands: readonly { id: string }[];
	use: string;
	/** `keys | command | scope name` lines. */
	factory: string;
	/** The factory's alias file as text. */
	aliases?: string;
	/** The factory's bars (see `barEntries`). */
	bars?: string;
	edits: readonly DemoEdit[];
	releases: readonly DemoRelease[];
}): StandIn {
	const entriesOf = (lines: string): Entry[] =>
		lines
			.trim()
			.split('\n')
			.map((line, rank) => {
				const [op, keys, command, scope] = line.split('|').map((field) => field.trim());
				if (!scopes[scope!]) throw new Error(`no scope "${scope}" in: ${line}`);
				return Entry.parse({ op, keys: parseKeys(keys!), command, scope: scopes[scope!], rank });
			});
	const strata = z.array(StratumHead).parse([
		{ id: 'factory', kind: 'factory', name: 'Factory' },
		{ id: 'office', kind: 'office', name: 'Office' },
		{ id: 'personal', kind: 'personal', name: 'Personal' }
	]);
	const factoryAliases = aliases === undefined ? undefined : { ...emptyAliasFile, text: aliases.trimStart() };
	const factoryBars = barEntries(bars, scopes);
	for (const entry of factoryBars)
		if (entry.op === 'set' && entry.item.kind === 'place') {
			const { command } = entry.item;
			if (command && !commands.some((c) => c.id === command)) throw new Error(`the bars name ${command}, which is no command`);
		}
	const factoryEntries = entriesOf(factory.trim().replaceAll(/^/gm, 'set | '));
	const changesOf = (profile: Profile, { stratum: id, label, lines }: DemoEdit): Change[] => {
		const stratum = stratumById(profile, id as StratumId);
		const changes = lines
			.trim()
			.split('\n')
			.filter((line) => line !== '')
			.map((line, i): Change => {
				const drops = line.startsWith('drop');
				const [entry] = entriesOf(drops ? line.replace('drop', 'set') : line) as [Entry];
				const before = shortcutsIn(stratum).get(entryKey(entry)) ?? null;
				if (drops !== (before !== null)) throw new Error(`"${label}": ${line}`);
				return { stratum: stratum.id, before, after: drops ? null : { ...entry, rank: nextRank(shortcutsIn(stratum)) + i } };
			});
		if (new Set(changes.map(keyOfChange)).size !== changes.length) throw new Error(`"${label}" says something twice`);
		return changes;
	};
	const withMacros = (profile: Profile, id: StratumId, lines: string): Profile =>
		lines
			.trim()
			.split('\n')
			.filter((line) => line !== '')
			.reduce((now, line) => {
				const [name, label, icon, flags = '', steps = '', description = ''] = line.split('|').map((field) => field.trim());
				const macro = Macro.parse({
					id: name,
					label,
					description,
					icon,
					inside: flags.includes('inside'),
					steps: parseSteps(steps)
				});
				const set = applyEdit(now, setMacro(stratumById(now, id), macro));
				return flags.includes('locks') ? applyEdit(set, lockMacro(stratumById(set, id), macro.id, true)) : set;
			}, profile);
	const macroChanges = (profile: Profile, id: StratumId, lines: string) => {
		const [before, after] = [profile, withMacros(profile, id, lines)].map((one) => macrosIn(stratumById(one, id)));
		return [...after!].flatMap(([key, entry]) =>
			before!.get(key) === entry ? [] : [{ stratum: id, before: before!.get(key) ?? null, after: entry }]
		);
	};
	const optionChanges = (stratum: Stratum, lines: string) =>
		optionLines(lines).map(({ op, path, value }, i) => {
			const content = optionsIn(stratum);
			const entry = OptionEntry.parse({ op, path, ...(value !== undefined && { value }), rank: 0 });
			const before = content.get(entryKeyFor(op, path)) ?? null;
			const after = { ...entry, rank: before?.rank ?? nextRank(content) + i };
			return { chapter: OPTIONS, stratum: stratum.id, before, after };
		});
	const roseChanges = (profile: Profile, id: StratumId, lines: string): AnyChange[] =>
		inTurn(
			profile,
			lines
				.trim()
				.split('\n')
				.filter((line) => line !== '')
				.map((line) => (now: Profile) => {
					const [trigger, directions, scope] = line.split('|').map((field) => field.trim());
					const flick = flickIn(parseKeys(`${trigger}Flick0`))!;
					const rose = { button: flick.button, modifiers: flick.modifiers, scope: Scope.parse(scopes[scope!]), turn: 0 };
					return setRose(stratumById(now, id), { ...rose, directions: Number(directions) });
				})
		);
	const runs = new Map(
		use
			.trim()
			.split('\n')
			.map((line) => line.trim().split(/\s+/) as [string, string])
	);
	for (const id of runs.keys()) if (!commands.some((c) => c.id === id)) throw new Error(`use names ${id}, which is no command`);
	return {
		application: Application.parse(application),
		commands: z
			.array(Command)
			.parse(commands.map((command) => ({ ...command, ...(runs.has(command.id) && { use: Number(runs.get(command.id)) }) }))),
		strata,
		factoryEntries,
		factoryAliases,
		factoryBars,
		edits,
		releases,
		entriesOf,
		history() {
			let profile: Profile = strata.map((head) => ({
				...head,
				contents:
					head.kind === 'factory'
						? {
								[SHORTCUTS]: shortcutsOf(factoryEntries),
								[ALIASES]: factoryAliases ?? null,
								[BARS]: barsChapter.contentOf(factoryBars)
							}
						: {}
			}));
			return edits.map((edit) => {
				const stratum = edit.stratum as StratumId;
				const file = aliasFileIn(stratumById(profile, stratum));
				const text = textChange(stratum, file, emptyAliasFile, edit.aliases?.trimStart() ?? file?.text ?? '');
				const changes: AnyChange[] = [
					...ofShortcuts(changesOf(profile, edit)),
					...tagged({ id: ALIASES }, text ? [text] : []),
					...tagged({ id: MACROS }, macroChanges(profile, stratum, edit.macros ?? '')),
					...optionChanges(stratumById(profile, stratum), edit.options ?? ''),
					...roseChanges(profile, stratum, edit.roses ?? ''),
					...(edit.also?.(profile, stratum) ?? [])
				];
				profile = applyEdit(profile, changes);
				return { changes, profile };
			});
		}
	};
}
