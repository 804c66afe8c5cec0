import { count, first, intersection, isEmpty, type Bits } from '../context/bits.ts';
import { scopeText } from '../context/scope.ts';
import type { Binding } from '../shortcut/effective.ts';
import { shortcutKey, type Shortcut } from '../shortcut/entry.ts';
import { heardOn } from './rivals.ts';
import type { ShortcutIndex } from './shortcut-index.ts';

/** Another binding that is alive together with the proposed one; under `refuse`, one on the same keys whose scope meets its own. */
export interface Meeting {
	readonly binding: Binding;
	/** same: on the same keys; shorter: complete before the proposal is; longer: goes on after it. */
	readonly relation: 'same' | 'shorter' | 'longer';
	readonly situations: Bits;
	/** How many situations, and the number of one of them. */
	readonly count: number;
	readonly example: number;
}

/**
 * What stands in the way of a proposed shortcut.
 * - already: it is in force as proposed; nowhere: its command exists in no situation of the scope;
 * - free: nothing on these keys; apart: others are, but never in the same situation; meets: see `meetings`.
 */
export interface Verdict {
	readonly kind: 'already' | 'nowhere' | 'free' | 'apart' | 'meets';
	readonly proposal: Shortcut;
	/** Same command bindings are left out: saying it twice harms nobody. */
	readonly meetings: readonly Meeting[];
	/** Bindings on the same keys that never meet the proposal. */
	readonly apart: readonly Binding[];
	/** In how many situations of its reach the keys are text and will not be heard. */
	readonly typed: number;
	/** In how many situations it could be heard. */
	readonly reach: number;
}

/** Answers by look-up and set operations alone; throws `UnknownContextError` for a scope the application does not know. */
export function verdict(index: ShortcutIndex, proposal: Shortcut): Verdict {
	const proposed = { ...proposal, scopeText: scopeText(proposal.scope) };
	const whole = index.reach(proposed);
	const reach = heardOn(index, proposal.keys, whole);
	const meetings: Meeting[] = [];
	const apart: Binding[] = [];
	const compare = (binding: Binding, relation: Meeting['relation']) => {
		if (binding.command === proposal.command && relation === 'same') return;
		let situations = intersection(reach, index.reach(binding));
		// the application refuses the second of two whose scopes meet, wherever their commands exist
		if (index.rules.ambiguity === 'refuse' && relation === 'same')
			situations = intersection(index.scopeSet(proposed).bits, index.scopeSet(binding).bits);
		if (!isEmpty(situations))
			meetings.push({ binding, relation, situations, count: count(situations), example: first(situations) });
		else if (relation === 'same') apart.push(binding);
	};
	const input = index.at(proposal.keys);
	for (const binding of input.bindings) compare(binding, 'same');
	// what is not loaded neither cuts short nor waits; on the same keys the proposal may be what is not loaded
	for (const prefix of input.prefixes) for (const { binding } of prefix.loaded) compare(binding, 'shorter');
	for (const longer of input.longer) for (const { binding } of longer.loaded) compare(binding, 'longer');

	const kind = index.on(proposal.keys).some((b) => b.key === shortcutKey(proposal))
		? 'already'
		: isEmpty(whole)
			? 'nowhere'
			: meetings.length > 0
				? 'meets'
				: apart.length > 0
					? 'apart'
					: 'free';
	return { kind, proposal, meetings, apart, typed: count(whole) - count(reach), reach: count(reach) };
}
