import type { Catalogue } from '../application/application.ts';
import type { Profile } from '../strata/stratum.ts';
import { ALL_CHAPTERS } from './chapters.ts';

const ADDING = ALL_CHAPTERS.filter(({ commands }) => commands);

interface Derived {
	readonly said: readonly unknown[];
	/** The commands that the profile adds, as a text. */
	readonly added: string;
	readonly all: Catalogue;
}

/** What was worked out last, the newest first: a profile is looked at whole, as published, and as released, by turns. */
const known = new WeakMap<Catalogue, Derived[]>();
const MOST_KNOWN = 6;

/**
 * The catalogue with the commands that the profile adds behind it, which are commands like any other. The same object for the
 * same contents, so that what hangs on it is not worked out anew with each edit.
 */
export function profileCatalogue(catalogue: Catalogue, profile: Profile): Catalogue {
	const said = profile.flatMap(({ contents }) => ADDING.map(({ id }) => contents[id]));
	if (said.every((content) => content === undefined)) return catalogue;
	let list = known.get(catalogue);
	if (!list) known.set(catalogue, (list = []));
	const earlier = list.find((d) => d.said.length === said.length && said.every((content, i) => content === d.said[i]));
	if (earlier) return earlier.all;
	const added = ADDING.flatMap((chapter) => chapter.commands!(profile)).filter(({ id }) => !catalogue.has(id));
	const text = JSON.stringify(added);
	// most edits of bars add no command
	const same = list.find((d) => d.added === text);
	const found = same?.all ?? (added.length === 0 ? catalogue : new Map([...catalogue, ...added.map((c) => [c.id, c] as const)]));
	list.unshift({ said, added: text, all: found });
	list.length = Math.min(list.length, MOST_KNOWN);
	return found;
}
