import { isSubset, type Bits } from '../context/bits.ts';
import { combined, type Change } from '../shortcut/change.ts';
import { entryKey, shortcutsIn, type Shortcut } from '../shortcut/entry.ts';
import { OutOfReachError } from '../strata/change.ts';
import { nextRank } from '../strata/entry.ts';
import { levelOf, stratumById, type Profile, type StratumId } from '../strata/stratum.ts';
import { readable, type Keys } from '../stroke/stroke.ts';
import { scopeText } from '../context/scope.ts';
import { lockOver, type Binding } from '../shortcut/effective.ts';
import { changeProblems } from './validate.ts';
import { lockedText } from './locked-text.ts';
import { restOf } from './rest-of.ts';
import type { ShortcutIndex } from './shortcut-index.ts';
import { overlay } from './overlay.ts';
import { verdict, type Verdict } from './verdict.ts';

/**
 * The changes that put the shortcut in force from `target`: none if a level below says it already.
 * `offset` spaces the ranks of several puts in one edit.
 */
export function put(profile: Profile, target: StratumId, shortcut: Shortcut, offset = 0): Change[] {
	const stratum = stratumById(profile, target);
	const key = entryKey({ ...shortcut, op: 'set' });
	const before = shortcutsIn(stratum).get(key) ?? null;
	if (before?.op === 'set') return [];
	const level = profile.indexOf(stratum);
	const saidBelow = profile
		.slice(0, level)
		.reduce((said, s) => ({ set: true, remove: false, lock: said })[shortcutsIn(s).get(key)?.op ?? 'lock'], false);
	if (saidBelow) return before ? [{ stratum: target, before, after: null }] : [];
	const { command, keys, scope } = shortcut;
	return [
		{
			stratum: target,
			before,
			after: { op: 'set', command, keys, scope, rank: before?.rank ?? nextRank(shortcutsIn(stratum)) + offset }
		}
	];
}

/**
 * The changes that take the binding out of force from `target`: its own entry goes, a lower stratum's is hidden by a
 * remove. Throws `OutOfReachError` for a binding that is locked below or that an upper stratum says.
 */
export function takeAway(index: ShortcutIndex, profile: Profile, target: StratumId, binding: Binding, offset = 0): Change[] {
	const level = levelOf(profile, target);
	const nameOf = (id: StratumId) => stratumById(profile, id).name;
	const above = [binding.stratum, ...binding.repeatedIn].find((id) => levelOf(profile, id) > level);
	const label = index.catalogue.get(binding.command)?.label ?? binding.command;
	if (above)
		throw new OutOfReachError(
			`${binding.keys} for ${label} is set in ${nameOf(above)}, above ${nameOf(target)}; edit ${nameOf(above)} to remove it`
		);
	if (binding.lockedBy && binding.lockedBy !== target)
		throw new OutOfReachError(
			`${nameOf(binding.lockedBy)} has locked ${binding.keys} for ${label}; ${nameOf(target)} cannot change it`
		);
	const stratum = stratumById(profile, target);
	const { command, keys, scope } = binding;
	const before = shortcutsIn(stratum).get(entryKey({ op: 'set', command, keys, scope })) ?? null;
	if (binding.stratum === target && before) return [{ stratum: target, before, after: null }];
	return [
		{
			stratum: target,
			before,
			after: { op: 'remove', command, keys, scope, rank: before?.rank ?? nextRank(shortcutsIn(stratum)) + offset }
		}
	];
}

