import type { ShortcutIndex } from '../answer/shortcut-index.ts';
import type { CommandId } from '../application/command.ts';
import { isAccepted } from '../check/acceptance.ts';
import type { AnyFinding } from '../check/finding.ts';
import { SEVERITIES, type Severity } from '../check/severity.ts';
import { namesOf, type Difference } from '../chapter/chapter.ts';
import { profileOf, type Setup } from '../people/setup.ts';
import { indexOf } from '../profile/circumstances.ts';
import { newsBetween } from '../profile/differences.ts';
import { shortcutsIn } from '../shortcut/entry.ts';
import type { Binding } from '../shortcut/effective.ts';
import type { Profile, Stratum, StratumId } from '../strata/stratum.ts';
import type { Keys } from '../stroke/stroke.ts';
import { Common, lookAt, type Looked, type Office } from './look.ts';

/** What a release would do to everybody: all strata as they are now, and the common ones as people have them today. */
export interface Question extends Office {
	readonly now: Profile;
	/** What stands in place of strata today; those that are not here are as in `now`. */
	readonly today: ReadonlyMap<StratumId, Stratum>;
	readonly setups: readonly Setup[];
}

/** A finding that somebody gets or loses, in words. */
export interface Told {
	readonly chapter: string;
	readonly id: string;
	readonly severity: Severity;
	readonly sentence: string;
	readonly command: CommandId;
	readonly keys: Keys | undefined;
}

/** Something that a hand has learnt and that will not do what it did. */
export interface Habit {
	readonly command: CommandId;
	readonly keys: Keys;
	readonly scope: string;
	/** What the keys do then where they did this; none if nothing. */
	readonly then: readonly CommandId[];
	/** Other keys that do it then. */
	readonly instead: readonly Keys[];
	/** Runs a day of the command, as the office has estimated them; 1 where it has not. */
	readonly runs: number;
}

/** What a release does to one setup of one person. */
export interface SetupImpact {
	readonly setup: Setup;
	readonly coming: readonly Told[];
	readonly going: readonly Told[];
	readonly habits: readonly Habit[];
}

/** How a change touches one person. */
export interface Touch {
	coming: number;
	habits: number;
	runs: number;
}

/** A change of the release with what it costs and gains over all setups. */
export interface ChangeImpact {
	readonly difference: Difference;
	/** How many people it touches in any of their setups. */
	readonly people: number;
	/** By the person: how many findings come to them, and the runs a day that their hands must learn anew. */
	readonly byPerson: ReadonlyMap<string, Touch>;
	readonly coming: Readonly<Record<Severity, number>>;
	readonly going: Readonly<Record<Severity, number>>;
	readonly habits: number;
	/** Runs a day, over all people, of commands whose keys do something else then. */
	readonly runs: number;
}

export interface Impact {
	readonly setups: readonly SetupImpact[];
	readonly changes: readonly ChangeImpact[];
}

/** Findings by severity and id; the same one with another severity is another finding. */
type Found = Readonly<Record<Severity, ReadonlyMap<string, AnyFinding>>>;

function foundIn(findings: readonly AnyFinding[]): Found {
	const found = { error: new Map(), attention: new Map(), note: new Map() } satisfies Record<Severity, Map<string, AnyFinding>>;
	for (const finding of findings) found[finding.severity].set(finding.id, finding);
	return found;
}

const told = (finding: AnyFinding): Told => ({
	chapter: finding.chapter,
	id: finding.id,
	severity: finding.severity,
	sentence: finding.sentence(),
	command: finding.command,
	keys: finding.witness.kind === 'keys' ? finding.witness.keys : undefined
});

/** Those of the findings that the other profile has not, and that nobody lets stand here, the worst first. */
function missing(found: Found, there: Found, accepted: Looked['accepted']): Told[] {
	const list: AnyFinding[] = [];
	for (const severity of SEVERITIES)
		for (const [id, finding] of found[severity]) if (!there[severity].has(id)) list.push(finding);
	return list
		.filter((finding) => accepted.size === 0 || !isAccepted(accepted, finding.acceptable()))
		.map(told)
		.sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity) || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0));
}

/** The keys of which the strata say something else than today. */
function keysTouched({ now, today }: Pick<Question, 'now' | 'today'>): Keys[] {
	const keys = new Set<Keys>();
	for (const stratum of now) {
		const before = today.get(stratum.id);
		if (!before) continue;
		const [was, is] = [shortcutsIn(before), shortcutsIn(stratum)];
		for (const [key, entry] of is) if (was.get(key)?.op !== entry.op) keys.add(entry.keys);
		for (const [key, entry] of was) if (!is.has(key)) keys.add(entry.keys);
	}
	return [...keys];
}

function habitsOf(before: ShortcutIndex, after: ShortcutIndex, touched: readonly Keys[]): Habit[] {
	const { space } = after;
	const same = (a: Binding) => (b: Binding) => a.command === b.command && a.scopeText === b.scopeText;
	return touched.flatMap((keys) => {
		const then = after.at(keys).bindings;
		return before
			.at(keys)
			.bindings.filter((binding) => !then.some(same(binding)))
			.map((binding) => {
				const had = new Set(before.of(binding.command).map((one) => one.keys));
				return {
					...{ command: binding.command, keys, scope: space.scopeLabel(binding.scope) },
					then: [...new Set(then.filter((one) => space.meet(one.scope, binding.scope)).map((one) => one.command))],
					instead: [...new Set(after.of(binding.command).map((one) => one.keys))].filter((one) => !had.has(one)),
					runs: after.catalogue.get(binding.command)?.use ?? 1
				};
			});
	});
}

