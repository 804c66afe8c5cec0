import type { CommandId } from '../../application/command.ts';
import { spliceBetween, type TextSplice } from '../../chapter/text.ts';
import { changeRecord, spliced } from '../../recipe/reading.ts';
import { NotWritableError } from '../../recipe/record.ts';
import type { Stratum } from '../../strata/stratum.ts';
import { aliasFileIn, aliasLines } from './file.ts';

/** The commands that the lines of a stratum name by their ids, those that are commented out among them. */
export function commandsOfAliases(stratum: Stratum): CommandId[] {
	const file = aliasFileIn(stratum);
	return file ? aliasLines(file).lines.map(({ command }) => command as CommandId) : [];
}

/** The lines about renamed commands with their new ids; a line that its recipe cannot write so stays. */
export function aliasesFollowing(stratum: Stratum, renamed: ReadonlyMap<CommandId, CommandId>): TextSplice[] {
	const file = aliasFileIn(stratum);
	if (!file) return [];
	// from the last line up, so that what stands above keeps its place
	const text = aliasLines(file).lines.reduceRight((now, { command, record }) => {
		const to = renamed.get(command as CommandId);
		if (to === undefined) return now;
		try {
			return spliced(now, changeRecord(file.recipe, now, record, { command: to }));
		} catch (error) {
			if (!(error instanceof NotWritableError)) throw error;
			return now;
		}
	}, file.text);
	const splice = spliceBetween(stratum.id, file.text, text);
	return splice ? [splice] : [];
}
