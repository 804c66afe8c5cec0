import type { CommandId } from '../../application/command.ts';
import type { Difference, Names, Selection, Ground } from '../../chapter/chapter.ts';
import { OutOfReachError } from '../../strata/change.ts';
import type { Profile, StratumId } from '../../strata/stratum.ts';
import { stratumById } from '../../strata/stratum.ts';
import { textChapter, type TextChapter, type TextSplice } from '../../chapter/text.ts';
import { insertRecord, removeRecord, spliced } from '../../recipe/reading.ts';
import { NotWritableError, type Splice } from '../../recipe/record.ts';
import { AliasFile, ALIASES, aliasFileIn, aliasLines, type AliasLine } from './file.ts';
import { aliasesFollowing, commandsOfAliases } from './renames.ts';
import { aliasTable, type AliasEntry } from './table.ts';

/** A line that a file says now and did not say before, or the reverse. */
interface LineDifference {
	readonly stratum: StratumId;
	readonly kind: 'added' | 'removed';
	readonly line: AliasLine;
}

function saidIn(profile: Profile): Map<string, { stratum: StratumId; line: AliasLine }> {
	const found = new Map<string, { stratum: StratumId; line: AliasLine }>();
	for (const stratum of profile) {
		const file = aliasFileIn(stratum);
		for (const line of file ? aliasLines(file).lines : [])
			// lines that are commented out say nothing
			if (!line.record.off) found.set(`${stratum.id}\n${line.alias}\n${line.command}`, { stratum: stratum.id, line });
	}
	return found;
}

function differences(base: Profile, now: Profile, names: Names): Difference[] {
	const [before, after] = [saidIn(base), saidIn(now)];
	const told = (
		id: string,
		kind: LineDifference['kind'],
		{ stratum, line }: { stratum: StratumId; line: AliasLine }
	): Difference => ({
		chapter: ALIASES,
		id: `${ALIASES}\n${kind}\n${id}`,
		kind,
		by: stratum,
		caption: { typed: line.alias, label: names.command(line.command as CommandId), detail: 'typed' },
		command: line.command as CommandId,
		said: { stratum, kind, line } satisfies LineDifference
	});
	return [
		...[...after].filter(([id]) => !before.has(id)).map(([id, said]) => told(id, 'added', said)),
		...[...before].filter(([id]) => !after.has(id)).map(([id, said]) => told(id, 'removed', said))
	];
}

/** The alias file with the lines of the selected commands; comments and what the recipe does not read stay. */
function select(file: AliasFile, { categories }: Selection, { index }: Pick<Ground, 'index'>): AliasFile {
	const wanted = new Set(categories);
	const isIn = (command: string) => wanted.has(index.catalogue.get(command as CommandId)?.category[0] ?? '');
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

function takeBack(said: LineDifference, profile: Profile, target: StratumId): TextSplice[] {
	const { stratum, kind, line } = said;
	const { name } = stratumById(profile, stratum);
	const about = `${line.alias} for ${line.command}`;
	if (stratum !== target) throw new OutOfReachError(`${about} is in the alias file of ${name}; edit ${name} to remove it`);
	const file = aliasFileIn(stratumById(profile, stratum));
	if (!file) throw new OutOfReachError(`${name} has no alias file for ${about}`);
	const { lines } = aliasLines(file);
	try {
		const splices =
			kind === 'added'
				? cutOf(
						file,
						lines.find((l) => !l.record.off && l.alias === line.alias && l.command === line.command)
					)
				: insertRecord(file.recipe, file.text, lines.at(-1)?.record, {
						alias: line.alias,
						command: line.command,
						...(line.note !== '' && { note: line.note })
					});
		// from the end, so that places before it stay what they are
		return splices
			.toSorted((a, b) => b.start - a.start)
			.map(({ start, end, insert }) => ({ stratum, at: start, before: file.text.slice(start, end), after: insert }));
	} catch (error) {
		if (!(error instanceof NotWritableError)) throw error;
		throw new OutOfReachError(`${about}: ${error.message}`);
	}
}

const cutOf = (file: AliasFile, line: AliasLine | undefined): Splice[] =>
	line ? removeRecord(file.recipe, file.text, line.record) : [];

/** The lines of one stratum that a lock stops. */
function lockedIn(profile: Profile, stratum: StratumId, { index }: Ground): Map<string, AliasEntry> {
	const input = index.rules.aliases;
	const found = new Map<string, AliasEntry>();
	if (!input) return found;
	for (const [entry, why] of aliasTable(profile, input).idle)
		if (why === 'locked' && entry.stratum.id === stratum) found.set(`${entry.key}\n${entry.command}`, entry);
	return found;
}

const chapter: TextChapter<AliasFile> = textChapter<AliasFile>({
	id: ALIASES,
	words: { one: 'alias file', many: 'aliases', view: 'aliases' },
	file: AliasFile,
	called: 'the alias file',
	size: (file) => aliasLines(file).lines.length,
	differences,
	takeBack: ({ said }, { profile }, { target }) => takeBack(said as LineDifference, profile, target),
	select,
	problem(before, after, stratum, ground) {
		const known = lockedIn(before, stratum, ground);
		for (const [key, { alias, lockedBy }] of lockedIn(after, stratum, ground))
			if (!known.has(key)) return `${lockedBy!.name} has locked the alias ${alias}`;
		return undefined;
	}
});

export const aliases: TextChapter<AliasFile> = {
	...chapter,
	followRenames: aliasesFollowing,
	commandsIn: commandsOfAliases
};