function impactOn(setup: Setup, before: Looked, after: Looked, touched: readonly Keys[]): SetupImpact {
	const [was, is] = [foundIn(before.findings), foundIn(after.findings)];
	return {
		setup,
		coming: missing(is, was, after.accepted),
		going: missing(was, is, before.accepted),
		habits: habitsOf(before.index, after.index, touched)
	};
}

const todayOf = ({ now, today }: Pick<Question, 'now' | 'today'>): Profile =>
	now.map((stratum) => today.get(stratum.id) ?? stratum);

/** The impact on one setup, each profile looked at by itself. */
export function impactByHand(question: Question, setup: Setup): SetupImpact {
	const [before, after] = [todayOf(question), question.now].map((all) => lookAt(question, profileOf(all, setup.strata)));
	return impactOn(setup, before!, after!, keysTouched(question));
}

/**
 * The impact on all setups; yields the share that is done. What setups have in common is looked at once: the strata below those of
 * the person's own. It is the same as `impactByHand` finds (tested as a property), but for the order in which a sentence lists
 * things that have none.
 */
export function* impactOf(question: Question): Generator<number, Impact> {
	const { now, setups } = question;
	const before = todayOf(question);
	const kinds = new Map(now.map(({ id, kind }) => [id, kind]));
	const touched = keysTouched(question);
	const commons = new Map<string, readonly [Common, Common]>();
	const found: SetupImpact[] = [];
	for (const [i, setup] of setups.entries()) {
		yield i / setups.length;
		const strata = setup.strata.filter((id) => kinds.has(id));
		const first = strata.findIndex((id) => kinds.get(id) === 'personal');
		const at = first < 0 ? strata.length : first;
		const [below, own] = [strata.slice(0, at), strata.slice(at)];
		if (own.some((id) => kinds.get(id) !== 'personal')) {
			found.push(impactByHand(question, setup));
			continue;
		}
		const chain = below.join('\n');
		let both = commons.get(chain);
		if (!both) {
			both = [new Common(question, profileOf(before, below)), new Common(question, profileOf(now, below))];
			commons.set(chain, both);
		}
		const owned = own.map((id) => now.find((stratum) => stratum.id === id)!);
		found.push(impactOn(setup, both[0].with(owned), both[1].with(owned), touched));
	}
	yield 1;
	return { setups: found, changes: changesIn(question, found) };
}

const none = () => ({ error: 0, attention: 0, note: 0 });

/**
 * Each change of the release with all that has to do with it: findings about the same command or the same keys, which count for both
 * of two changes that have brought them together; and the habits of the shortcut that it takes away.
 */
function changesIn(question: Question, found: readonly SetupImpact[]): ChangeImpact[] {
	const [first] = found;
	if (!first) return [];
	const { application, now } = question;
	const common = (all: Profile) => all.filter(({ kind }) => kind !== 'personal');
	const names = namesOf(indexOf(application, common(now)));
	const differences = newsBetween(common(todayOf(question)), common(now), names);
	const shortcutOf = (command: CommandId | undefined, keys: Keys | undefined) => `${command}\n${keys}`;
	/** The shortcuts that changes take away: what a hand has learnt of them is theirs alone. */
	const taken = new Set(
		differences.flatMap(({ kind, command, caption }) => (kind === 'added' ? [] : [shortcutOf(command, caption.keys)]))
	);
	return differences.map((difference) => {
		const { command, caption, kind } = difference;
		const takes = (habit: Habit) => {
			const shortcut = shortcutOf(habit.command, habit.keys);
			return taken.has(shortcut) ? kind !== 'added' && shortcut === shortcutOf(command, caption.keys) : isOf(habit);
		};
		const isOf = (one: { readonly command: CommandId; readonly keys: Keys | undefined }) =>
			(command !== undefined && one.command === command) || (caption.keys !== undefined && one.keys === caption.keys);
		const byPerson = new Map<string, Touch>();
		const [coming, going] = [none(), none()];
		// a person is counted once, in whichever of their setups it shows
		const counted = new Set<string>();
		for (const { setup, ...impact } of found) {
			const once = (kind: string, id: string): Touch | undefined => {
				const key = `${kind}\n${setup.person}\n${id}`;
				if (counted.has(key)) return undefined;
				counted.add(key);
				const touch = byPerson.get(setup.person) ?? { coming: 0, habits: 0, runs: 0 };
				byPerson.set(setup.person, touch);
				return touch;
			};
			for (const one of impact.coming) {
				const touch = isOf(one) && once('coming', one.id);
				if (!touch) continue;
				coming[one.severity]++;
				touch.coming++;
			}
			for (const one of impact.going) if (isOf(one) && once('going', one.id)) going[one.severity]++;
			for (const one of impact.habits) {
				const touch = takes(one) && once('habit', `${one.command}\n${one.keys}\n${one.scope}`);
				if (!touch) continue;
				touch.habits++;
				touch.runs += one.runs;
			}
		}
		const sum = (part: 'habits' | 'runs') => [...byPerson.values()].reduce((all, touch) => all + touch[part], 0);
		return { difference, people: byPerson.size, byPerson, coming, going, habits: sum('habits'), runs: sum('runs') };
	});
}
