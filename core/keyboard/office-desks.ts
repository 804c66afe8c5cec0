import { NAMED_CODES, WRITING_CODES } from '../stroke/codes.ts';
import { keysOf, strokesOf, type Keys, type Modifier, type Stroke } from '../stroke/stroke.ts';
import { BOARDS } from './board.ts';
import { mouseInput } from '../stroke/mouse.ts';
import { canPoint, PLATFORM_NAMES, USUAL_DESK, USUAL_POINTER, type Desk } from './desk.ts';
import { LAYOUTS } from './layouts.ts';
import { pressing, strokeAt, type Pressing } from './pressing.ts';
import { reachOfAll, type Reach } from './reach.ts';
import { isHeard, type KeyMatch } from '../stroke/hear.ts';
import { heardAs, meanings } from './unheard.ts';
import { reservedOn } from './reserved/reserved.ts';
import type { Reserved } from './reserved/row.ts';

/** How an application hears keys, and the strokes that it keeps for itself. */
export interface HearingRules {
	readonly match: KeyMatch;
	readonly hardwired: readonly { readonly keys: Keys; readonly does: string }[];
}

/** A stroke that a system or the application keeps for itself. */
export interface Kept {
	/** Who keeps it: a platform's name, or undefined for the application itself. */
	readonly platform: string | undefined;
	readonly does: string;
	readonly taken: Reserved['taken'];
	readonly source: string;
}

/**
 * Trouble with an input at some desks.
 * - missing: no key types it; dead: the key waits for the next letter; eaten: Ctrl+Alt is AltGr there and types a character;
 * - altgr: needs AltGr; shift: needs Shift here and not at other desks;
 * - elsewhere: the character sits on another key than at other desks; reads: the position has another legend there.
 */
export interface Trouble {
	readonly kind: 'missing' | 'pointer' | 'dead' | 'eaten' | 'altgr' | 'shift' | 'elsewhere' | 'reads';
	readonly desks: readonly Desk[];
	/** What the trouble is about: the character that is typed, or the key where it sits. */
	readonly about: string;
}

/** What the desks of an office make of inputs; the same whatever the profile says. Answers are remembered. */
export interface OfficeDesks {
	readonly desks: readonly Desk[];
	/** The desk of most seats: reach is measured there. */
	readonly usual: Desk;
	kept(keys: Keys): readonly Kept[];
	/** Whether the application can hear the input as it is spelled. */
	isHeard(keys: Keys): boolean;
	/** The input as the application hears it, where all layouts of the office agree on what is meant; see `heardAs`. */
	heardAs(keys: Keys): Keys | undefined;
	/** What the input means on the layouts of the office, as the application would hear it. */
	meanings(keys: Keys): readonly Keys[];
	troubles(keys: Keys): readonly Trouble[];
	/** At the usual desk; undefined when it cannot be pressed there. */
	reach(keys: Keys): Reach | undefined;
	/** Single strokes that no system keeps and every desk can press, the shortest way first. */
	readonly goodStrokes: readonly Keys[];
}

/** The eight combinations of the three common modifiers, in the order in which pips show them. */
export const PLANES: readonly (readonly Modifier[])[] = [
	[],
	['Shift'],
	['Ctrl'],
	['Alt'],
	['Ctrl', 'Shift'],
	['Ctrl', 'Alt'],
	['Alt', 'Shift'],
	['Ctrl', 'Alt', 'Shift']
];

/** The seats and their layout and system, as in "C-03 (US layout, Linux)". */
export function deskLabel({ seats, platform, layout }: Desk): string {
	const what = `${LAYOUTS[layout].name} layout, ${PLATFORM_NAMES[platform]}`;
	if (seats.length === 0) return `a desk with ${what}`;
	const named = seats.length <= 3 ? seats.join(', ') : `${seats.slice(0, 2).join(', ')} and ${seats.length - 2} more seats`;
	return `${named} (${what})`;
}

