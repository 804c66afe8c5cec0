import MiniSearch from 'minisearch';
import { stemmer } from 'stemmer';
import { levelOf, type Profile, type StratumHead, type StratumId } from '../../strata/stratum.ts';
import { valueProblem, type OptionDefinition, type OptionValue } from '../../application/option.ts';
import { optionsFold, optionsIn } from './option.ts';

/** An option as it is listed: what counts, and who says so. */
export interface OptionRow {
	readonly definition: OptionDefinition;
	readonly value: OptionValue;
	/** The stratum that says it; undefined where the application's own value counts. */
	readonly stratum: StratumHead | undefined;
	readonly lockedBy: StratumHead | undefined;
	/** What the stratum that is written to says, whether it counts or not. */
	readonly here: boolean;
	readonly locksHere: boolean;
	/** What would count if the stratum that is written to said nothing. */
	readonly below: OptionValue;
	/** Why the value is none that the option can have. */
	readonly problem: string | undefined;
}

export const SHOWING = ['all', 'changed', 'mine', 'office', 'factory'] as const;
/** All of them; those that somebody has set; those that one's own strata, those of the office, or nobody says. */
export type Showing = (typeof SHOWING)[number];

/** Every option of the catalogue as it stands, seen from the stratum that is written to. */
export function optionRows(options: readonly OptionDefinition[], profile: Profile, target: StratumId): OptionRow[] {
	const fold = optionsFold(profile);
	const level = levelOf(profile, target);
	const below = optionsFold(belowOf(profile, level));
	const mine = optionsIn(profile[level]!);
	const said = new Set([...mine.values()].filter((e) => e.op === 'set').map((e) => e.path));
	const locked = new Set([...mine.values()].filter((e) => e.op === 'lock').map((e) => e.path));
	return options.map((definition): OptionRow => {
		const { path, default: own } = definition;
		const placed = fold.inForce.get(path);
		const under = below.inForce.get(path)?.entry;
		const value = placed?.entry.op === 'set' ? placed.entry.value : own;
		return {
			definition,
			value,
			stratum: placed?.stratum,
			lockedBy: fold.locks.get(path),
			here: said.has(path),
			locksHere: locked.has(path),
			below: under?.op === 'set' ? under.value : own,
			problem: valueProblem(definition, value)
		};
	});
}

const parts = new WeakMap<Profile, Map<number, Profile>>();

/** The strata below a level; the same list for the same profile. */
function belowOf(profile: Profile, level: number): Profile {
	let known = parts.get(profile);
	if (!known) parts.set(profile, (known = new Map()));
	let below = known.get(level);
	if (!below) known.set(level, (below = profile.slice(0, level)));
	return below;
}

const isShown: Readonly<Record<Showing, (row: OptionRow) => boolean>> = {
	all: () => true,
	changed: ({ value, definition }) => value !== definition.default,
	mine: ({ stratum }) => stratum?.kind === 'personal',
	office: ({ stratum }) => stratum !== undefined && stratum.kind !== 'personal' && stratum.kind !== 'factory',
	factory: ({ stratum }) => stratum === undefined || stratum.kind === 'factory'
};

export const shownRows = (rows: readonly OptionRow[], showing: Showing): OptionRow[] => rows.filter(isShown[showing]);

const searches = new WeakMap<readonly OptionDefinition[], MiniSearch<OptionDefinition>>();

/** Words of a question that say nothing of what is looked for. */
const ASKING = new Set(
	'a an and are be by can come comes do does for from how i in is it its much of often on or set show shows so that the to what when where which who why with'.split(
		' '
	)
);

/** A word as it is compared: without its ending (Porter 1980, "An algorithm for suffix stripping"). */
const asCompared = (word: string): string => stemmer(word.toLowerCase());

/**
 * The paths of the options that answer a text, the best first: by their names, synonyms, groups, choices, and the words that explain
 * them, without regard to endings; words may be begun, and be misspelt by a character. What has all the words comes alone; where nothing
 * has, what has some of them. Undefined for a text that asks nothing.
 */
export function searchOptions(options: readonly OptionDefinition[], text: string): readonly string[] | undefined {
	if (text.trim() === '') return undefined;
	let search = searches.get(options);
	if (!search) {
		search = new MiniSearch<OptionDefinition>({
			idField: 'path',
			fields: ['label', 'words', 'group', 'explanation', 'choices', 'cost', 'path'],
			extractField: (option, field) => {
				if (field === 'words') return option.synonyms.join(' ');
				if (field === 'choices') return option.type.kind === 'choice' ? option.type.choices.map((c) => c.label).join(' ') : '';
				return String(option[field as keyof OptionDefinition]);
			},
			processTerm: asCompared,
			searchOptions: {
				prefix: true,
				fuzzy: (word) => (word.length > 4 ? 0.25 : false),
				boost: { label: 4, words: 3, group: 2 }
			}
		});
		search.addAll([...options]);
		searches.set(options, search);
	}
	const asked = text
		.split(/\s+/)
		.filter((word) => !ASKING.has(word.toLowerCase()))
		.join(' ');
	const wanted = asked === '' ? text : asked;
	const all = search.search(wanted, { combineWith: 'AND' });
	return (all.length > 0 ? all : search.search(wanted, { combineWith: 'OR' })).map((hit) => hit.id as string);
}

/** Why a stratum cannot set the option: it is locked below, or a stratum above says otherwise. Undefined where it can. */
export function closedFor({ lockedBy, stratum }: Pick<OptionRow, 'lockedBy' | 'stratum'>, profile: Profile, target: StratumId) {
	const level = levelOf(profile, target);
	if (lockedBy && levelOf(profile, lockedBy.id) < level) return `${lockedBy.name} has locked it`;
	if (stratum && levelOf(profile, stratum.id) > level) return `${stratum.name} sets another value above it`;
	return undefined;
}
