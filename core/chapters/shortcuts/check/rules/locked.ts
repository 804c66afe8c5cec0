import { put } from '../../../../answer/choices.ts';
import { restOf } from '../../../../answer/rest-of.ts';
import { count, intersection, noBits, union } from '../../../../context/bits.ts';
import { scopeText } from '../../../../context/scope.ts';
import type { Ineffective } from '../../../../shortcut/effective.ts';
import { shortcutKey } from '../../../../shortcut/entry.ts';
import { levelOf } from '../../../../strata/stratum.ts';
import type { Circumstances } from '../../../../check/circumstances.ts';
import { labelOf, type CheckRule, type Finding, type Pen, type Proposal } from '../finding.ts';
import { drops } from '../proposals.ts';

/** An entry tries to change what a lower stratum has locked; it has no effect. */
export const locked: CheckRule = {
	id: 'locked',
	title: 'Stopped by a lock',
	onInput(input, { index }, report) {
		for (const is of input.ineffective)
			if (is.reason === 'locked')
				report('attention', is.entry.command, Math.max(0, index.space.setOf(is.entry.scope).first), detailOf(is));
	},
	tell(finding, c) {
		const { command, witness } = finding;
		const is = stopped(c, finding);
		const name = (id: string | undefined) => c.index.effective.strata.find((s) => s.id === id)?.name ?? id;
		const [who, by, label] = [name(is?.stratum), name(is?.lockedBy) ?? 'a level below', labelOf(c, { command })];
		const held = is ? c.index.effective.bindings.filter((b) => b.keys === is.entry.keys && b.lockedBy === is.lockedBy) : [];
		return {
			sentence:
				is?.entry.op === 'set'
					? `${who} assigns ${witness.keys} to ${label} in ${c.index.space.scopeLabel(is.entry.scope)}, but ${by} has locked ${witness.keys} there, so this has no effect.`
					: `${who} removes ${witness.keys} from ${label}, but ${by} has locked it, so it still runs.`,
			count() {
				return is ? count(c.index.reach({ ...is.entry, scopeText: scopeText(is.entry.scope) })) : 0;
			},
			causes: held
		};
	},
	proposals(finding, c, _, pen) {
		const is = stopped(c, finding);
		if (!is) return [];
		const label = labelOf(c, finding);
		const what = is.entry.op === 'set' ? `${is.entry.keys} for ${label}` : `the remove of ${is.entry.keys} for ${label}`;
		return [...(is.entry.op === 'set' ? besideLock(c, pen, is) : []), ...drops(pen, is.stratum, is.entry, `Drop ${what}`)];
	}
};

const detailOf = ({ stratum, entry }: Ineffective): string => `${stratum}\n${entry.op}\n${shortcutKey(entry)}`;

const stopped = ({ index }: Circumstances, { witness, detail }: Finding): Ineffective | undefined =>
	index.at(witness.keys!).ineffective.find((is) => is.reason === 'locked' && detailOf(is) === detail);

/** The way out of a scope that does not meet the lock. */
function besideLock(c: Circumstances, pen: Pen, { entry, stratum }: Ineffective): Proposal[] {
	const { space, effective } = c.index;
	const level = levelOf(effective.strata, stratum);
	const held = (effective.guards.get(entry.keys) ?? [])
		.filter((guard) => levelOf(effective.strata, guard.by) < level && (guard.isRemoved || guard.command !== entry.command))
		.reduce((all, guard) => union(all, space.bitsOf(guard.scope)), noBits(space.situations.length));
	const scopes = restOf(space, entry.scope, space.bitsOf(entry.scope), intersection(held, space.bitsOf(entry.scope)));
	if (!scopes || scopes.length === 0) return [];
	const where = scopes.map((scope) => space.scopeLabel(scope)).join('; or ');
	return drops(pen, stratum, entry, `Limit ${entry.keys} for ${labelOf(c, entry)} to ${where}`).map((drop) => ({
		kind: 'limit',
		label: drop.label,
		changes: () => [...drop.changes(), ...scopes.flatMap((scope, i) => put(pen.profile, stratum, { ...entry, scope }, i + 1))]
	}));
}
