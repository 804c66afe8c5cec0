import type { CommandId } from '../../application/command.ts';
import { TAKES_AWAY } from '../file.ts';
import { off, remove, type AliasFix, type AliasRule } from '../finding.ts';
import { nearest } from '../nearest.ts';

/** Looking for the command that was meant takes long in a long catalogue; a file of another program names thousands. */
const MOST_GUESSES = 40;

/** The command does not exist in this version, or there is nothing to take away. */
export const orphan: AliasRule = {
	id: 'orphan',
	title: 'Speaks of what is not there',
	find({ table, catalogue }, report) {
		const near = new Map<string, string | undefined>();
		const meantBy = (command: string) => {
			if (!near.has(command) && near.size < MOST_GUESSES) near.set(command, nearest(command, catalogue.keys()));
			return near.get(command);
		};
		for (const entry of table.entries) {
			if (entry.command === TAKES_AWAY) {
				if (table.idle.get(entry) === 'nothing')
					report('note', entry, () => ({
						sentence: `No stratum below gives ${entry.alias}, so that there is nothing to take away.`,
						fixes: [remove(entry), off(entry)]
					}));
				continue;
			}
			if (catalogue.has(entry.command as CommandId)) continue;
			report('attention', entry, () => {
				const meant = meantBy(entry.command);
				const fixes: AliasFix[] = meant ? [{ kind: 'set', label: `Make it ${meant}`, entry, values: { command: meant } }] : [];
				return {
					sentence: `There is no command ${entry.command} in this version${meant ? `; ${meant} is spelt much like it` : ''}.`,
					fixes: [...fixes, off(entry), remove(entry)]
				};
			});
		}
	}
};
