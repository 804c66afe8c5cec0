import { overlay } from '../answer/overlay.ts';
import type { ShortcutIndex } from '../answer/shortcut-index.ts';
import type { OpenApplication } from '../application/application.ts';
import { acceptedIn, ACCEPTANCES } from '../chapters/acceptances/acceptance.ts';
import { ALIASES } from '../chapters/aliases/file.ts';
import { BARS } from '../chapters/bars/bar.ts';
import { GESTURES } from '../chapters/gestures/gesture.ts';
import { Checks } from '../chapters/shortcuts/check/check.ts';
import { KeyFinding } from '../chapters/shortcuts/checker.ts';
import type { Circumstances } from '../check/circumstances.ts';
import type { AnyFinding, Checker, Looking } from '../check/finding.ts';
import type { Desk } from '../keyboard/desk.ts';
import { ALL_CHAPTERS } from '../profile/chapters.ts';
import { CHECKERS, findingsIn, SIMPLE_CHECKERS } from '../profile/checkers.ts';
import { asReleased, circumstancesOf } from '../profile/circumstances.ts';
import type { Change } from '../shortcut/change.ts';
import { SHORTCUTS, shortcutsIn } from '../shortcut/entry.ts';
import { headOf, type Profile, type Stratum } from '../strata/stratum.ts';
import { strokesOf } from '../stroke/stroke.ts';
import { isMouse } from '../stroke/mouse.ts';

/** What a profile comes to: its index and all that the checks find. */
export interface Looked {
	readonly index: ShortcutIndex;
	readonly accepted: Circumstances['accepted'];
	readonly findings: readonly AnyFinding[];
}

/** What all profiles of one question have in common. */
export interface Office {
	readonly application: OpenApplication;
	readonly desks: readonly Desk[];
	/** The office stratum as the seats have it; null before the first release. */
	readonly released: Stratum | null;
}

/** A profile looked at by itself, as the Findings view does it. */
export function lookAt({ application, desks, released }: Office, profile: Profile): Looked {
	const circumstances = circumstancesOf(application, profile, desks, released);
	const looking = { circumstances, profile, released: released ? asReleased(profile, released) : undefined };
	return { index: circumstances.index, accepted: circumstances.accepted, findings: findingsIn(looking) };
}

const isEmpty = (stratum: Stratum): boolean =>
	ALL_CHAPTERS.every((chapter) => chapter.list(chapter.contentIn(stratum)).length === 0);

/** Chapters that leave bars, gestures, contexts and commands as they are. */
const LIGHT: readonly string[] = [SHORTCUTS, ACCEPTANCES, ALIASES];

/**
 * Whether what a stratum says changes nothing but the shortcuts of keys: what the checks of bars and of the mouse look at is then as
 * below it.
 */
function isLight(stratum: Stratum): boolean {
	return (
		ALL_CHAPTERS.every((chapter) => {
			const said = chapter.list(chapter.contentIn(stratum));
			return said.length === 0 || LIGHT.includes(chapter.id);
		}) && [...shortcutsIn(stratum).values()].every(({ keys }) => !strokesOf(keys).some(({ key }) => isMouse(key)))
	);
}

/** The checks whose outcome a light stratum leaves as it is below. */
const KEPT: readonly string[] = [BARS, GESTURES];

/** The strata that many profiles have in common, looked at once; a person's own are laid upon them. */
export class Common {
	readonly #office: Office;
	readonly #profile: Profile;
	readonly #circumstances: Circumstances;
	readonly #checks: Checks;
	readonly #others: ReadonlyMap<string, readonly AnyFinding[]>;

	constructor(office: Office, profile: Profile) {
		this.#office = office;
		this.#profile = profile;
		this.#circumstances = circumstancesOf(office.application, profile, office.desks, office.released);
		this.#checks = new Checks(this.#circumstances);
		for (const _ of this.#checks.steps());
		const looking = this.#looking(this.#circumstances, profile);
		this.#others = new Map(SIMPLE_CHECKERS.map((checker) => [checker.chapter, checker.findings(looking)]));
	}

	#looking(circumstances: Circumstances, profile: Profile): Looking {
		const { released } = this.#office;
		return { circumstances, profile, released: released ? asReleased(profile, released) : undefined };
	}

	/** The profile with a person's own strata on top, the lowest first; the same as `lookAt` finds. */
	with(own: readonly Stratum[]): Looked {
		const profile = [...this.#profile, ...own];
		if (own.every(isEmpty)) {
			const { index, accepted } = this.#circumstances;
			return { index, accepted, findings: this.#found(this.#checks, this.#circumstances, this.#others) };
		}
		if (!own.every(isLight)) return lookAt(this.#office, profile);
		const bare = [...this.#profile, ...own.map((stratum) => ({ ...headOf(stratum), contents: {} }))];
		const changes = own.flatMap((stratum) =>
			[...shortcutsIn(stratum).values()].map((after): Change => ({ stratum: stratum.id, before: null, after }))
		);
		const { released } = this.#circumstances;
		const circumstances: Circumstances = {
			...this.#circumstances,
			index: overlay(this.#circumstances.index, bare, changes),
			released: released && overlay(released, this.#office.released ? asReleased(bare, this.#office.released) : bare, changes),
			accepted: acceptedIn(profile)
		};
		const looking = this.#looking(circumstances, profile);
		const others = new Map(SIMPLE_CHECKERS.map((checker) => [checker.chapter, this.#findingsAbove(checker, looking)]));
		this.#checks.update(circumstances, changes);
		const findings = this.#found(this.#checks, circumstances, others);
		// as it was, for the next
		this.#checks.update(this.#circumstances, changes);
		return { index: circumstances.index, accepted: circumstances.accepted, findings };
	}

	/** What a check finds with light strata on top: of bars and gestures only what goes by keys is looked for again. */
	#findingsAbove(checker: Checker, looking: Looking): readonly AnyFinding[] {
		if (!KEPT.includes(checker.chapter)) return checker.findings(looking);
		const below = this.#others.get(checker.chapter)!;
		const { byKeys } = checker;
		return byKeys ? [...below.filter(({ rule }) => !byKeys.rules.includes(rule)), ...byKeys.findings(looking)] : below;
	}

	#found(checks: Checks, circumstances: Circumstances, others: ReadonlyMap<string, readonly AnyFinding[]>): AnyFinding[] {
		return CHECKERS.flatMap(({ chapter, isKept }) =>
			isKept ? checks.list().map((finding) => new KeyFinding(finding, circumstances)) : (others.get(chapter) ?? [])
		);
	}
}
