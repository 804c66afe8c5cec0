import { namesOf, type Difference, type Names } from '$core/chapter/chapter';
import { differencesBetween, differencesInForceBetween } from '$core/profile/differences';
import type { Profile } from '$core/strata/stratum';
import { asReleased } from '$core/profile/circumstances';
import { published } from '$core/strata/stratum';
import type { ShortcutIndex } from '$core/answer/shortcut-index';
import type { Stratum } from '$core/strata/stratum';

/** What a draft is worked out from. */
interface DraftOf {
	readonly profile: Profile;
	readonly target: Stratum;
	readonly released: Stratum | null;
	readonly index: ShortcutIndex;
}

/** What differs from the factory and from the release that seats follow, as far as the stratum that is written to sees it. */
export class Draft {
	readonly #workspace: DraftOf;

	constructor(workspace: DraftOf) {
		this.#workspace = workspace;
	}

	get names(): Names {
		return namesOf(this.#workspace.index);
	}

	/** The strata up to the one written to: a steward's draft is not about personal entries. */
	#seen = $derived.by(() => {
		const { profile, target } = this.#workspace;
		return profile.slice(0, profile.indexOf(target) + 1);
	});
	#factory = $derived.by(() => this.#workspace.profile.filter((s) => s.kind === 'factory'));
	/** The factory's and the office's strata as the seats have them; undefined before the first release. */
	released = $derived.by((): Profile | undefined => {
		const { profile, released } = this.#workspace;
		return released ? asReleased(published(profile), released) : undefined;
	});
	againstFactory = $derived.by(() => this.#differences(this.#factory));
	againstRelease = $derived.by((): readonly Difference[] | undefined => this.released && this.#differences(this.released));
	/** What the office says and the seats do not have yet. */
	toPublish = $derived.by(() =>
		differencesBetween(this.released ?? this.#factory, published(this.#workspace.profile), this.names)
	);
	/** Commands about which something differs from the factory. */
	changedCommands = $derived.by(() => new Set(this.againstFactory.flatMap(({ command }) => command ?? [])));

	#differences(before: Profile): Difference[] {
		return differencesInForceBetween(before, this.#seen, this.names);
	}
}
