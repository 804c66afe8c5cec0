import type { Catalogue } from '../../application/application.ts';
import type { Command } from '../../application/command.ts';
import { aliasCost } from './cost.ts';
import { aliasKey, aliasProblem } from '../../application/command-line.ts';
import { commandNames } from './names.ts';
import type { AliasTable } from './table.ts';

/** An alias for a command that nothing else has. */
export interface AliasSuggestion {
	readonly alias: string;
	readonly reason: string;
	readonly seconds: number;
	/** Seconds, and more for a name that says less; the smallest is the best. */
	readonly score: number;
}

/** Our own weights: what a name that is hard to remember costs, in seconds. */
const FORGETTING = { initials: 0, first: 0.05, synonym: 0.1, doubled: 0.12, skeleton: 0.15, longer: 0.2 };

/** Names made of the label and the synonyms, whether they are free or not. */
function* candidates({ label, synonyms }: Command): Generator<[string, string, keyof typeof FORGETTING]> {
	const words = label
		.toLowerCase()
		.normalize('NFKD')
		.replaceAll(/[^\p{L}\p{N} ]/gu, '')
		.split(/\s+/)
		.filter(Boolean);
	const [word = ''] = words;
	const joined = words.join('');
	if (words.length > 1) yield [words.map((w) => w[0]).join(''), `the initials of ${label}`, 'initials'];
	yield [word[0] ?? '', `the first letter of ${label}`, 'first'];
	yield [word.slice(0, 2), `how ${label} begins`, 'first'];
	yield [(word[0] ?? '').repeat(2), `the first letter of ${label}, doubled`, 'doubled'];
	const skeleton = word[0] + word.slice(1).replaceAll(/[aeiouy]/g, '');
	yield [skeleton.slice(0, 2), `the consonants of ${label}`, 'skeleton'];
	yield [skeleton.slice(0, 3), `the consonants of ${label}`, 'skeleton'];
	for (const synonym of synonyms.map((s) => s.toLowerCase()))
		yield [synonym.slice(0, 2), `how its synonym ${synonym} begins`, 'synonym'];
	yield [joined.slice(0, 3), `how ${label} begins`, 'longer'];
	yield [joined.slice(0, 4), `how ${label} begins`, 'longer'];
	if (words.length > 1) yield [word[0] + words[1]!.slice(0, 2), `${word} and ${words[1]} begin so`, 'longer'];
}

/** Free aliases for a command, the best first: short, easy to remember, and beginning no other where that matters. */
export function suggestAliases(table: AliasTable, catalogue: Catalogue, command: Command): AliasSuggestion[] {
	const { input, inForce } = table;
	const names = commandNames(catalogue, input);
	const found = new Map<string, AliasSuggestion>();
	const taken = [...inForce.keys()];
	for (const [alias, reason, kind] of candidates(command)) {
		const key = aliasKey(alias, input);
		if (key === '' || found.has(key) || inForce.has(key) || names.has(key) || aliasProblem(alias, input)) continue;
		if (input.completes && taken.some((other) => other.startsWith(key) || key.startsWith(other))) continue;
		const seconds = aliasCost(alias);
		found.set(key, { alias, reason, seconds, score: seconds + FORGETTING[kind] });
	}
	return [...found.values()].sort((a, b) => a.score - b.score || (a.alias < b.alias ? -1 : 1));
}
