import type { Catalogue } from '../../../application/application.ts';
import type { CommandId } from '../../../application/command.ts';
import { TAKES_AWAY } from '../file.ts';
import { off, remove, type AliasFix, type AliasRule } from '../finding.ts';
import { Spellings } from '../nearest.ts';
import { thoseThat } from '../those-that.ts';

/** Looking for the command that was meant takes long in a long catalogue; a file of another program names thousands. */
const MOST_GUESSES = 40;

const speaking = thoseThat<Catalogue>(({ command }, catalogue) => command === TAKES_AWAY || !catalogue.has(command as CommandId));

const spellings = new WeakMap<Catalogue, Spellings>();

function spellingsIn(catalogue: Catalogue): Spellings {
	let known = spellings.get(catalogue);
	if (!known) spellings.set(catalogue, (known = new Spellings(catalogue.keys())));
	return known;
}

/** The command does not exist in this version, or there is nothing to remove. */
export const orphan: AliasRule = {
	id: 'orphan',
	title: 'Refers to something missing',
	find({ table, catalogue }, report) {
		const guessed = new Set<string>();
		const meantBy = (command: string) => {
			if (guessed.size < MOST_GUESSES) guessed.add(command);
			return guessed.has(command) ? spellingsIn(catalogue).nearest(command) : undefined;
		};
		for (const entry of speaking(table.entries, catalogue)) {
			if (entry.command === TAKES_AWAY) {
				if (table.idle.get(entry) === 'nothing')
					report('note', entry, () => ({
						sentence: `No level below contains ${entry.alias}, so there is nothing to remove.`,
						fixes: [remove(entry), off(entry)]
					}));
				continue;
			}
			report('attention', entry, () => {
				const meant = meantBy(entry.command);
				const fixes: AliasFix[] = meant
					? [{ kind: 'set', label: `Change it to ${meant}`, entry, values: { command: meant } }]
					: [];
				return {
					sentence: `There is no command ${entry.command} in this version${meant ? `; ${meant} is spelt much like it` : ''}.`,
					fixes: [...fixes, off(entry), remove(entry)]
				};
			});
		}
	}
};
