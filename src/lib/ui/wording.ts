import { counted } from '$core/text/counted';
import type { Consequence } from '$core/answer/consequences';
import type { Outcome } from '$core/answer/resolve';
import type { ShortcutIndex } from '$core/answer/shortcut-index';
import type { Meeting, Verdict } from '$core/answer/verdict';
import type { Kept } from '$core/keyboard/office-desks';
import { saidIn } from '$core/hand-over/selection';
import type { Stratum } from '$core/strata/stratum';
import { listed } from '$core/text/listed';
import type { CommandId } from '$core/application/command';
import type { Binding } from '$core/shortcut/effective';
import { beginsBare, readable, type Keys } from '$core/stroke/stroke';

export const entriesText = (n: number): string => counted(n, 'entry', 'entries');

/** How much a stratum says. */
export const sizeOf = (stratum: Stratum): number => [...saidIn([stratum])].length;

export const labelOf = (index: ShortcutIndex, id: CommandId): string => index.catalogue.get(id)?.label ?? id;

const names = (index: ShortcutIndex, bindings: readonly Binding[]) => {
	const labels = bindings.map((b) => labelOf(index, b.command));
	return labels.length <= 6 ? listed(labels) : `${labels.slice(0, 5).join(', ')} and ${labels.length - 5} more`;
};

export const situations = (n: number): string => counted(n, 'situation');

/** What an input does, in a few words. */
export function outcomeText(index: ShortcutIndex, outcome: Outcome): string {
	return readable(outcomeWords(index, outcome));
}

function outcomeWords(index: ShortcutIndex, outcome: Outcome): string {
	switch (outcome.kind) {
		case 'nothing':
			return 'Nothing';
		case 'typed':
			return 'Types a character';
		case 'fires':
			return labelOf(index, outcome.winner.command);
		case 'chooser':
			return `Chooser: ${names(index, outcome.offered)}`;
		case 'undecided':
			return `Undecided between ${names(index, outcome.offered)}`;
		case 'waits':
			return `Waits for ${listed([...new Set(outcome.longer.map((b) => b.keys.split(' ').at(-1)!))])}${outcome.then.kind === 'nothing' ? '' : `, else ${outcomeWords(index, outcome.then)}`}`;
		case 'cut-short':
			return `Cut short: ${outcome.by} is decided first`;
	}
}

/** The same as a mark: an icon's name and a colour's name, so that it reads without colour. */
export function outcomeMark(outcome: Outcome): { shape: '●' | '◆' | '▲' | '○' | '…'; tone: string } {
	switch (outcome.kind) {
		case 'fires':
			return { shape: '●', tone: 'azurite' };
		case 'chooser':
		case 'undecided':
			return { shape: '◆', tone: 'garnet' };
		case 'cut-short':
			return { shape: '▲', tone: 'limonite' };
		case 'waits':
			return { shape: '…', tone: 'limonite' };
		case 'nothing':
		case 'typed':
			return { shape: '○', tone: 'epidote' };
	}
}

/** What would happen where the proposal and another binding meet, under the application's rule. */
export const meetingText = (index: ShortcutIndex, found: Verdict, meeting: Meeting): string =>
	readable(meetingWords(index, found, meeting));

function meetingWords(index: ShortcutIndex, { proposal }: Verdict, meeting: Meeting): string {
	const other = labelOf(index, meeting.binding.command);
	const where = `in ${situations(meeting.count)}, as in ${index.space.labelOf(meeting.example)}`;
	if (meeting.relation === 'shorter')
		return index.rules.sequences === 'at-once'
			? `${meeting.binding.keys} already runs ${other} at once, before ${proposal.keys} is complete, ${where}.`
			: `${meeting.binding.keys} runs ${other} when no further stroke follows, ${where}.`;
	if (meeting.relation === 'longer')
		return index.rules.sequences === 'at-once'
			? `${meeting.binding.keys} for ${other} would be cut short ${where}.`
			: `${proposal.keys} also begins ${meeting.binding.keys} for ${other}: a wait ${where}.`;
	return `runs ${other} ${where}.`;
}

