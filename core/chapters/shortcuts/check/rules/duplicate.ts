import { count } from '../../../../context/bits.ts';
import type { CommandSet, Contender } from '../../../../answer/rules/rule.ts';
import { entryKey, shortcutsIn } from '../../../../shortcut/entry.ts';
import { stratumById } from '../../../../strata/stratum.ts';
import { labelOf, type CheckRule } from '../finding.ts';
import { listed } from '../../../../text/listed.ts';
import { drops, go } from '../proposals.ts';

/**
 * The same thing said twice: a stratum repeats what one below it says already, or a scope of other words means the same
 * situations.
 */
export const duplicate: CheckRule = {
	id: 'duplicate',
	title: 'Duplicate',
	onContest({ input, contenders, hasSiblings }, _, report) {
		if (hasSiblings)
			for (const twins of twinsOf(contenders))
				report(
					'note',
					twins.map((t) => t.binding),
					twins[0]!.scope.first,
					SPELLING
				);
		if (!input.mayRepeat) return;
		const repeated = input.living.filter(({ binding }) => binding.repeatedIn.length > 0);
		if (repeated.length > 0) report.each('note', repeated);
	},
	tell({ bindings, detail, witness: { keys } }, c) {
		const [binding] = bindings;
		if (detail === SPELLING) {
			const scopes = bindings.map((b) => c.index.space.scopeLabel(b.scope));
			return {
				sentence: `${keys} runs ${labelOf(c, binding!)} in ${listed(scopes)}, which mean the same situations.`,
				count() {
					return count(c.index.reach(binding!));
				},
				causes: []
			};
		}
		const name = (id: string) => c.index.effective.strata.find((s) => s.id === id)?.name ?? id;
		return {
			sentence: `${name(binding!.stratum)} already has ${keys} for ${labelOf(c, binding!)}; ${listed(binding!.repeatedIn.map(name))} repeats it.`,
			count() {
				return count(c.index.reach(binding!));
			},
			causes: []
		};
	},
	proposals({ bindings, detail }, c, _, pen) {
		const [binding] = bindings;
		if (detail === SPELLING)
			return bindings.map((kept) =>
				go(
					c,
					pen,
					bindings.filter((b) => b !== kept),
					`Keep ${kept.keys} for ${labelOf(c, kept)} only in ${c.index.space.scopeLabel(kept.scope)}`
				)
			);
		return binding!.repeatedIn.flatMap((stratum) => {
			const { command, keys, scope } = binding!;
			const entry = shortcutsIn(stratumById(pen.profile, stratum)).get(entryKey({ op: 'set', command, keys, scope }));
			return entry ? drops(pen, stratum, entry, `Remove the duplicate of ${keys} for ${labelOf(c, binding!)}`) : [];
		});
	}
};

/** Tells the findings about scopes from those about repetitions. */
const SPELLING = 'same situations';

/** Bindings of one command whose scopes hold the same situations, though they are written in other words. */
function twinsOf(contenders: readonly Contender[]): Contender[][] {
	/** By command and size: what differs in either means something else. */
	const alike = new Map<CommandSet, Map<number, Contender[]>>();
	const groups: Contender[][] = [];
	for (const contender of contenders) {
		const { command, scope } = contender;
		let bySize = alike.get(command);
		if (!bySize) alike.set(command, (bySize = new Map()));
		const known = bySize.get(scope.size);
		if (!known) {
			bySize.set(scope.size, [contender]);
			continue;
		}
		known.push(contender);
		if (known.length === 2) groups.push(known);
	}
	return groups.flatMap(sameSituations);
}

/** Of contenders with as many situations each, those that share all of them, two or more at a time. */
function sameSituations(group: readonly Contender[]): Contender[][] {
	const found: Contender[][] = [];
	for (const contender of group) {
		const { bits } = contender.scope;
		const twins = found.find(([first]) => first!.scope.bits.every((word, w) => word === bits[w]));
		if (twins) twins.push(contender);
		else found.push([contender]);
	}
	return found.filter((twins) => twins.length > 1);
}
