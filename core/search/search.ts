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
	find(text: string, index: ShortcutIndex): Hit[];
	/** The text read as an input, when it is one. */
	asKeys(text: string): Keys | undefined;
}

interface Prepared {
	readonly command: Command;
	readonly label: string;
	readonly id: string;
	readonly category: string;
	readonly synonyms: readonly string[];
	/** All of it in one text, to pass over quickly what cannot answer. */
	readonly all: string;
}

/** How well a command answers, the best first. */
const TIERS = ['keys', 'whole', 'start', 'synonym', 'word', 'words', 'part', 'id', 'category', 'similar'] as const;
type Tier = (typeof TIERS)[number];

/**
 * Prepares a catalogue for searching: exact and partial matches by plain comparison, which ranks them as people expect,
 * and slips of the finger by the words of the
 * catalogue that MiniSearch finds near.
 */
export function commandSearch(catalogue: Catalogue): CommandSearch {
	const prepared: Prepared[] = [...catalogue.values()].map((command) => ({
		command,
		label: command.label.toLowerCase(),
		id: command.id.toLowerCase(),
		category: command.category.join(' ').toLowerCase(),
		synonyms: command.synonyms.map((s) => s.toLowerCase()),
		all: [command.label, command.id, command.category.join(' '), ...command.synonyms].join('\n').toLowerCase()
	}));
	const vocabulary = new MiniSearch<{ id: string }>({ fields: ['id'], searchOptions: { fuzzy: 0.3, prefix: true } });
	const words = new Set(prepared.flatMap((p) => [p.label, ...p.synonyms].flatMap((text) => text.split(/[^\p{L}\p{N}]+/u))));
	vocabulary.addAll([...words].filter((word) => word.length > 2).map((id) => ({ id })));

	/** The words of the catalogue that somebody may have meant, for each word of the query. */
	const meant = (query: readonly string[]): readonly string[][] =>
		query.map((word) => [
			word,
			...vocabulary
				.search(word)
				.slice(0, 4)
				.map(({ id }) => id as string)
		]);

	const match = (
		p: Prepared,
		query: string,
		spaced: string,
		parts: readonly string[]
	): [Tier, Hit['by'], string?] | undefined => {
		if (!p.all.includes(query))
			return parts.length > 1 && parts.every((part) => p.all.includes(part)) ? ['words', 'label'] : undefined;
		if (p.label === query) return ['whole', 'label'];
		if (p.label.startsWith(query)) return ['start', 'label'];
		const synonym = p.synonyms.find((s) => s.startsWith(query));
		if (synonym !== undefined) return ['synonym', 'synonym', synonym];
		if (p.label.includes(spaced)) return ['word', 'label'];
		if (p.label.includes(query)) return ['part', 'label'];
		if (p.id.includes(query)) return ['id', 'id'];
		return p.category.startsWith(query) || p.category.includes(spaced) ? ['category', 'category'] : undefined;
	};

	return {
		asKeys: looseKeys,
		find(text, index) {
			const query = text.trim().toLowerCase();
			if (query === '') return prepared.map(({ command }) => ({ command, by: 'label' }));
			const parts = query.split(/\s+/);
			const spaced = ` ${query}`;
			const tiers = Object.fromEntries(TIERS.map((tier) => [tier, [] as Hit[]])) as Record<Tier, Hit[]>;
			const keys = looseKeys(query);
			const byKeys = new Set<CommandId>();
			if (keys)
				for (const { command: id } of [...index.on(keys), ...index.longer(keys)]) {
					const command = catalogue.get(id);
					if (!command || byKeys.has(id)) continue;
					byKeys.add(id);
					tiers.keys.push({ command, by: 'keys' });
				}
			let found = byKeys.size;
			for (const p of prepared) {
				const matched = match(p, query, spaced, parts);
				if (!matched || byKeys.has(p.command.id)) continue;
				tiers[matched[0]].push({ command: p.command, by: matched[1], synonym: matched[2] });
				found++;
			}
			if (query.length > 2 && found === 0) {
				const alternatives = meant(parts);
				for (const { command, all } of prepared)
					if (alternatives.every((list) => list.some((word) => all.includes(word))))
						tiers.similar.push({ command, by: 'similar' });
			}
			return TIERS.flatMap((tier) => tiers[tier]);
		}
	};
}