/** Without any desk the usual one is assumed, with no seats. */
export function officeDesks(rules: HearingRules, given: readonly Desk[]): OfficeDesks {
	const desks = given.length > 0 ? given : [{ ...USUAL_DESK, seats: [] }];
	const usual = desks.reduce((most, desk) => (desk.seats.length > most.seats.length ? desk : most));
	/** Which systems the desks have, with which layouts. */
	const systems = desks.filter((d, i) => desks.findIndex((o) => o.platform === d.platform && o.layout === d.layout) === i);
	const layouts = [...new Set(desks.map((d) => d.layout))];
	const hardwired = new Map(rules.hardwired.map((h) => [h.keys, h]));

	const remembered = <T>(work: (keys: Keys) => T) => {
		const known = new Map<Keys, T>();
		return (keys: Keys): T => {
			let answer = known.get(keys);
			if (answer === undefined) known.set(keys, (answer = work(keys)));
			return answer;
		};
	};
	/** Of a sequence, what is to be said of its first stroke of which there is something to say. */
	const byStroke = <T>(work: (keys: Keys) => readonly T[]) => {
		const answer: (keys: Keys) => readonly T[] = remembered((keys) => {
			if (!keys.includes(' ')) return work(keys);
			for (const stroke of keys.split(' ')) {
				const one = answer(stroke as Keys);
				if (one.length > 0) return one;
			}
			return NOTHING;
		});
		return answer;
	};

	const kept = byStroke((keys): readonly Kept[] => {
		const own = hardwired.get(keys);
		const found: Kept[] = own ? [{ platform: undefined, does: own.does, taken: 'always', source: 'the application' }] : [];
		for (const { platform, layout } of systems) {
			const row = reservedOn(platform, keys, layout);
			const isTold = found.some((k) => k.platform === PLATFORM_NAMES[platform] && k.does === row?.does);
			if (row && !isTold)
				found.push({ platform: PLATFORM_NAMES[platform], does: row.does, taken: row.taken, source: row.source });
		}
		return found.length > 0 ? found : NOTHING;
	});

	const troubles = byStroke((keys): readonly Trouble[] => {
		const [stroke] = strokesOf(keys);
		const mouse = mouseInput(stroke!.key);
		if (mouse) {
			const without = desks.filter((desk) => !canPoint(desk.pointer ?? USUAL_POINTER, mouse));
			return without.length > 0 ? [{ kind: 'pointer', desks: without, about: stroke!.key }] : NOTHING;
		}
		return troublesOf(
			stroke!,
			desks.map((desk) => ({ desk, way: pressing(stroke!, desk) })),
			usual
		);
	});

	const reach = remembered((keys) => reachOfAll(strokesOf(keys), usual) ?? null);
	let good: readonly Keys[] | undefined;
	return {
		desks,
		usual,
		kept,
		isHeard: (keys) => isHeard(keys, rules.match),
		heardAs: (keys) => heardAs(keys, rules.match, layouts),
		meanings: (keys) => meanings(keys, rules.match, layouts),
		troubles,
		reach: (keys) => reach(keys) ?? undefined,
		get goodStrokes() {
			return (good ??= allStrokes(rules, usual)
				.filter((keys) => kept(keys).length === 0 && troubles(keys).every((t) => t.kind === 'elsewhere' || t.kind === 'reads'))
				.map((keys) => ({ keys, reach: reach(keys) }))
				.filter((s) => s.reach !== null)
				.sort((a, b) => a.reach!.mm - b.reach!.mm)
				.map((s) => s.keys));
		}
	};
}

const NOTHING: readonly never[] = [];

interface Pressed {
	readonly desk: Desk;
	readonly way: Pressing;
}

/** What is to be said of a stroke that the desks press so. */
function troublesOf(stroke: Stroke, pressed: readonly Pressed[], usual: Desk): readonly Trouble[] {
	const missing = pressed.filter((p) => p.way.code === undefined);
	const there = missing.length === 0 ? pressed : pressed.filter((p) => p.way.code !== undefined);
	const eaten = there.filter((p) => p.way.eaten !== undefined);
	const dead = there.filter((p) => p.way.dead);
	const living = there.filter((p) => !p.way.dead);
	const altGr = living.filter((p) => p.way.altGr);
	const withoutAltGr = living.filter((p) => !p.way.altGr);
	const shifted = withoutAltGr.filter((p) => p.way.shifted);
	const home = living.find((p) => p.desk === usual)?.way.code ?? living[0]?.way.code;
	const away = withoutAltGr.filter((p) => !p.way.shifted && p.way.code !== home);
	const moved = WRITING_CODES.has(stroke.key)
		? pressed.filter((p) => legendOf(p.desk, stroke) !== legendOf(usual, stroke))
		: NOTHING;
	const found: Trouble[] = [];
	report(found, 'missing', missing, stroke.key);
	report(found, 'dead', dead, stroke.key);
	report(found, 'eaten', eaten, eaten[0]?.way.eaten ?? '');
	report(found, 'altgr', altGr, stroke.key);
	if (shifted.length < withoutAltGr.length) report(found, 'shift', shifted, stroke.key);
	report(found, 'elsewhere', away, away[0]?.way.code ?? '');
	report(found, 'reads', moved, moved[0] ? (legendOf(moved[0].desk, stroke) ?? 'nothing') : '');
	return found.length > 0 ? found : NOTHING;
}

function report(found: Trouble[], kind: Trouble['kind'], at: readonly Pressed[], about: string): void {
	if (at.length > 0) found.push({ kind, desks: at.map((p) => p.desk), about });
}

const legendOf = (desk: Desk, stroke: Stroke) => LAYOUTS[desk.layout].legend(stroke.key, 0);

/** Every single stroke with the common modifiers that the keys of the desk's board make, apart from keys that edit text. */
export function allStrokes({ match }: Pick<HearingRules, 'match'>, desk: Desk): Keys[] {
	const strokes = BOARDS[desk.board].keys.flatMap(({ code }) => {
		if (NAMED_CODES.has(code) && !/^F\d+$/.test(code) && code !== 'Space') return [];
		return PLANES.flatMap((modifiers) => strokeAt(code, modifiers, match, desk.layout) ?? []).map((stroke) => keysOf([stroke]));
	});
	return [...new Set(strokes)];
}