/** What the application's rule makes of two bindings on the same keys. */
export function bothText(index: ShortcutIndex): string {
	switch (index.rules.ambiguity) {
		case 'chooser':
			return 'With both, a chooser would open there each time.';
		case 'narrowest':
			return 'With both, the narrower scope would win; equal scopes leave it undecided.';
		case 'first':
			return 'With both, the first in the list would win: higher levels come before lower ones.';
		case 'refuse':
			return 'The application would not load the second.';
	}
}

/** Who keeps the stroke for itself, in one sentence; undefined if nobody does. */
export function keptText(keys: Keys, kept: readonly Kept[]): string | undefined {
	if (kept.length === 0) return undefined;
	const said = kept.map(
		({ platform, does, taken }) => `${platform ?? 'the application itself'} ${does}${taken === 'default' ? ' by default' : ''}`
	);
	return readable(`${keys} may not work: ${listed(said)}.`);
}

/**
 * How free an input is that nothing has in some scope: everywhere only if no shortcut is on it, none goes on from it or begins
 * it, and it is text nowhere.
 */
export function freeText(index: ShortcutIndex, keys: Keys): string {
	const said = readable(keys);
	const { prefixes } = index.at(keys);
	const others = [...prefixes.flatMap((p) => p.bindings), ...index.longer(keys)];
	if (others.length > 0)
		return `${said} is free here. Elsewhere ${listed([...new Set(others.map((b) => readable(b.keys)))].slice(0, 4))} begins with it or before it.`;
	const on = index.on(keys);
	if (on.length > 0) return `${said} is free here. It is given to ${names(index, on)} elsewhere.`;
	const typing = beginsBare(keys) ? index.rules.typing : [];
	if (typing.length > 0)
		return `${said} is free, but is text in ${listed(typing.map((scope) => index.space.scopeLabel(scope)))}.`;
	return `${said} is free everywhere.`;
}

/** The verdict's headline with its tone. `kept` is what keeps the stroke for itself. */
export function verdictText(
	index: ShortcutIndex,
	found: Verdict,
	kept: readonly Kept[] = []
): { tone: 'garnet' | 'limonite' | 'epidote'; shape: string; text: string } {
	const { command } = found.proposal;
	const keys = readable(found.proposal.keys);
	switch (found.kind) {
		case 'already':
			return { tone: 'epidote', shape: '○', text: `${keys} runs ${labelOf(index, command)} with this scope already.` };
		case 'nowhere':
			return {
				tone: 'limonite',
				shape: '▲',
				text: `${labelOf(index, command)} exists in no situation of this scope, so ${keys} could never run it. Widen the scope.`
			};
		case 'free': {
			const keeps = keptText(found.proposal.keys, kept);
			if (keeps) return { tone: kept.some((k) => k.taken === 'always') ? 'garnet' : 'limonite', shape: '▲', text: keeps };
			return { tone: 'epidote', shape: '○', text: freeText(index, found.proposal.keys) };
		}
		case 'apart':
			return {
				tone: 'epidote',
				shape: '○',
				text: `${keys} is free here. It also runs ${names(index, found.apart)}, but never in the same situation.`
			};
		case 'meets':
			return {
				tone: 'garnet',
				shape: '◆',
				text: `${keys} is taken by ${names(
					index,
					found.meetings.map((m) => m.binding)
				)}.`
			};
	}
}

export function consequenceText(index: ShortcutIndex, { keys, before, after, situations: where }: Consequence): string {
	const example = where.length === 1 ? index.space.labelOf(where[0]!) : situations(where.length);
	return `${readable(keys)} in ${example}: ${outcomeText(index, before)} → ${outcomeText(index, after)}`;
}
