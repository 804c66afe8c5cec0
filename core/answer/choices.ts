import { combined, type Change } from '../profile/edit.ts';
import type { Binding } from '../profile/effective.ts';
import { entryKey, type Shortcut } from '../profile/entry.ts';
import { nextRank, stratumById, type Profile, type StratumId } from '../profile/stratum.ts';
import { readable, type Keys } from '../stroke/stroke.ts';
import type { ShortcutIndex } from './shortcut-index.ts';
import type { Verdict } from './verdict.ts';

/** Something cannot be written from the chosen stratum. The message names the stratum that stands in the way. */
export class OutOfReachError extends Error {
	override name = 'OutOfReachError';
}

/**
 * The changes that put the shortcut in force from `target`: none if a stratum below says it already.
 * `offset` spaces the ranks of several puts in one edit.
 */
export function put(profile: Profile, target: StratumId, shortcut: Shortcut, offset = 0): Change[] {
	const stratum = stratumById(profile, target);
	const key = entryKey({ ...shortcut, op: 'set' });
	const before = stratum.entries.get(key) ?? null;
	if (before?.op === 'set') return [];
	const level = profile.indexOf(stratum);
	const saidBelow = profile
		.slice(0, level)
		.reduce((said, s) => ({ set: true, remove: false, lock: said, accept: said })[s.entries.get(key)?.op ?? 'lock'], false);
	if (saidBelow) return before ? [{ stratum: target, before, after: null }] : [];
	const { command, keys, scope } = shortcut;
	return [
		{ stratum: target, before, after: { op: 'set', command, keys, scope, rank: before?.rank ?? nextRank(stratum) + offset } }
	];
}

/**
 * The changes that take the binding out of force from `target`: its own entry goes, a lower stratum's is hidden by a
 * remove. Throws `OutOfReachError` for a binding that is locked below or that an upper stratum says.
 */
export function takeAway(index: ShortcutIndex, profile: Profile, target: StratumId, binding: Binding, offset = 0): Change[] {
	const level = profile.findIndex((s) => s.id === target);
	const nameOf = (id: StratumId) => stratumById(profile, id).name;
	const above = [binding.stratum, ...binding.repeatedIn].find((id) => profile.findIndex((s) => s.id === id) > level);
	const label = index.catalogue.get(binding.command)?.label ?? binding.command;
	if (above)
		throw new OutOfReachError(
			`${binding.keys} for ${label} is set in ${nameOf(above)}, above ${nameOf(target)}; write to ${nameOf(above)} to take it away`
		);
	if (binding.lockedBy && binding.lockedBy !== target)
		throw new OutOfReachError(
			`${nameOf(binding.lockedBy)} has locked ${binding.keys} for ${label}; ${nameOf(target)} cannot change it`
		);
	const stratum = stratumById(profile, target);
	const { command, keys, scope } = binding;
	const before = stratum.entries.get(entryKey({ op: 'set', command, keys, scope })) ?? null;
	if (binding.stratum === target) return [{ stratum: target, before, after: null }];
	return [
		{ stratum: target, before, after: { op: 'remove', command, keys, scope, rank: before?.rank ?? nextRank(stratum) + offset } }
	];
}

export interface Choice {
	readonly kind: 'assign' | 'take-over' | 'keep-both' | 'swap' | 'move-other';
	readonly label: string;
	readonly changes: readonly Change[];
}

/** A choice that does not apply here, with the reason. */
export interface ClosedChoice {
	readonly kind: Choice['kind'];
	readonly label: string;
	readonly closed: string;
}

/**
 * The ways to go on from a verdict, each as changes to `target`. `moveTo` are the keys for the other command when the
 * user has pressed some; `instead` is a shortcut of the same command that the proposal replaces, as when it is moved. A way
 * that is closed says why instead of being left out.
 */
export function choices(
	index: ShortcutIndex,
	profile: Profile,
	target: StratumId,
	found: Verdict,
	moveTo?: Keys,
	instead?: Binding
): (Choice | ClosedChoice)[] {
	const { proposal } = found;
	if (found.kind === 'already' || found.kind === 'nowhere') return [];
	const offer = (kind: Choice['kind'], text: string, changes: () => Change[]): Choice | ClosedChoice => {
		const label = readable(text);
		try {
			return { kind, label, changes: combined(changes()) };
		} catch (error) {
			if (error instanceof OutOfReachError) return { kind, label, closed: error.message };
			throw error;
		}
	};
	const assign = () => [...put(profile, target, proposal), ...(instead ? takeAway(index, profile, target, instead, 9) : [])];
	if (found.kind !== 'meets') return [offer('assign', instead ? 'Move' : 'Assign', assign)];

	const name = (b: Binding) => index.catalogue.get(b.command)?.label ?? b.command;
	const others = found.meetings.map((m) => m.binding);
	const other = others[0]!;
	const locked = others.find((b) => b.lockedBy && b.lockedBy !== target);
	const takeOver = () => [...assign(), ...others.flatMap((b, i) => takeAway(index, profile, target, b, i + 1))];
	const offered = [
		offer('take-over', `Take ${proposal.keys} over`, takeOver),
		offer('keep-both', 'Keep both', () => {
			if (locked)
				throw new OutOfReachError(
					`${stratumById(profile, locked.lockedBy!).name} has locked ${locked.keys} for ${name(locked)}; nothing else may share it where they meet`
				);
			return assign();
		})
	];
	if (others.length > 1) return offered;

	const own = instead ?? index.of(proposal.command).find((b) => b.keys !== proposal.keys);
	offered.push(
		own
			? offer('swap', `Swap: ${name(other)} gets ${own.keys}`, () => [
					...takeOver(),
					...takeAway(index, profile, target, own, 2),
					...put(profile, target, { command: other.command, keys: own.keys, scope: other.scope }, 3)
				])
			: { kind: 'swap', label: 'Swap', closed: 'this command has no other shortcut to give in exchange' },
		moveTo
			? offer('move-other', `Move ${name(other)} to ${moveTo}`, () => [
					...takeOver(),
					...put(profile, target, { command: other.command, keys: moveTo, scope: other.scope }, 2)
				])
			: { kind: 'move-other', label: `Move ${name(other)}…`, closed: 'press the new keys for it first' }
	);
	return offered;
}
