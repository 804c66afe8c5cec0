import { z } from 'zod';
import type { InputRules } from '../application/application.ts';
import type { Ground, Selection } from '../chapter/chapter.ts';
import type { CommandId } from '../application/command.ts';
import { ALL_CHAPTERS, type AnyChapter } from '../profile/chapters.ts';
import { headOf, type Profile } from '../strata/stratum.ts';

export type { Selection } from '../chapter/chapter.ts';

/** What holds for one machine only: where files lie, and what launches programs or is set for a machine. */
export const MACHINE = 'machine';

/** The parts of a profile that are handed over one by one: chapters, and what is of one machine. */
export const SECTIONS: readonly string[] = [...ALL_CHAPTERS.map((c) => c.id), MACHINE];
export const Section = z.string().refine((id) => SECTIONS.includes(id), `expected one of ${SECTIONS.join(', ')}`);

/** All but what is of one machine. */
export const USUAL: Selection = { sections: SECTIONS.filter((s) => s !== MACHINE), contexts: {}, categories: [] };

/** The profile with what is selected of it. */
export function selectProfile(profile: Profile, selection: Selection, ground: Pick<Ground, 'index'>): Profile {
	const selectors = ALL_CHAPTERS.map((chapter) => {
		const all = profile.flatMap((stratum) => chapter.list(chapter.contentIn(stratum)));
		return { chapter, select: chapter.selector(selection, { ...ground, all }) };
	});
	const without = commandsLeftOut(profile, selectors);
	return profile.map((stratum) => {
		const contents: Record<string, unknown> = {};
		for (const { chapter, select } of selectors) {
			const said = chapter
				.list(chapter.contentIn(stratum))
				.filter((one) => chapter.addsCommand?.(one) !== undefined || !without.has(chapter.commandOf?.(one)))
				.flatMap((one) => select(one) ?? []);
			if (said.length > 0) contents[chapter.id] = chapter.contentOf(said);
		}
		return { ...headOf(stratum), contents };
	});
}

/** The commands that the profile adds and the selection leaves out everywhere: what speaks of them alone stays out as well. */
function commandsLeftOut(
	profile: Profile,
	selectors: readonly { readonly chapter: AnyChapter; readonly select: (said: unknown) => unknown }[]
): ReadonlySet<CommandId | undefined> {
	const left = new Set<CommandId | undefined>();
	for (const { chapter, select } of selectors) {
		if (!chapter.addsCommand) continue;
		const said = profile.flatMap((stratum) => chapter.list(chapter.contentIn(stratum)));
		for (const one of said) left.add(chapter.addsCommand(one));
		for (const one of said) if (select(one) !== undefined) left.delete(chapter.addsCommand(one));
	}
	left.delete(undefined);
	return left;
}

/** How much there is of each part. */
export type Holdings = Readonly<Record<string, number>>;

/** Counts what is said, chapter by chapter; what is of one machine counts as such alone. */
export function holdingsOf(said: Iterable<{ readonly chapter: string; readonly said: unknown }>, rules: InputRules): Holdings {
	const holdings: Record<string, number> = Object.fromEntries(SECTIONS.map((section) => [section, 0]));
	const chapters = new Map(ALL_CHAPTERS.map((chapter) => [chapter.id, chapter]));
	for (const one of said) {
		const chapter = chapters.get(one.chapter)!;
		const isOfMachine = chapter.isOfMachine(one.said, rules);
		holdings[isOfMachine ? MACHINE : chapter.id]! += isOfMachine ? 1 : chapter.size(one.said);
	}
	return holdings;
}

/** Everything that a profile says. */
export function* saidIn(profile: Profile): Generator<{ readonly chapter: string; readonly said: unknown }> {
	for (const stratum of profile)
		for (const chapter of ALL_CHAPTERS)
			for (const said of chapter.list(chapter.contentIn(stratum))) yield { chapter: chapter.id, said };
}
