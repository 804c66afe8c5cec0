import { expect } from 'chai';
import fc from 'fast-check';
import type { CommandId } from '../../../../core/application/command.ts';
import { scopeText } from '../../../../core/context/scope.ts';
import { applyChanges } from '../../../../core/shortcut/change.ts';
import { shortcutsIn } from '../../../../core/shortcut/entry.ts';
import { followRenames } from '../../../../core/shortcut/renamed.ts';
import { inOrder } from '../../../../core/strata/entry.ts';
import { small } from '../../arbitrary.ts';

describe('what is said of a renamed command', () => {
	it('is said of its new id, once, and nothing else changes', () => {
		const renamed = new Map([
			['c0', 'new'],
			['c1', 'c2']
		] as [CommandId, CommandId][]);
		fc.assert(
			fc.property(small(), ({ profile }) => {
				for (const stratum of profile.filter((s) => s.kind !== 'factory')) {
					const after = applyChanges(profile, followRenames(stratum, renamed)).find((s) => s.id === stratum.id)!;
					const said = (command: CommandId) => renamed.get(command) ?? command;
					const tell = (of: typeof stratum, name: (command: CommandId) => CommandId) =>
						[
							...new Set(
								inOrder(shortcutsIn(of)).map((e) => `${e.op === 'lock'} ${e.keys} ${name(e.command)} ${scopeText(e.scope)}`)
							)
						].sort();
					expect(tell(after, (c) => c)).to.deep.equal(tell(stratum, said));
				}
			}),
			{ numRuns: 300 }
		);
	});
});
