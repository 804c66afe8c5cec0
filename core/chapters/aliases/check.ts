import type { ShortcutIndex } from '../../answer/shortcut-index.ts';
import type { Catalogue } from '../../application/application.ts';
import type { CommandId } from '../../application/command.ts';
import { SEVERITIES } from '../../check/severity.ts';
import type { OfficeDesks } from '../../keyboard/office-desks.ts';
import type { Profile } from '../../strata/stratum.ts';
import { AliasFinding, type AliasGround } from './finding.ts';
import type { AliasInput } from '../../application/command-line.ts';
import { commandNames } from './names.ts';
import { ALIAS_RULES } from './rules/rules.ts';
import { aliasTable, type AliasTable } from './table.ts';

/** What an alias ran with the last release. */
export function releasedAliases(profile: Profile, input: AliasInput): ReadonlyMap<string, string> {
	return new Map([...aliasTable(profile, input).inForce].map(([key, { command }]) => [key, command]));
}

/** What tells how long a command's shortcut takes. */
interface Keyboard {
	readonly index: ShortcutIndex;
	readonly office: OfficeDesks;
}

function aliasGround(
	table: AliasTable,
	catalogue: Catalogue,
	keyboard?: Keyboard,
	released?: ReadonlyMap<string, string>
): AliasGround {
	return {
		table,
		catalogue,
		released,
		names: commandNames(catalogue, table.input),
		shortcutCosts: {
			get(command) {
				const costs = (keyboard?.index.of(command as CommandId) ?? []).map(
					(b) => keyboard!.office.reach(b.keys)?.seconds ?? Infinity
				);
				const least = Math.min(...costs);
				return Number.isFinite(least) ? least : undefined;
			}
		}
	};
}

/** What is wrong in the alias files of a profile; of costs and of what has moved only with the keyboard and the last release. */
export function aliasFindings(
	profile: Profile,
	input: AliasInput,
	catalogue: Catalogue,
	keyboard?: Keyboard,
	released?: ReadonlyMap<string, string>
): AliasFinding[] {
	return checkAliases(aliasGround(aliasTable(profile, input), catalogue, keyboard, released));
}

/** All findings on this ground, errors first, then in the order of the lines. */
export function checkAliases(ground: AliasGround): AliasFinding[] {
	const found = { error: [] as AliasFinding[], attention: [] as AliasFinding[], note: [] as AliasFinding[] };
	for (const { id, find } of Object.values(ALIAS_RULES))
		find(ground, (severity, entry, say) => void found[severity].push(new AliasFinding(id, severity, entry, say)));
	return SEVERITIES.flatMap((severity) => found[severity].sort((a, b) => a.entry.record.line - b.entry.record.line));
}
