import type { ShortcutIndex } from '../answer/shortcut-index.ts';
import type { OpenApplication } from '../application/application.ts';
import { BARS, barsIn, type BarEntry } from '../chapters/bars/bar.ts';
import { wholeBars } from '../chapters/bars/whole.ts';
import { indexOf } from '../profile/circumstances.ts';
import type { Scope } from '../context/scope.ts';
import type { SearchPaths } from '../folders/search.ts';
import type { Comparing, FileRow, Ground, Item } from '../chapter/chapter.ts';
import { ALL_CHAPTERS, chapterOf, type AnyChapter } from '../profile/chapters.ts';
import { applyEdit, tagged } from '../profile/edit.ts';
import type { Profile, StratumId } from '../strata/stratum.ts';
import { holdingsOf, MACHINE, type Holdings, type Selection } from './selection.ts';

/** What was read of a file, before anything is left out. */
export interface Parsed {
	readonly rows: readonly FileRow[];
	/** See `Comparing`. */
	readonly saysAll?: boolean;
	readonly folders?: SearchPaths | undefined;
}

/** What of it is wanted, and where it goes. */
export interface Wanted {
	readonly selection: Selection;
	/** One stratum for everything; without it the strata that the file names. */
	readonly into: StratumId | undefined;
	/** The stratum of what names none. */
	readonly otherwise: StratumId;
	/** The scope that everything which has one gets in place of its own. */
	readonly scope?: Scope;
	/** What the desks of the office tell of keys that the application does not hear as they are spelled. */
	readonly office?: Ground['office'];
}

export interface Compared {
	/** Of the profile with the commands that come. */
	readonly index: ShortcutIndex;
	readonly items: readonly Item[];
	readonly folders: SearchPaths | undefined;
	/** What the file holds of each part, before anything is left out. */
	readonly holds: Holdings;
	/** The outermost categories of the commands that the file names. */
	readonly categories: readonly string[];
	/** The bars that the file speaks of, by id and name. */
	readonly bars: readonly { readonly id: string; readonly name: string }[];
}

/** Compares what a file says with the profile: first what adds commands, since the rest may name them. */
export function compareFile(subject: OpenApplication, profile: Profile, parsed: Parsed, wanted: Wanted): Compared {
	const { selection, into, otherwise, scope, office } = wanted;
	const comparing: Comparing = { targetOf: (row) => into ?? row.stratum ?? otherwise, saysAll: parsed.saysAll ?? false };
	const byChapter = new Map<string, FileRow[]>();
	for (const row of parsed.rows) {
		const list = byChapter.get(row.chapter);
		if (list) list.push(row);
		else byChapter.set(row.chapter, [row]);
	}
	let now = profile;
	let index = indexOf(subject, now);
	const items = new Map<AnyChapter, readonly Item[]>();
	// what adds commands comes first, so that all else may speak of them
	for (const chapter of [...ALL_CHAPTERS].sort((a, b) => Number(!a.commands) - Number(!b.commands))) {
		const here = profile.flatMap((stratum) => chapter.list(chapter.contentIn(stratum)));
		const there = (byChapter.get(chapter.id) ?? []).map((row) => row.said);
		const select = chapter.selector(selection, { index, all: [...here, ...there] });
		const rows = (byChapter.get(chapter.id) ?? []).flatMap((row) => {
			const said = select(row.said);
			return said === undefined ? [] : [{ ...row, said: scope && chapter.inScope ? chapter.inScope(said, scope) : said }];
		});
		if (rows.length === 0) continue;
		const found = chapter.compare(rows, { index, profile: now, ...(office && { office }) }, comparing);
		items.set(chapter, found);
		if (!chapter.commands) continue;
		const { changes } = chapter.bring(found.filter(isOpen), { index, profile: now });
		now = applyEdit(now, tagged(chapter, changes));
		index = indexOf(subject, now);
	}
	const { catalogue } = index;
	const commands = new Set(parsed.rows.flatMap((row) => chapterOf(row.chapter).commandOf?.(row.said) ?? []));
	const categories = Array.from(commands, (id) => catalogue.get(id)?.category[0]).filter((name) => name !== undefined);
	const holds = holdingsOf(parsed.rows, index.rules);
	return {
		index,
		items: ['text', 'keyed'].flatMap((form) => ALL_CHAPTERS.flatMap((c) => (c.form === form ? (items.get(c) ?? []) : []))),
		folders: selection.sections.includes(MACHINE) ? parsed.folders : undefined,
		holds: { ...holds, [MACHINE]: holds[MACHINE]! + (parsed.folders ? 1 : 0) },
		categories: [...new Set(categories)].sort(),
		bars: wholeBars(
			(byChapter.get(BARS) ?? []).map((row) => row.said as BarEntry),
			profile.flatMap((stratum) => [...barsIn(stratum).values()])
		).map(({ id, item }) => ({ id, name: item.name }))
	};
}

/** Whether taking it would change anything. */
export const isOpen = ({ state }: Pick<Item, 'state'>): boolean => state === 'new' || state === 'replaced';
