import { distance } from 'fastest-levenshtein';
import MiniSearch from 'minisearch';
import type { ShortcutIndex } from '../answer/shortcut-index.ts';
import type { Catalogue } from '../application/application.ts';
import type { Command, CommandId } from '../application/command.ts';
import { looseKeys, type Keys } from '../stroke/stroke.ts';

/** A command that answers the search, and what made it answer. */
export interface Hit {
	readonly command: Command;
	readonly by: 'keys' | 'label' | 'synonym' | 'id' | 'category' | 'similar';
	/** The synonym that answered, if one did. */
	readonly synonym?: string | undefined;
}

export interface CommandSearch {
	/** All commands that answer, the best first; an empty text gives all in the order of the catalogue. */
	find(text: string, index: ShortcutIndex): readonly Hit[];
	/** The text read as an input, when it is one. */
	asKeys(text: string): Keys | undefined;
}

interface Prepared {
	readonly command: Command;
	readonly label: string;
	readonly id: string;
	readonly category: string;
	readonly synonyms: readonly string[];
	/** The synonyms in one text, each on a line of its own, to tell quickly whether one begins so. */
	readonly beginnings: string;
	/** All of it in one text, to pass over quickly what cannot answer. */
	readonly all: string;
}

/** How well a command answers, the best first. */
const TIERS = ['whole', 'start', 'synonym', 'word', 'words', 'part', 'id', 'category'] as const;
type Tier = (typeof TIERS)[number];

/** The commands that answer a text, in the order of the catalogue and as ranked hits. */
interface TextAnswer {
	readonly answered: readonly Prepared[];
	readonly hits: readonly Hit[];
}

interface Answer {
	readonly tier: Tier;
	readonly by: Hit['by'];
}
const ANSWERS = {
	whole: { tier: 'whole', by: 'label' },
	start: { tier: 'start', by: 'label' },
	synonym: { tier: 'synonym', by: 'synonym' },
	word: { tier: 'word', by: 'label' },
	words: { tier: 'words', by: 'label' },
	part: { tier: 'part', by: 'label' },
	id: { tier: 'id', by: 'id' },
	category: { tier: 'category', by: 'category' }
} as const satisfies Record<string, Answer>;

/**
 * Prepares a catalogue for searching: exact and partial matches by plain comparison, which ranks them as people expect,
 * and slips of the finger by the words of the
 * catalogue that MiniSearch finds near. `heardAs` says how the application hears an input that is typed.
 */
