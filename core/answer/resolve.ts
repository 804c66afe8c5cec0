import { alike, hasBit, type Bits } from '../context/bits.ts';
import type { Binding } from '../profile/effective.ts';
import { properPrefixes, readable, strokesOf, typesCharacter, type Keys } from '../stroke/stroke.ts';
import type { Input } from './input.ts';
import { RULES } from './rules/rules.ts';
import type { Contender } from './rules/rule.ts';
import type { ShortcutIndex } from './shortcut-index.ts';

/** One step of the reasoning. `binding` is the one the sentence is about. */
export interface TraceStep {
	readonly step: 'input' | 'typed' | 'cut-short' | 'candidate' | 'elsewhere' | 'absent' | 'rule' | 'masked' | 'waits' | 'result';
	readonly text: string;
	readonly binding?: Binding;
}

/**
 * What an input does in one situation.
 * - nothing: nobody listens; typed: it is text here; fires: one command runs; chooser: the application asks;
 * - undecided: the application's rule names no winner; waits: the input begins a longer sequence;
 * - cut-short: an earlier stroke of the sequence is complete and fires at once.
 */
export type Outcome =
	| { readonly kind: 'nothing' | 'typed' }
	| { readonly kind: 'fires'; readonly winner: Binding; readonly masked: readonly Binding[] }
	| { readonly kind: 'chooser' | 'undecided'; readonly offered: readonly Binding[] }
	| { readonly kind: 'waits'; readonly longer: readonly Binding[]; readonly masked: readonly Binding[] }
	| { readonly kind: 'cut-short'; readonly by: Keys; readonly masked: readonly Binding[] };

/** Whether the keys are only text in the situation: nothing but bare keys where bare keys are typed. */
export function isTyped(index: ShortcutIndex, keys: Keys, situation: number): boolean {
	return hasBit(index.typing, situation) && strokesOf(keys).every(typesCharacter);
}

/** What the keys do in the situation of that number. */
export function resolve(index: ShortcutIndex, keys: Keys, situation: number): Outcome {
	return answer(index, keys, situation, index.at(keys).longer, undefined);
}

/** What the keys do when no further stroke comes. */
export function resolveAlone(index: ShortcutIndex, keys: Keys, situation: number): Outcome {
	return answer(index, keys, situation, NOBODY, undefined);
}

/** The same with the reasoning, for people: input, candidates, which rule decided, what was masked. */
export function explain(index: ShortcutIndex, keys: Keys, situation: number): { outcome: Outcome; trace: TraceStep[] } {
	const trace: TraceStep[] = [];
	return { outcome: answer(index, keys, situation, index.at(keys).longer, trace), trace };
}

const NOBODY: readonly never[] = [];

function aliveIn(contenders: readonly Contender[], situation: number): readonly Contender[] {
	let alive: Contender[] | undefined;
	for (const contender of contenders) if (hasBit(contender.reach, situation)) (alive ??= []).push(contender);
	return alive ?? NOBODY;
}

/** `longer` are the sequences that the application still expects. */
function answer(
	index: ShortcutIndex,
	keys: Keys,
	situation: number,
	longer: readonly Input[],
	trace: TraceStep[] | undefined
): Outcome {
	const label = (b: Binding) => index.catalogue.get(b.command)?.label ?? b.command;
	// a text is only made for somebody who reads it: a drawn keyboard asks eight hundred times for each situation
	const say = (step: TraceStep['step'], text: () => string, binding?: Binding) =>
		trace?.push({ step, text: readable(text()), ...(binding && { binding }) });
	const input = index.at(keys);
	const on = input.contenders;
	say('input', () => `${keys} in ${index.space.labelOf(situation)}`);

	if (isTyped(index, keys, situation)) {
		say('typed', () => 'Here bare keys are text; no shortcut hears them.');
		return { kind: 'typed' };
	}

	const alive = aliveIn(input.living, situation);
	const live = alive.map((c) => c.binding);
	const waiting: Binding[] = [];
	// where something runs at once, what would go on is only told
	if (trace || live.length === 0 || index.rules.sequences === 'wait')
		for (const { living } of longer) for (const c of living) if (hasBit(c.reach, situation)) waiting.push(c.binding);
	if (index.rules.sequences === 'at-once')
		for (const prefix of input.prefixes) {
			const early = aliveIn(prefix.living, situation);
			if (early.length > 0) {
				const names = () => early.map((c) => label(c.binding)).join(', ');
				say('cut-short', () => `${prefix.keys} is complete by itself and fires at once: ${names()}.`, early[0]!.binding);
				for (const binding of live) say('masked', () => `${label(binding)} is never reached here.`, binding);
				return { kind: 'cut-short', by: prefix.keys, masked: live };
			}
		}

	if (trace)
		for (const { binding } of on) {
			if (live.includes(binding))
				say('candidate', () => `${label(binding)} listens: ${index.space.scopeLabel(binding.scope)}.`, binding);
			else if (hasBit(index.scopeSet(binding).bits, situation))
				say('absent', () => `${label(binding)} does not exist in this situation.`, binding);
			else say('elsewhere', () => `${label(binding)} listens only here: ${index.space.scopeLabel(binding.scope)}.`, binding);
		}

	if (waiting.length > 0 && (live.length === 0 || index.rules.sequences === 'wait')) {
		say('waits', () => `The application waits for the next stroke: ${waiting.map((b) => `${b.keys} ${label(b)}`).join(', ')}.`);
		return { kind: 'waits', longer: waiting, masked: [] };
	}
	if (live.length === 0) {
		say('result', () => (on.length === 0 ? 'Nothing is on these keys.' : 'Nothing listens in this situation.'));
		return { kind: 'nothing' };
	}
	for (const binding of waiting) say('masked', () => `${binding.keys} is cut short: ${keys} fires at once.`, binding);

	const rule = RULES[index.rules.ambiguity];
	const isOneCommand = alive.every((c) => c.command === alive[0]!.command);
	if (isOneCommand && index.rules.ambiguity !== 'refuse') {
		say('result', () => `${label(live[0]!)} runs.`, live[0]);
		return { kind: 'fires', winner: live[0]!, masked: [] };
	}
	const decision = rule.decide(alive, on, index.space);
	const { winner } = decision;
	if (!isOneCommand) say('rule', () => `${rule.label}: ${decision.why}.`, winner);
	for (const binding of decision.masked) say('masked', () => `${label(binding)} is masked.`, binding);
	if (winner) {
		say('result', () => `${label(winner)} runs.`, winner);
		return { kind: 'fires', winner, masked: decision.masked };
	}
	const { offered } = decision;
	if (offered) {
		say('result', () => `The chooser offers ${offered.map(label).join(', ')}.`);
		return { kind: 'chooser', offered };
	}
	if (index.rules.ambiguity === 'refuse') {
		say('result', () => 'Nothing runs.');
		return { kind: 'nothing' };
	}
	say('result', () => 'No winner: the application does nothing anyone can rely on.');
	return { kind: 'undecided', offered: live };
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
			return `waits\n${outcome.longer.map((b) => b.key).join('\n')}`;
		case 'cut-short':
			return `cut-short\n${outcome.by}`;
	}
}

export function sameOutcome(a: Outcome, b: Outcome): boolean {
	return outcomeKey(a) === outcomeKey(b);
}

/** Everything that what the keys do can depend on, as sets of situations. */
export function decisive(index: ShortcutIndex, keys: Keys): Bits[] {
	const bindings = [...index.on(keys), ...index.longer(keys), ...properPrefixes(keys).flatMap((prefix) => index.on(prefix))];
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
