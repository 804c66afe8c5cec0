import { alike, hasBit, type Bits } from '../context/bits.ts';
import type { Binding } from '../shortcut/effective.ts';
import { properPrefixes, readable, type Keys } from '../stroke/stroke.ts';
import type { Input } from './input.ts';
import { RULES } from './rules/rules.ts';
import type { Contender } from './rules/rule.ts';
import type { ShortcutIndex } from './shortcut-index.ts';

/*
 * What an input does is decided here, and nowhere else; docs/resolution.md says it for people.
 * `Contest` (core/check) says the same for all situations at once and is held against this by property tests.
 */

/** One step of the reasoning. `binding` is the one the sentence is about. */
export interface TraceStep {
	readonly step: 'input' | 'typed' | 'cut-short' | 'candidate' | 'elsewhere' | 'absent' | 'rule' | 'masked' | 'waits' | 'result';
	readonly text: string;
	readonly binding?: Binding;
}

/** What is decided among the bindings that an input completes. */
export type Decided =
	| { readonly kind: 'nothing' }
	| { readonly kind: 'fires'; readonly winner: Binding; readonly masked: readonly Binding[] }
	| { readonly kind: 'chooser' | 'undecided'; readonly offered: readonly Binding[]; readonly masked: readonly Binding[] };

/**
 * What an input does in one situation, pressed stroke by stroke with nothing pending.
 * - nothing: nobody listens; typed: it is text from its first stroke on; fires: one command runs;
 * - chooser: the application asks; undecided: the application's rule names no winner;
 * - waits: it begins a longer sequence; `then` is what it does when no further stroke comes;
 * - cut-short: a shorter input, `by`, is decided before this one is complete.
 */
export type Outcome =
	| Decided
	| { readonly kind: 'typed' }
	| { readonly kind: 'waits'; readonly longer: readonly Binding[]; readonly then: Decided }
	| { readonly kind: 'cut-short'; readonly by: Keys; readonly masked: readonly Binding[] };

type Say = (step: TraceStep['step'], text: () => string, binding?: Binding) => void;
const SILENT: Say = () => {};

const NOTHING = { kind: 'nothing' } as const;
const NOBODY: readonly never[] = [];

/** What the keys do in the situation of that number. */
export function resolve(index: ShortcutIndex, keys: Keys, situation: number): Outcome {
	return outcomeOf(index, keys, situation, SILENT);
}

/** What the keys do when they are pending and no further stroke comes. */
export function resolveAlone(index: ShortcutIndex, keys: Keys, situation: number): Decided {
	return decided(index, completedBy(index.at(keys), situation), SILENT);
}

/** The same as `resolve` with the reasoning, for people: input, candidates, which rule decided, what was masked. */
export function explain(index: ShortcutIndex, keys: Keys, situation: number): { outcome: Outcome; trace: TraceStep[] } {
	const trace: TraceStep[] = [];
	const say: Say = (step, text, binding) => trace.push({ step, text: readable(text()), ...(binding && { binding }) });
	say('input', () => `${keys} in ${index.space.labelOf(situation)}`);
	return { outcome: outcomeOf(index, keys, situation, say), trace };
}

/** C of docs/resolution.md: the loaded bindings that the input completes and that are alive in the situation. */
function completedBy({ loaded }: Input, situation: number): readonly Contender[] {
	let alive: Contender[] | undefined;
	for (const contender of loaded) if (hasBit(contender.reach, situation)) (alive ??= []).push(contender);
	return alive ?? NOBODY;
}

/** L of docs/resolution.md: the loaded bindings that the input begins and that are alive in the situation. */
function begunBy({ longer }: Input, situation: number): readonly Binding[] {
	let begun: Binding[] | undefined;
	for (const { loaded } of longer)
		for (const { binding, reach } of loaded) if (hasBit(reach, situation)) (begun ??= []).push(binding);
	return begun ?? NOBODY;
}

const isBegun = ({ longer }: Input, situation: number): boolean =>
	longer.some(({ loaded }) => loaded.some(({ reach }) => hasBit(reach, situation)));

const labelIn = (index: ShortcutIndex) => (b: Binding) => index.catalogue.get(b.command)?.label ?? b.command;

function outcomeOf(index: ShortcutIndex, keys: Keys, situation: number, say: Say): Outcome {
	const label = labelIn(index);
	const input = index.at(keys);
	if (!input.isHeard) {
		say('result', () => `The program uses ${index.rules.match}s, so this key can never reach it.`);
		return NOTHING;
	}
	if (input.beginsBare && hasBit(index.typing, situation)) {
		say('typed', () =>
			keys.includes(' ')
				? 'Letter keys type text here. The input is text from the first key on, so no shortcut runs.'
				: 'Letter keys type text here, so no shortcut runs.'
		);
		return { kind: 'typed' };
	}
	const complete = completedBy(input, situation);
	const begun = begunBy(input, situation);
	const early = brokenBy(index, input, complete.length > 0 || begun.length > 0, situation);
	if (early) {
		const first = completedBy(early, situation);
		const masked = complete.map((c) => c.binding);
		if (first.length > 0) {
			const isAtOnce = index.rules.sequences === 'at-once';
			say(
				'cut-short',
				() =>
					`${early.keys} ${isAtOnce ? 'is complete by itself and fires at once' : 'does not go on to these keys here and is decided first'}: ${first.map((c) => label(c.binding)).join(', ')}.`,
				first[0]!.binding
			);
			for (const binding of masked) say('masked', () => `${label(binding)} is never reached here.`, binding);
			return { kind: 'cut-short', by: early.keys, masked };
		}
	}
	tellStanding(index, input, situation, say);
	if (begun.length > 0 && (complete.length === 0 || index.rules.sequences === 'wait')) {
		say('waits', () => `The program waits for the next key: ${begun.map((b) => `${b.keys} ${label(b)}`).join(', ')}.`);
		if (complete.length > 0) say('rule', () => 'If no further key follows:');
		const then = decided(index, complete, complete.length > 0 ? say : SILENT);
		return { kind: 'waits', longer: begun, then };
	}
	if (complete.length === 0) {
		say('result', () =>
			input.contenders.length === 0 ? 'No shortcut has these keys.' : 'No shortcut applies in this situation.'
		);
		return NOTHING;
	}
	for (const binding of begun) say('masked', () => `${binding.keys} is cut short: ${keys} fires at once.`, binding);
	return decided(index, complete, say);
}

