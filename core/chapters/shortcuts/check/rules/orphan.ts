import type { ShortcutIndex } from '../../../../answer/shortcut-index.ts';
import type { CommandId } from '../../../../application/command.ts';
import { meets, type Bits } from '../../../../context/bits.ts';
import { labelOf, type CheckRule } from '../finding.ts';
import { drops, goes } from '../proposals.ts';

const exists = ({ space, catalogue }: ShortcutIndex, id: CommandId, where: Bits): boolean => {
	const command = catalogue.get(id);
	return command !== undefined && meets(space.bitsOfAny(command.contexts), where);
};

/** The command does not exist in this version, or not in that scope; or a remove or a lock is about what nobody says. */
export const orphan: CheckRule = {
	id: 'orphan',
	title: 'Refers to something missing',
	onInput({ keys, lifeless, ineffective }, { index }, report) {
		// what exists there and only waits for its input is told by the rule that tells of that
		const gone = lifeless.filter(
			({ binding, scope }) => !index.heard?.(keys, binding.command) || !exists(index, binding.command, scope.bits)
		);
		if (gone.length > 0) report.each('attention', gone);
		for (const { reason, entry, stratum } of ineffective)
			if (reason !== 'locked')
				report(
					'note',
					entry.command,
					Math.max(0, index.space.setOf(entry.scope).first),
					`${entry.op}\n${stratum}\n${keys}\n${index.space.scopeLabel(entry.scope)}`
				);
	},
	tell({ bindings: [binding], detail, command, witness: { keys } }, c) {
		if (!binding) {
			const [op, stratum] = detail!.split('\n');
			const name = c.index.effective.strata.find((s) => s.id === stratum)?.name ?? stratum;
			const label = labelOf(c, { command });
			return {
				sentence:
					op === 'lock'
						? `${name} locks ${keys} for ${label}, which neither it nor a level below contains.`
						: `${name} removes ${keys} from ${label}, which no level below contains.`,
				count() {
					return 0;
				},
				causes: []
			};
		}
		return {
			sentence: c.index.catalogue.has(binding.command)
				? `${keys} runs ${labelOf(c, binding)} in ${c.index.space.scopeLabel(binding.scope)}, where that command does not exist.`
				: `${keys} runs ${binding.command}, which does not exist in this version.`,
			count() {
				return c.index.scopeSet(binding).size;
			},
			causes: []
		};
	},
	proposals({ bindings: [binding], command, detail, witness: { keys } }, c, _, pen) {
		if (binding) return [goes(c, pen, binding)];
		return c.index
			.at(keys!)
			.ineffective.filter(
				(i) => i.reason !== 'locked' && i.entry.command === command && detail!.startsWith(`${i.entry.op}\n${i.stratum}\n`)
			)
			.flatMap((i) => drops(pen, i.stratum, i.entry, `Remove the ${i.entry.op} of ${keys} for ${labelOf(c, { command })}`));
	}
};
