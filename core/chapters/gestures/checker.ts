import { shortcutIndex } from '../../answer/shortcut-index.ts';
import type { AnyChange, Pen } from '../../chapter/chapter.ts';
import type { CommandId } from '../../application/command.ts';
import { isMended, type AnyFinding, type AnyFix, type Checker, type Looking } from '../../check/finding.ts';
import { findingOfEntry, type EntryFix } from '../../check/of-entry.ts';
import { errorsFirst } from '../../check/severity.ts';
import { applyChanges, type Change } from '../../shortcut/change.ts';
import { effectiveProfile } from '../../shortcut/effective.ts';
import { SHORTCUTS } from '../../shortcut/entry.ts';
import { OutOfReachError, type KeyedChange } from '../../strata/change.ts';
import { applyKeyed, toolsOf } from '../../strata/keyed-fold.ts';
import type { GestureFinding, GestureRule } from './finding.ts';
import { drawnOf, flicksOf } from './flicks.ts';
import { hearingOf } from './hearing.ts';
import { GESTURES, gesturesIn, MEETING, type GestureEntry } from './gesture.ts';
import { GESTURE_RULES } from './rules/rules.ts';

const TOOLS = toolsOf<GestureEntry>(MEETING);

export const gestureChecker: Checker = {
	chapter: GESTURES,
	beginning: 'gesture-',
	// none of its rules finds what is broken: it need not look to say so
	errors: () => [],
	findings(looking) {
		const { profile, circumstances } = looking;
		const { index, office } = circumstances;
		if (profile.every((stratum) => gesturesIn(stratum).size === 0) && flicksOf(index).length + drawnOf(index).length === 0)
			return [];
		const heard = hearingOf(profile, index.space);
		const ground = { profile, index, heard, desks: office.desks };
		const found: AnyFinding[] = [];
		for (const rule of GESTURE_RULES) rule.find(ground, (finding) => void found.push(asAny(rule, finding, looking)));
		return errorsFirst(found);
	}
};

const asAny = ({ id: rule, title }: GestureRule, finding: GestureFinding, looking: Looking): AnyFinding => {
	const { keys, situation, thing, command = thing as CommandId } = finding;
	const witness = keys ? ({ kind: 'keys', keys, situation } as const) : ({ kind: 'situation', situation } as const);
	return findingOfEntry(gestureChecker, { ...finding, command, rule, title, witness }, (pen, id) =>
		finding.fixes.flatMap((fix) => tried(fix, id, looking, pen))
	);
};

/** What cannot be written from the stratum is no way out. */
function written(make: () => readonly AnyChange[]): readonly AnyChange[] {
	try {
		return make();
	} catch (error) {
		if (error instanceof OutOfReachError) return [];
		throw error;
	}
}

/** The fix as a change, if the pen's stratum can say it and it removes the finding without an error more. */
function tried({ kind, label, changes }: EntryFix, id: string, looking: Looking, { profile, target }: Pen): AnyFix[] {
	const made = written(() => changes(profile, target));
	if (made.length === 0) return [];
	const of = (chapter: string): readonly AnyChange[] => made.filter((change) => change.chapter === chapter);
	const roses = of(GESTURES) as unknown as readonly KeyedChange<GestureEntry>[];
	const moved = applyChanges(looking.profile, of(SHORTCUTS) as unknown as readonly Change[]);
	const after = applyKeyed(GESTURES, gesturesIn, TOOLS, moved, roses, MEETING.thing);
	const { circumstances } = looking;
	const { space, catalogue, rules } = circumstances.index;
	const index = shortcutIndex(effectiveProfile(after, space), space, catalogue, rules, hearingOf(after, space));
	const then = { ...looking, profile: after, circumstances: { ...circumstances, index } };
	return isMended(gestureChecker, looking, then, { id }) ? [{ kind, label, changes: made }] : [];
}