/**
 * The shorter input at which the strokes of a longer one fall apart, if they do: it is decided at once, or the next stroke does
 * not go on from it. `goesOn` says whether the whole input completes or begins anything.
 */
function brokenBy({ rules }: ShortcutIndex, { prefixes }: Input, goesOn: boolean, situation: number): Input | undefined {
	if (rules.sequences === 'at-once') {
		for (const prefix of prefixes) if (completedBy(prefix, situation).length > 0) return prefix;
		return undefined;
	}
	if (goesOn) return undefined;
	for (let n = 1; n < prefixes.length; n++) {
		const next = prefixes[n]!;
		if (completedBy(next, situation).length === 0 && !isBegun(next, situation)) return prefixes[n - 1];
	}
	return prefixes.at(-1);
}

/** Tells of every binding on the input why it is in the contest or not. */
function tellStanding(index: ShortcutIndex, { contenders, loaded }: Input, situation: number, say: Say): void {
	if (say === SILENT) return;
	const label = labelIn(index);
	for (const contender of contenders) {
		const { binding, reach, scope } = contender;
		if (hasBit(reach, situation)) {
			if (loaded.includes(contender))
				say('candidate', () => `${label(binding)} applies: ${index.space.scopeLabel(binding.scope)}.`, binding);
			else say('masked', () => `${label(binding)} is not loaded: an earlier shortcut with these keys overlaps it.`, binding);
		} else if (hasBit(scope.bits, situation)) say('absent', () => `${label(binding)} does not exist in this situation.`, binding);
		else say('elsewhere', () => `${label(binding)} applies only here: ${index.space.scopeLabel(binding.scope)}.`, binding);
	}
}

/** What the application's rule makes of the bindings that are complete, in the order of its list. */
function decided(index: ShortcutIndex, complete: readonly Contender[], say: Say): Decided {
	const [one] = complete;
	if (!one) return NOTHING;
	const label = labelIn(index);
	if (complete.every((c) => c.command === one.command)) {
		say('result', () => `${label(one.binding)} runs.`, one.binding);
		return { kind: 'fires', winner: one.binding, masked: [] };
	}
	const rule = RULES[index.rules.ambiguity];
	const { winner, offered, undecided = NOBODY, masked, why } = rule.decide(complete, index.space);
	say('rule', () => `${rule.label}: ${why}.`, winner);
	for (const binding of masked) say('masked', () => `${label(binding)} is masked.`, binding);
	if (winner) {
		say('result', () => `${label(winner)} runs.`, winner);
		return { kind: 'fires', winner, masked };
	}
	if (offered) {
		say('result', () => `The chooser offers ${offered.map(label).join(', ')}.`);
		return { kind: 'chooser', offered, masked };
	}
	say('result', () => 'No winner: the result is undefined.');
	return { kind: 'undecided', offered: undecided, masked };
}

/** The situations grouped by what the keys do there, most frequent first. */
export interface OutcomeGroup {
	readonly outcome: Outcome;
	readonly situations: readonly number[];
}

function outcomeKey(outcome: Outcome): string {
	switch (outcome.kind) {
		case 'nothing':
		case 'typed':
			return outcome.kind;
		case 'fires':
			return `fires\n${outcome.winner.command}`;
		case 'chooser':
		case 'undecided':
			return `${outcome.kind}\n${outcome.offered.map((b) => b.command).join('\n')}`;
		case 'waits':
			// which sequences it begins shows at these themselves
			return `waits\n${outcomeKey(outcome.then)}`;
		case 'cut-short':
			return `cut-short\n${outcome.by}`;
	}
}

export function sameOutcome(a: Outcome, b: Outcome): boolean {
	return outcomeKey(a) === outcomeKey(b);
}

/** Everything that what the keys do can depend on, as sets of situations. */
export function decisive(index: ShortcutIndex, keys: Keys): Bits[] {
	const bindings = [keys, ...properPrefixes(keys)].flatMap((input) => [...index.on(input), ...index.longer(input)]);
	return [index.typing, ...bindings.flatMap((binding) => [index.scopeSet(binding).bits, index.reach(binding)])];
}

/** What the keys do everywhere. Situations that nothing on the keys tells apart are answered once. */
export function resolveEverywhere(index: ShortcutIndex, keys: Keys): OutcomeGroup[] {
	const groups = new Map<string, { outcome: Outcome; situations: number[] }>();
	for (const situations of alike(decisive(index, keys), index.space.situations.length)) {
		const outcome = resolve(index, keys, situations[0]!);
		const key = outcomeKey(outcome);
		const group = groups.get(key);
		if (group) group.situations.push(...situations);
		else groups.set(key, { outcome, situations });
	}
	for (const { situations } of groups.values()) situations.sort((a, b) => a - b);
	return [...groups.values()].sort((a, b) => b.situations.length - a.situations.length);
}