export function commandSearch(catalogue: Catalogue, heardAs: (keys: Keys) => Keys | undefined = (keys) => keys): CommandSearch {
	const asKeys = (text: string): Keys | undefined => {
		const keys = looseKeys(text);
		return keys && (heardAs(keys) ?? keys);
	};
	const prepared: Prepared[] = [...catalogue.values()].map((command) => ({
		command,
		label: command.label.toLowerCase(),
		id: command.id.toLowerCase(),
		category: command.category.join(' ').toLowerCase(),
		synonyms: command.synonyms.map((s) => s.toLowerCase()),
		beginnings: command.synonyms.map((s) => `\n${s.toLowerCase()}`).join(''),
		all: [command.label, command.id, command.category.join(' '), ...command.synonyms].join('\n').toLowerCase()
	}));
	const vocabulary = new MiniSearch<{ id: string }>({ fields: ['id'], searchOptions: { fuzzy: 0.3, prefix: true } });
	/** The commands whose label or synonyms have the word, by their places. */
	const withWord = new Map<string, number[]>();
	prepared.forEach(({ label, synonyms }, place) => {
		for (const word of new Set([label, ...synonyms].flatMap((text) => text.split(/[^\p{L}\p{N}]+/u)))) {
			const places = withWord.get(word);
			if (places) places.push(place);
			else withWord.set(word, [place]);
		}
	});
	vocabulary.addAll([...withWord.keys()].filter((word) => word.length > 2).map((id) => ({ id })));

	/** The words of the catalogue that somebody may have meant, for each word of the query. */
	const meant = (query: readonly string[]): readonly string[][] =>
		query.map((word) =>
			vocabulary
				.search(word)
				.slice(0, 4)
				.map(({ id }) => id as string)
		);

	const match = (p: Prepared, query: string, spaced: string, lined: string): Answer | undefined => {
		if (p.label.startsWith(query)) return p.label.length === query.length ? ANSWERS.whole : ANSWERS.start;
		if (p.beginnings.includes(lined)) return ANSWERS.synonym;
		if (p.label.includes(spaced)) return ANSWERS.word;
		if (p.label.includes(query)) return ANSWERS.part;
		if (p.id.includes(query)) return ANSWERS.id;
		return p.category.startsWith(query) || p.category.includes(spaced) ? ANSWERS.category : undefined;
	};

	/** The commands that have a word near to each of these, the nearest first; slips of more than a third of a word are none. */
	function similar(parts: readonly string[]): Hit[] {
		const slips = new Map<number, number>();
		meant(parts).forEach((words, i) => {
			const part = parts[i]!;
			const nearest = new Map<number, number>();
			for (const word of words) {
				// the beginning of a longer word is as good as the word
				const slip = Math.min(distance(part, word), distance(part, word.slice(0, part.length)) + 0.5);
				if (slip > Math.max(1, part.length / 3)) continue;
				for (const place of withWord.get(word) ?? []) {
					// of two words as near, people mean the one that they read
					const far = prepared[place]!.label.includes(word) ? slip : slip + 0.25;
					nearest.set(place, Math.min(nearest.get(place) ?? Infinity, far));
				}
			}
			if (i === 0) for (const [place, slip] of nearest) slips.set(place, slip);
			else
				for (const [place, sum] of slips) {
					const slip = nearest.get(place);
					if (slip === undefined) slips.delete(place);
					else slips.set(place, sum + slip);
				}
		});
		return [...slips]
			.sort(([a, x], [b, y]) => x - y || a - b)
			.map(([place]) => ({ command: prepared[place]!.command, by: 'similar' }));
	}

	/** Who had the text before somewhere: whoever has a longer text has its beginning as well. */
	let last: { readonly query: string; readonly answered: readonly Prepared[] } = { query: '', answered: prepared };
	/** A single letter is answered by nearly everything; it is worked out once. */
	const ofOneLetter = new Map<string, TextAnswer>();

	function byText(query: string): TextAnswer {
		const known = ofOneLetter.get(query);
		if (known) return known;
		const parts = query.split(/\s+/);
		const spaced = ` ${query}`;
		const lined = `\n${query}`;
		const tiers = Object.fromEntries(TIERS.map((tier) => [tier, [] as Hit[]])) as Record<Tier, Hit[]>;
		const answered: Prepared[] = [];
		for (const p of query.startsWith(last.query) ? last.answered : prepared) {
			const isWhole = p.all.includes(query);
			if (!isWhole && !(parts.length > 1 && parts.every((part) => p.all.includes(part)))) continue;
			answered.push(p);
			const matched = isWhole ? match(p, query, spaced, lined) : ANSWERS.words;
			if (!matched) continue;
			const synonym = matched.by === 'synonym' ? p.synonyms.find((text) => text.startsWith(query)) : undefined;
			tiers[matched.tier].push({ command: p.command, by: matched.by, synonym });
		}
		const answer = { answered, hits: TIERS.flatMap((tier) => tiers[tier]) };
		if (query.length === 1) ofOneLetter.set(query, answer);
		return answer;
	}

	return {
		asKeys,
		find(text, index) {
			const query = text.trim().toLowerCase();
			if (query === '') return prepared.map(({ command }) => ({ command, by: 'label' }));
			const parts = query.split(/\s+/);
			const keys = asKeys(query);
			const byKeys = new Map<CommandId, Hit>();
			if (keys)
				for (const { command: id } of [...index.on(keys), ...index.longer(keys)]) {
					const command = catalogue.get(id);
					if (command) byKeys.set(id, { command, by: 'keys' });
				}
			const { answered, hits } = byText(query);
			last = { query, answered };
			if (query.length > 2 && hits.length === 0 && byKeys.size === 0) {
				// something like an id names its thing last: that must be there as it is spelled
				const [, named] = /\.([^.\s]+)$/.exec(query) ?? [];
				return named === undefined ? similar(parts) : byText(named).hits;
			}
			return byKeys.size === 0 ? hits : [...byKeys.values(), ...hits.filter((hit) => !byKeys.has(hit.command.id))];
		}
	};
}
