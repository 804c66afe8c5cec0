import { decisive, resolve, type Outcome } from '../answer/resolve.ts';
import type { ShortcutIndex } from '../answer/shortcut-index.ts';
import { alike } from '../context/bits.ts';
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
	/** Who gets the change, whether anything is to be learnt for it or not. */
	readonly receivers: ReadonlySet<string>;
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

/** Findings that stand open, accepted ones left out, and where they are asked for by severity and id. */
interface Open {
	readonly found: Found;
	isOpen(severity: Severity, id: string): boolean;
}

function openIn({ findings, accepted }: Looked): Open {
	const found = foundIn(findings);
	return {
		found,
		isOpen(severity, id) {
			const finding = found[severity].get(id);
			// how a finding stands accepted is expensive to find out, and few are accepted
			return finding !== undefined && !(accepted.has(id) && isAccepted(accepted, finding.acceptable()));
		}
	};
}

/** The findings that stand open here and not there, the worst first. */
function missing(here: Open, there: Open): Told[] {
	const list: AnyFinding[] = [];
	for (const severity of SEVERITIES)
		for (const [id, finding] of here.found[severity])
			if (!there.isOpen(severity, id) && here.isOpen(severity, id)) list.push(finding);
	return list
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

/** What is decided when nothing more is pressed. */
const settled = (outcome: Outcome): Outcome => (outcome.kind === 'waits' ? outcome.then : outcome);

/** The commands that an outcome runs or offers. */
const commandsOf = (outcome: Outcome): readonly CommandId[] =>
	outcome.kind === 'fires'
		? [outcome.winner.command]
		: outcome.kind === 'chooser' || outcome.kind === 'undecided'
			? outcome.offered.map((binding) => binding.command)
			: [];

/** The keys, and the sequences that begin with them on either side: what is done to the one can be felt at the other. */
function keysAround(before: ShortcutIndex, after: ShortcutIndex, touched: readonly Keys[]): Keys[] {
	const around = touched.flatMap((keys) => [
		keys,
		...[before, after].flatMap((side) => side.at(keys).longer.map((longer) => longer.keys))
	]);
	return [...new Set(around)].sort();
}

/** The shortcuts that ran their command somewhere, and run it there no more. */
function habitsOf(before: ShortcutIndex, after: ShortcutIndex, touched: readonly Keys[]): Habit[] {
	const { space } = after;
	const situations = Math.min(before.space.situations.length, space.situations.length);
	const habits: Habit[] = [];
	for (const keys of keysAround(before, after, touched)) {
		if (before.on(keys).length === 0) continue;
		/** By the shortcut that ran: what comes instead. */
		const lost = new Map<Binding, Set<CommandId>>();
		for (const [example] of alike([...decisive(before, keys), ...decisive(after, keys)], situations)) {
			const was = settled(resolve(before, keys, example!));
			if (was.kind !== 'fires') continue;
			const is = settled(resolve(after, keys, example!));
			// where it is still offered, a finding tells of the choice
			if (commandsOf(is).includes(was.winner.command)) continue;
			const then = lost.get(was.winner) ?? new Set();
			lost.set(was.winner, then);
			for (const command of commandsOf(is)) then.add(command);
		}
		for (const [{ command, scope }, then] of [...lost].sort(([a], [b]) => (a.key < b.key ? -1 : 1))) {
			const had = new Set(before.of(command).map((one) => one.keys));
			habits.push({
				command,
				keys,
				scope: space.scopeLabel(scope),
				then: [...then].sort(),
				instead: [...new Set(after.of(command).map((one) => one.keys))].filter((one) => !had.has(one)),
				runs: after.catalogue.get(command)?.use ?? 1
			});
		}
	}
	return habits;
}

function impactOn(setup: Setup, before: Looked, after: Looked, touched: readonly Keys[]): SetupImpact {
	const [was, is] = [openIn(before), openIn(after)];
	return {
		setup,
		coming: missing(is, was),
		going: missing(was, is),
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
	const coming = groupedBy(found, ({ coming: some }) => some);
	const going = groupedBy(found, ({ going: some }) => some);
	const habits = groupedBy(found, ({ habits: some }) => some);
	const receives = receiversOf(found, now);
	return differences.map((difference) => {
		const { command, caption, kind } = difference;
		const takes = (habit: Habit) => {
			const shortcut = shortcutOf(habit.command, habit.keys);
			return !taken.has(shortcut) || (kind !== 'added' && shortcut === shortcutOf(command, caption.keys));
		};
		const byPerson = new Map<string, Touch>();
		const counts = { coming: none(), going: none() };
		// a person is counted once, in whichever of their setups it shows
		const counted = new Set<string>();
		const once = (part: string, person: string, id: string): Touch | undefined => {
			const key = `${part}\n${person}\n${id}`;
			if (counted.has(key)) return undefined;
			counted.add(key);
			const touch = byPerson.get(person) ?? { coming: 0, habits: 0, runs: 0 };
			byPerson.set(person, touch);
			return touch;
		};
		for (const { person, one } of coming.about(command, caption.keys)) {
			const touch = once('coming', person, one.id);
			if (!touch) continue;
			counts.coming[one.severity]++;
			touch.coming++;
		}
		for (const { person, one } of going.about(command, caption.keys))
			if (once('going', person, one.id)) counts.going[one.severity]++;
		for (const { person, one } of habits.about(command, caption.keys)) {
			const touch = takes(one) ? once('habit', person, `${one.command}\n${one.keys}\n${one.scope}`) : undefined;
			if (!touch) continue;
			touch.habits++;
			touch.runs += one.runs;
		}
		const sum = (part: 'habits' | 'runs') => [...byPerson.values()].reduce((all, touch) => all + touch[part], 0);
		return {
			difference,
			people: byPerson.size,
			byPerson,
			receivers: receives(difference),
			...counts,
			habits: sum('habits'),
			runs: sum('runs')
		};
	});
}

/** What setups get or lose, by command and by keys, so that each change finds what has to do with it at once. */
function groupedBy<T extends { readonly command: CommandId; readonly keys: Keys | undefined }>(
	found: readonly SetupImpact[],
	of: (impact: SetupImpact) => readonly T[]
) {
	type Entry = { readonly person: string; readonly one: T };
	const byCommand = new Map<CommandId, Entry[]>();
	const byKeys = new Map<Keys, Entry[]>();
	const put = <K>(map: Map<K, Entry[]>, key: K, entry: Entry) => {
		const list = map.get(key);
		if (list) list.push(entry);
		else map.set(key, [entry]);
	};
	for (const impact of found)
		for (const one of of(impact)) {
			const entry = { person: impact.setup.person, one };
			put(byCommand, one.command, entry);
			if (one.keys !== undefined) put(byKeys, one.keys, entry);
		}
	return {
		/** Those about the command or the keys; one that is about both may come twice. */
		about: (command: CommandId | undefined, keys: Keys | undefined): readonly Entry[] => [
			...((command !== undefined && byCommand.get(command)) || []),
			...((keys !== undefined && byKeys.get(keys)) || [])
		]
	};
}

/** The people who have the stratum of a difference in any of their setups; all of them where it is nobody's alone. */
function receiversOf(found: readonly SetupImpact[], now: Profile): (difference: Difference) => ReadonlySet<string> {
	const all = new Set(found.map(({ setup }) => setup.person));
	const byStratum = new Map<StratumId, ReadonlySet<string>>(
		now.map(({ id }) => [id, new Set(found.filter(({ setup }) => setup.strata.includes(id)).map(({ setup }) => setup.person))])
	);
	return ({ by }) => (by === undefined ? all : (byStratum.get(by) ?? all));
}
