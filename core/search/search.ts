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
}

const TIER = { keys: 70, whole: 60, start: 50, synonym: 40, word: 30, part: 20, id: 15, category: 10, similar: 0 } as const;

const startsWord = (text: string, query: string) => text.startsWith(query) || text.includes(' ' + query);

/**
 * Prepares a catalogue for searching: exact and partial matches by plain comparison, which ranks them as people expect,
 * and typo-tolerant ones by MiniSearch for what is left.
 */
export function commandSearch(catalogue: Catalogue): CommandSearch {
	const prepared: Prepared[] = [...catalogue.values()].map((command) => ({
		command,
		label: command.label.toLowerCase(),
		id: command.id.toLowerCase(),
		category: command.category.join(' ').toLowerCase(),
		synonyms: command.synonyms.map((s) => s.toLowerCase())
	}));
	const fuzzy = new MiniSearch<{ id: CommandId; label: string; synonyms: string }>({
		fields: ['label', 'synonyms'],
		searchOptions: { boost: { label: 2 }, prefix: false, fuzzy: 0.25, combineWith: 'AND' }
	});
	fuzzy.addAll(prepared.map((p) => ({ id: p.command.id, label: p.label, synonyms: p.synonyms.join(' ') })));

	const match = (p: Prepared, query: string, words: readonly string[]): [number, Hit['by'], string?] | undefined => {
		if (p.label === query) return [TIER.whole, 'label'];
		if (p.label.startsWith(query)) return [TIER.start, 'label'];
		const synonym = p.synonyms.find((s) => s.startsWith(query));
		if (synonym !== undefined) return [TIER.synonym, 'synonym', synonym];
		if (p.label.includes(' ' + query)) return [TIER.word, 'label'];
		if (p.label.includes(query)) return [TIER.part, 'label'];
		if (p.id.includes(query)) return [TIER.id, 'id'];
		if (words.length === 1) return startsWord(p.category, query) ? [TIER.category, 'category'] : undefined;
		const everywhere = [p.label, ...p.synonyms, p.category, p.id].join(' ');
		return words.every((word) => everywhere.includes(word)) ? [TIER.word - 1, 'label'] : undefined;
	};

	return {
		asKeys: looseKeys,
		find(text, index) {
			const query = text.trim().toLowerCase();
			if (query === '') return prepared.map(({ command }) => ({ command, by: 'label' }));
			const words = query.split(/\s+/);
			const found = new Map<CommandId, { hit: Hit; tier: number; order: number }>();
			const keys = looseKeys(query);
			if (keys)
				for (const { command: id } of [...index.on(keys), ...index.longer(keys)]) {
					const command = catalogue.get(id);
					if (command) found.set(id, { hit: { command, by: 'keys' }, tier: TIER.keys, order: found.size });
				}
			prepared.forEach((p, order) => {
				if (found.has(p.command.id)) return;
				const matched = match(p, query, words);
				if (matched)
					found.set(p.command.id, { hit: { command: p.command, by: matched[1], synonym: matched[2] }, tier: matched[0], order });
			});
			if (query.length > 2 && found.size < 12)
				for (const [order, { id }] of fuzzy.search(query).entries()) {
					const command = catalogue.get(id as CommandId)!;
					if (!found.has(command.id)) found.set(command.id, { hit: { command, by: 'similar' }, tier: TIER.similar, order });
				}
			return [...found.values()].sort((a, b) => b.tier - a.tier || a.order - b.order).map(({ hit }) => hit);
		}
	};
}
