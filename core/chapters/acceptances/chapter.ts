import { canonical } from '../../format/canonical.ts';
import { keyedChapter, type KeyedChapter } from '../../chapter/keyed.ts';
import { Acceptance, ACCEPTANCES, AcceptanceEntry } from './acceptance.ts';

export const acceptances: KeyedChapter<AcceptanceEntry> = keyedChapter<AcceptanceEntry>(
	{
		id: ACCEPTANCES,
		words: { one: 'acceptance', many: 'accepted findings', view: 'findings' },
		entry: AcceptanceEntry,
		inFile: Acceptance,
		thing: ({ finding }) => finding,
		as: (entry) => entry,
		meeting: 'overrides',
		caption: ({ finding, keys, command, reason }, names) => ({
			label: `${finding.split('\n')[0]} ${[keys, names.command(command)].filter((text) => text !== '').join(' for ')}`,
			detail: reason
		}),
		concerns: ({ command, scope }) => ({ command, scope })
	},
	{
		// a finding is accepted or not; no file says so
		toFile: ({ op: _, rank: __, ...said }) => canonical(said),
		fromFile: (value) => ({ op: 'set', ...Acceptance.parse(value), rank: 0 })
	}
);
