import { isAccepted } from '$core/check/acceptance';
import { teller } from '$core/chapters/shortcuts/check/check';
import type { Circumstances } from '$core/check/circumstances';
import { circumstancesOf } from '$core/profile/circumstances';
import type { Looking } from '$core/check/finding';
import type { Told } from '$core/chapters/shortcuts/check/finding';
import { desksOf } from '$core/keyboard/desk';
import { published } from '$core/strata/stratum';
import { releaseFaults } from '$core/release/faults';
import { allFindings, findingsBefore } from './all-findings';
import { CheckSession } from './check-session.svelte';
import type { OpenApplication } from '$core/application/application';
import type { Profile, Stratum } from '$core/strata/stratum';
import type { WorkspaceDocument } from '$lib/server/workspace-document';

/** What would go out is worked out from this. */
interface PublishingOf {
	readonly subject: OpenApplication;
	readonly document: Pick<WorkspaceDocument, 'commands'>;
	readonly profile: Profile;
	readonly seats: WorkspaceDocument['seats'];
	readonly released: Stratum | null;
	readonly draft: { readonly released: Profile | undefined };
}

/** What would go out with a release: the factory's and the office's strata alone, without anybody's own. */
export class Publishing {
	readonly #workspace: PublishingOf;
	readonly checks = new CheckSession();

	constructor(workspace: PublishingOf) {
		this.#workspace = workspace;
	}

	/** What would go out as it stands now. */
	#outgoing = $derived.by((): Profile => published(this.#workspace.profile));
	/** What was checked: after an edit still what went before it, until the check has followed. */
	#checked = $derived.by((): Profile => this.checks.checked ?? this.#outgoing);
	/** Whether what is found is found in what would go out now. */
	isCurrent = $derived.by(() => this.#checked === this.#outgoing);

	circumstances = $derived.by((): Circumstances => {
		const { subject, seats, released } = this.#workspace;
		return circumstancesOf(subject, this.#checked, desksOf(seats), released);
	});

	/** Checks what would go out as it stands now; called when somebody looks, and when it has changed. */
	check() {
		const { subject, document, seats, released } = this.#workspace;
		this.checks.start({ ...subject, commands: document.commands }, this.#outgoing, seats, released);
	}

	/** The errors in keys that would go out and that nobody has accepted. */
	errors = $derived.by((): Told[] => {
		const tell = teller(this.circumstances);
		const { accepted } = this.circumstances;
		return this.checks.findings
			.filter((f) => f.severity === 'error')
			.map(tell)
			.filter((told) => !isAccepted(accepted, told));
	});

	/** What the findings are found in. */
	looking = $derived.by((): Looking => ({
		circumstances: this.circumstances,
		profile: this.#checked,
		released: this.#workspace.draft.released
	}));
	/** The errors in what the office says beside its keys that would go out. */
	faults = $derived.by(() => releaseFaults(this.looking));
	/** All that is found in what would go out. */
	all = $derived.by(() => allFindings(this.checks.findings, this.looking));
	/** What was found in what the seats have, and nobody had accepted. */
	before = $derived.by(() => findingsBefore(this.looking));

	end() {
		this.checks.stop();
	}
}
