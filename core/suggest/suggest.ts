import type { ShortcutIndex } from '../answer/shortcut-index.ts';
import type { Command } from '../application/command.ts';
import { rivalsOn } from '../answer/rivals.ts';
import { count, difference, isEmpty } from '../context/bits.ts';
import { scopeText, type Scope } from '../context/scope.ts';
import { BOARDS, centreOf, keyOn, PITCH } from '../keyboard/board.ts';
import type { OfficeDesks } from '../keyboard/office-desks.ts';
import { pressing } from '../keyboard/pressing.ts';
import type { Reach } from '../keyboard/reach.ts';
import type { Binding } from '../shortcut/effective.ts';
import { strokesOf, beginsBare, type Keys, type Stroke } from '../stroke/stroke.ts';

/** Why a stroke is good for the command, and what that is worth in millimetres of reach; less than nothing if it speaks against it. */
export interface Reason {
	readonly kind: 'initial' | 'synonym' | 'letter' | 'neighbour' | 'opposite' | 'action' | 'elsewhere';
	readonly text: string;
	readonly worth: number;
}

/** A stroke for a command. `lost` are the bindings that would have to go; empty when it is free in the scope. */
export interface Suggestion {
	readonly keys: Keys;
	readonly reach: Reach;
	readonly reasons: readonly Reason[];
	readonly lost: readonly Binding[];
	/** Millimetres of reach less what the reasons are worth; the smallest is the best. */
	readonly score: number;
}

/** Inputs of the same action in the office's other applications. */
export type Elsewhere = ReadonlyMap<string, readonly { readonly keys: Keys; readonly application: string }[]>;

export interface Wish {
	readonly command: Command;
	readonly scope: Scope;
	readonly elsewhere?: Elsewhere;
	/** Whether strokes of commands that are hardly used are offered as well. */
	readonly wasted?: boolean;
	readonly most?: number;
}

/** Our own weights: what a good reason outweighs, in millimetres. */
const WORTH = { initial: 45, synonym: 30, letter: 12, neighbour: 18, opposite: 60, action: 60, elsewhere: -60 };
/** A stroke with which the mouse is let go, and one for which the hand stretches, cost this much more. */
const BURDEN = { easy: 0, stretch: 15, away: 80 };
/** A command that is run less than this often in a day may lose its stroke to one that is run more. */
export const HARDLY_USED = 1;

/** Ranked strokes for a command within a scope, free ones and on request those of commands that are hardly used. */
export function suggest(index: ShortcutIndex, office: OfficeDesks, wish: Wish): Suggestion[] {
	const { command, scope, elsewhere, wasted = false, most = 12 } = wish;
	const text = scopeText(scope);
	const reach = index.reach({ command: command.id, scope, scopeText: text });
	if (isEmpty(reach)) return [];
	const bare = difference(reach, index.typing);
	// a bare key is worth something where it is heard in most of the scope, not where people mostly type
	const bareIsHeard = 2 * count(bare) >= count(reach);
	const scopeBits = index.space.bitsOf(scope, text);
	const reasonsFor = reasoning(index, office, command, elsewhere);
	const found: Suggestion[] = [];
	for (const keys of office.goodStrokes) {
		const isBare = beginsBare(keys);
		const heard = isBare ? bare : reach;
		if (isBare && !bareIsHeard) continue;
		const rivals = rivalsOn(index, keys, heard, scopeBits);
		if (rivals.some((b) => b.command === command.id)) continue;
		const mayGo = wasted && rivals.every((b) => !b.lockedBy && (index.catalogue.get(b.command)?.use ?? Infinity) < HARDLY_USED);
		if (rivals.length > 0 && !mayGo) continue;
		const way = office.reach(keys)!;
		const reasons = reasonsFor(keys);
		const score = way.mm + BURDEN[way.effort] - reasons.reduce((sum, r) => sum + r.worth, 0) + 25 * rivals.length;
		found.push({ keys, reach: way, reasons, lost: rivals, score });
	}
	return found.sort((a, b) => a.score - b.score || a.keys.length - b.keys.length).slice(0, most);
}

/** The best free stroke that lies alike at every desk, else the best of the others; undefined when none is left. */
export function bestStroke(index: ShortcutIndex, office: OfficeDesks, command: Command, scope: Scope): Keys | undefined {
	const found = suggest(index, office, { command, scope, most: Infinity });
	return (found.find(({ keys }) => office.troubles(keys).length === 0) ?? found[0])?.keys;
}

function reasoning(index: ShortcutIndex, office: OfficeDesks, command: Command, elsewhere: Elsewhere | undefined) {
	const initials = new Set(
		command.label
			.toLowerCase()
			.split(/\s+/)
			.map((word) => word[0])
	);
	const synonyms = new Map(command.synonyms.map((s) => [s[0]?.toLowerCase(), s]));
	const letters = new Set(command.label.toLowerCase());
	const [first] = command.label.toLowerCase();
	const partners = command.opposite ? index.of(command.opposite) : [];
	const same = command.action ? (elsewhere?.get(command.action) ?? []) : [];
	const placeOf = (stroke: Stroke) => {
		const { code } = pressing(stroke, office.usual);
		const key = code && keyOn(BOARDS[office.usual.board], code);
		return key ? centreOf(key) : undefined;
	};
	const related = [...index.catalogue.values()]
		.filter((c) => c.id !== command.id && c.category.join('\n') === command.category.join('\n'))
		.flatMap((c) => index.of(c.id).map((b) => ({ label: c.label, stroke: strokesOf(b.keys).at(-1)! })))
		.map((r) => ({ ...r, place: placeOf(r.stroke), held: r.stroke.modifiers.join() }));

	return (keys: Keys): Reason[] => {
		const stroke = strokesOf(keys)[0]!;
		const character = pressing(stroke, office.usual).code?.startsWith('Key')
			? (stroke.key.length === 1 ? stroke.key : stroke.key.slice(3)).toLowerCase()
			: stroke.key.toLowerCase();
		const reasons: Reason[] = [];
		const say = (kind: Reason['kind'], reason: string) => reasons.push({ kind, text: reason, worth: WORTH[kind] });
		if (character === first) say('initial', `first letter of “${command.label}”`);
		else if (initials.has(character)) say('initial', `letter that begins a word of “${command.label}”`);
		else if (synonyms.has(character)) say('synonym', `first letter of “${synonyms.get(character)}”`);
		else if (character.length === 1 && letters.has(character)) say('letter', `letter in “${command.label}”`);
		const partner = partners.find((b) => isShiftOf(strokesOf(b.keys)[0]!, stroke) && !b.keys.includes(' '));
		if (partner)
			say('opposite', `Shift of ${partner.keys}, which runs the opposite, ${index.catalogue.get(partner.command)?.label}`);
		const twin = same.find((s) => s.keys === keys);
		if (twin) say('action', `same as in ${twin.application}`);
		const place = placeOf(stroke);
		const held = stroke.modifiers.join();
		const near =
			place &&
			related.find((r) => r.held === held && r.place && Math.hypot(r.place.x - place.x, r.place.y - place.y) <= 1.25 * PITCH);
		if (near) say('neighbour', `next to ${near.label}`);
		if (office.troubles(keys).length > 0) say('elsewhere', 'not on the same key on all keyboards');
		return reasons;
	};
}

/** Whether the two strokes are the same but for Shift. */
function isShiftOf(a: Stroke, b: Stroke): boolean {
	const without = (s: Stroke) => s.modifiers.filter((m) => m !== 'Shift').join();
	return a.key === b.key && without(a) === without(b) && a.modifiers.includes('Shift') !== b.modifiers.includes('Shift');
}