export interface Choice {
	readonly kind: 'assign' | 'take-where-they-meet' | 'narrow' | 'take-over' | 'keep-both' | 'swap' | 'move-other';
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
			const combination = combined(changes());
			if (kind !== 'narrow') refuseLocked(index, profile, target, proposal);
			for (const { after } of combination) if (after?.op === 'set') refuseLocked(index, profile, target, after);
			const [problem] = changeProblems(index, profile, combination);
			return problem ? { kind, label, closed: problem.message } : { kind, label, changes: combination };
		} catch (error) {
			if (error instanceof OutOfReachError) return { kind, label, closed: error.message };
			throw error;
		}
	};
	const assign = (shortcut: Shortcut = proposal) => [
		...put(profile, target, shortcut),
		...(instead ? takeAway(index, profile, target, instead, 9) : [])
	];
	if (found.kind !== 'meets') return [offer('assign', instead ? 'Move' : 'Assign', () => assign())];

	const name = (b: Binding) => index.catalogue.get(b.command)?.label ?? b.command;
	const others = found.meetings.map((m) => m.binding);
	const other = others[0]!;
	const takeAll = () => [...assign(), ...others.flatMap((b, i) => takeAway(index, profile, target, b, i + 1))];
	const takeOver = () => {
		const changes = takeAll();
		// where one that refused another goes, the application loads the other, which may meet the proposal as well
		for (let more = hidden(index, profile, proposal, changes); more.length > 0; more = hidden(index, profile, proposal, changes))
			changes.push(...more.flatMap((b, i) => takeAway(index, profile, target, b, changes.length + i)));
		return changes;
	};
	const offered: (Choice | ClosedChoice)[] = [];
	const reach = index.reach({ ...proposal, scopeText: scopeText(proposal.scope) });
	const wide = found.meetings.filter(({ binding }) => !isSubset(index.reach(binding), reach));
	if (wide.length > 0)
		offered.push(
			offer('take-where-they-meet', `Take ${proposal.keys} over only where they meet`, () => [
				...takeAll(),
				...wide.flatMap(({ binding }, i) => leftTo(index, profile, target, binding, reach, others.length + 1 + 4 * i))
			])
		);
	const narrow = narrowed(index, found);
	if (narrow)
		offered.push(offer('narrow', `Keep both, this one limited to ${index.space.scopeLabel(narrow.scope)}`, () => assign(narrow)));
	offered.push(
		offer('take-over', `Take ${proposal.keys} over`, takeOver),
		offer('keep-both', 'Keep both', () => assign())
	);
	if (others.length > 1) return offered;

	const own = instead ?? index.of(proposal.command).find((b) => b.keys !== proposal.keys);
	offered.push(
		own
			? offer('swap', `Swap: ${name(other)} gets ${own.keys}`, () => [
					...takeOver(),
					...takeAway(index, profile, target, own, 2),
					...put(profile, target, { command: other.command, keys: own.keys, scope: other.scope }, 3)
				])
			: { kind: 'swap', label: 'Swap', closed: 'this command has no other shortcut to swap' },
		moveTo
			? offer('move-other', `Move ${name(other)} to ${moveTo}`, () => [
					...takeOver(),
					...put(profile, target, { command: other.command, keys: moveTo, scope: other.scope }, 2)
				])
			: { kind: 'move-other', label: `Move ${name(other)}…`, closed: 'press the new keys for it first' }
	);
	return offered;
}

/** The bindings that an application which refuses the second would load after the changes, and that meet the proposal. */
function hidden(index: ShortcutIndex, profile: Profile, proposal: Shortcut, changes: readonly Change[]): Binding[] {
	if (index.rules.ambiguity !== 'refuse') return [];
	return verdict(overlay(index, profile, combined(changes)), proposal).meetings.map((m) => m.binding);
}

/** Throws `OutOfReachError` if a lock keeps the target from putting the shortcut in force. */
function refuseLocked(index: ShortcutIndex, profile: Profile, target: StratumId, shortcut: Shortcut): void {
	const by = lockOver(index.effective, index.space, target, shortcut);
	if (by) throw new OutOfReachError(lockedText(index, { ...shortcut, op: 'set' }, stratumById(profile, by).name));
}

/** The changes that put the binding in force again, after it was taken away, where the proposal does not reach. */
function leftTo(
	index: ShortcutIndex,
	profile: Profile,
	target: StratumId,
	{ command, keys, scope, scopeText: text }: Binding,
	taken: Bits,
	offset: number
): Change[] {
	const rest = restOf(index.space, scope, index.reach({ command, scope, scopeText: text }), taken);
	if (!rest) {
		const label = index.catalogue.get(command)?.label ?? command;
		throw new OutOfReachError(`the situations that would be left to ${label} cannot be expressed as a scope`);
	}
	return rest.flatMap((one, i) => put(profile, target, { command, keys, scope: one }, offset + i));
}

/**
 * The proposal limited to where its command exists, if that settles the contest: its scope becomes narrower than those of all
 * the others and the application goes by the narrowest. Undefined if it does not.
 */
function narrowed(index: ShortcutIndex, { proposal, meetings }: Verdict): Shortcut | undefined {
	const contexts = index.catalogue.get(proposal.command)?.contexts ?? [];
	const [scope] = contexts;
	if (index.rules.ambiguity !== 'narrowest' || contexts.length !== 1 || Object.keys(proposal.scope).length > 0) return undefined;
	const set = index.space.setOf(scope!);
	const isSettled = meetings.every(
		({ binding, relation }) => relation === 'same' && index.space.isNarrower(set, index.scopeSet(binding))
	);
	return isSettled ? { ...proposal, scope: scope! } : undefined;
}
