import type { ShortcutIndex } from '../answer/shortcut-index.ts';
import type { OpenApplication } from '../application/application.ts';
import type { CommandId } from '../application/command.ts';
import { ACCEPTANCES } from '../chapters/acceptances/acceptance.ts';
import { ALIASES } from '../chapters/aliases/file.ts';
import { aliasKey } from '../application/command-line.ts';
import { commandNames } from '../chapters/aliases/names.ts';
import { aliasTable } from '../chapters/aliases/table.ts';
import { namesOf, type Caption } from '../chapter/chapter.ts';
import { canonicalText } from '../format/canonical.ts';
import { ALL_CHAPTERS } from '../profile/chapters.ts';
import { indexOf } from '../profile/circumstances.ts';
import { SHORTCUTS } from '../shortcut/entry.ts';
import { keyedFold } from '../strata/keyed-fold.ts';
import type { AnyEntry, Entries } from '../strata/entry.ts';
import type { Profile, StratumId } from '../strata/stratum.ts';

/** What one side says of a thing. */
export interface Cell {
	/** The entry in force; of an alias its line. */
	readonly said: unknown;
	readonly stratum: StratumId;
	/** The same text for what says the same. */
	readonly value: string;
	readonly caption: Caption;
	readonly command: CommandId | undefined;
}

/** A thing of a profile, side by side. */
export interface Row {
	readonly id: string;
	readonly chapter: string;
	readonly key: string;
	readonly caption: Caption;
	readonly command: CommandId | undefined;
	/** By side; undefined where nothing is in force. */
	readonly cells: readonly (Cell | undefined)[];
	/** Whether all sides say the same. */
	readonly isSame: boolean;
}

type Held = ReadonlyMap<string, Cell>;

/** What is in force of one keyed chapter, by the thing. */
function heldIn(chapter: (typeof ALL_CHAPTERS)[number], profile: Profile, index: ShortcutIndex): Held {
	const found = new Map<string, { said: unknown; stratum: StratumId }>();
	if (chapter.id === SHORTCUTS)
		for (const { key, command, keys, scope, stratum } of index.effective.bindings)
			found.set(key, { said: { op: 'set', command, keys, scope, rank: 0 }, stratum });
	else {
		const fold = keyedFold(profile, (stratum) => chapter.contentIn(stratum) as Entries<AnyEntry>, {
			thing: (entry) => chapter.keyOf(entry).key,
			meeting: 'overrides'
		});
		for (const [key, { entry, stratum }] of fold.inForce) found.set(key, { said: entry, stratum: stratum.id });
	}
	// captions are those of what differs from nothing
	const all = { id: 'all' as StratumId, kind: 'office', name: 'all' } as const;
	const content = chapter.contentOf([...found.values()].map(({ said }, rank) => ({ ...(said as object), rank })));
	const told = chapter.differences([{ ...all, contents: {} }], [{ ...all, contents: { [chapter.id]: content } }], namesOf(index));
	const captions = new Map(told.map((difference) => [difference.id.split('\n').slice(2).join('\n'), difference]));
	return new Map(
		[...found].map(([key, { said, stratum }]) => {
			const difference = captions.get(key);
			const { rank: _, ...value } = said as AnyEntry;
			return [
				key,
				{
					...{ said, stratum, value: canonicalText(value), command: difference?.command },
					caption: difference?.caption ?? { label: key.replaceAll('\n', ' ').trim(), detail: '' }
				}
			];
		})
	);
}

function aliasesIn(profile: Profile, index: ShortcutIndex): Held {
	const { aliases } = index.rules;
	if (!aliases) return new Map();
	const names = namesOf(index);
	const named = commandNames(index.catalogue, aliases);
	return new Map(
		[...aliasTable(profile, aliases).inForce.values()].map(({ alias, command, stratum }) => [
			// as the program takes what is typed, in whatever case a file has it
			aliasKey(alias, aliases),
			{
				...{
					said: { alias, command },
					stratum: stratum.id,
					value: named.get(aliasKey(command, aliases)) ?? command,
					command: command as CommandId
				},
				caption: { typed: alias, label: names.command(command as CommandId), detail: 'typed' }
			}
		])
	);
}

/**
 * What is in force on each side, thing by thing and chapter by chapter. What somebody has let stand is nobody else's business and
 * is left out.
 */
export function compared(application: OpenApplication, sides: readonly Profile[]): Row[] {
	const indexes = sides.map((profile) => indexOf(application, profile));
	return ALL_CHAPTERS.filter(({ id }) => id !== ACCEPTANCES).flatMap((chapter): Row[] => {
		if (chapter.form === 'text' && chapter.id !== ALIASES) return [];
		const held = sides.map((profile, i) =>
			chapter.id === ALIASES ? aliasesIn(profile, indexes[i]!) : heldIn(chapter, profile, indexes[i]!)
		);
		const keys = new Set(held.flatMap((one) => [...one.keys()]));
		return [...keys].map((key) => {
			const cells = held.map((one) => one.get(key));
			const first = cells.find((cell) => cell !== undefined)!;
			return {
				...{ id: `${chapter.id}\n${key}`, chapter: chapter.id, key, caption: first.caption, command: first.command, cells },
				isSame: cells.every((cell) => cell?.value === cells[0]?.value)
			};
		});
	});
}
