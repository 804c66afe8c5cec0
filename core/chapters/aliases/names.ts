import type { Catalogue } from '../../application/application.ts';
import type { CommandId } from '../../application/command.ts';
import { aliasKey, type AliasInput } from '../../application/command-line.ts';

const known = new WeakMap<Catalogue, Map<AliasInput['case'], ReadonlyMap<string, CommandId>>>();

/**
 * The commands' own names as the command line takes them: the id, and the label without blanks. Where two commands are called
 * the same, the first in the catalogue has the name.
 */
export function commandNames(catalogue: Catalogue, input: AliasInput): ReadonlyMap<string, CommandId> {
	let byCase = known.get(catalogue);
	if (!byCase) known.set(catalogue, (byCase = new Map()));
	let names = byCase.get(input.case);
	if (!names) {
		const found = new Map<string, CommandId>();
		const take = (name: string, id: CommandId) => {
			const key = aliasKey(name, input);
			if (!found.has(key)) found.set(key, id);
		};
		for (const id of catalogue.keys()) take(id, id);
		for (const { id, label } of catalogue.values()) take(label.replaceAll(/\s+/g, ''), id);
		byCase.set(input.case, (names = found));
	}
	return names;
}
