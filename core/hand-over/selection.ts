import { z } from 'zod';
import { aliasLines, type AliasFile } from '../chapters/aliases/file.ts';
import type { Catalogue } from '../application/application.ts';
import type { CommandId } from '../application/command.ts';
import { meets } from '../context/bits.ts';
import type { Scope } from '../context/scope.ts';
import type { ContextSpace } from '../context/space.ts';
import { isGone, type MacroEntry } from '../chapters/macros/macro.ts';
import type { Shortcut } from '../chapters/shortcuts/entry.ts';
import { stratumOf, type Profile } from '../profile/stratum.ts';
import { removeRecord, spliced } from '../recipe/reading.ts';
import { NotWritableError } from '../recipe/record.ts';

/**
 * The parts of a profile that are handed over one by one. `machine` is what holds for one machine only: where files lie, and
 * macros that launch programs there.
 */
export const SECTIONS = ['shortcuts', 'acceptances', 'aliases', 'macros', 'machine'] as const;
export const Section = z.enum(SECTIONS);
export type Section = z.infer<typeof Section>;

/** What is taken out or brought in. */
export interface Selection {
	readonly sections: readonly Section[];
	/** Only what is heard somewhere in this scope; `{}` is everywhere. */
	readonly contexts: Scope;
	/** Only commands of these outermost categories; none named means all. */
	readonly categories: readonly string[];
}

/** All but what is of one machine. */
export const USUAL: Selection = { sections: SECTIONS.filter((s) => s !== 'machine'), contexts: {}, categories: [] };

export interface SelectionGround {
	readonly space: ContextSpace;
	readonly catalogue: Catalogue;
}

/** Whether the macro launches a program, which is there on some machines only. */
export const isOfMachine = (macro: MacroEntry): boolean => !isGone(macro) && macro.steps.some((step) => step.do === 'launch');

/** The question whether a command is selected. */
function commandTest({ categories }: Selection, catalogue: Catalogue): (id: string) => boolean {
	if (categories.length === 0) return () => true;
	const wanted = new Set(categories);
	return (id) => wanted.has(catalogue.get(id as CommandId)?.category[0] ?? '');
}

/**
 * The question whether something said of a shortcut is selected. A scope that the application does not have is: what is wrong
 * with it is told later.
 */
export function shortcutTest(
	selection: Selection,
	{ space, catalogue }: SelectionGround
): (shortcut: Shortcut, isAcceptance: boolean) => boolean {
	const { sections, contexts } = selection;
	const isCommandIn = commandTest(selection, catalogue);
	const wanted = space.bitsOf(contexts);
	const isEverywhere = Object.keys(contexts).length === 0;
	return ({ command, scope }, isAcceptance) => {
		if (!sections.includes(isAcceptance ? 'acceptances' : 'shortcuts') || !isCommandIn(command)) return false;
		if (isEverywhere) return true;
		try {
			return meets(space.bitsOf(scope), wanted);
		} catch {
			return true;
		}
	};
}

export function selectMacros(macros: Iterable<MacroEntry>, { sections, categories }: Selection): MacroEntry[] {
	if (!sections.includes('macros') || (categories.length > 0 && !categories.includes('Macros'))) return [];
	return [...macros].filter((macro) => sections.includes('machine') || !isOfMachine(macro));
}

/** The alias file with the lines of the selected commands; comments and what the recipe does not read stay. */
export function selectAliases(file: AliasFile, selection: Selection, catalogue: Catalogue): AliasFile | undefined {
	if (!selection.sections.includes('aliases')) return undefined;
	if (selection.categories.length === 0) return file;
	const isIn = commandTest(selection, catalogue);
	const { lines } = aliasLines(file);
	const out = lines.filter((line) => !isIn(line.command));
	try {
		// the last of a list leaves an empty list behind, which is more than its own cut
		if (out.length === lines.length) throw new RangeError('none is left');
		const cuts = out.flatMap(({ record }) => removeRecord(file.recipe, file.text, record));
		return { ...file, text: spliced(file.text, cuts) };
	} catch (error) {
		// two records share what is cut between them: they go one after the other, the last first
		if (!(error instanceof RangeError || error instanceof NotWritableError)) throw error;
	}
	return lines.reduceRight((now, line, n) => {
		if (isIn(line.command)) return now;
		try {
			return { ...now, text: spliced(now.text, removeRecord(now.recipe, now.text, aliasLines(now).lines[n]!.record)) };
		} catch (error) {
			if (!(error instanceof NotWritableError)) throw error;
			return now;
		}
	}, file);
}

/** The profile with what is selected of it. */
export function selectProfile(profile: Profile, selection: Selection, ground: SelectionGround): Profile {
	const isIn = shortcutTest(selection, ground);
	return profile.map(({ id, kind, name, entries, aliases, macros }) =>
		stratumOf(
			{ id, kind, name },
			[...entries.values()].filter((entry) => isIn(entry, entry.op === 'accept')),
			aliases && selectAliases(aliases, selection, ground.catalogue),
			macros && selectMacros(macros.values(), selection)
		)
	);
}
