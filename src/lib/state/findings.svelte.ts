import { untrack } from 'svelte';
import type { CommandId } from '$core/application/command';
import { aliasAcceptable } from '$core/chapters/aliases/acceptance';
import { aliasFindings } from '$core/chapters/aliases/check';
import { aliasFileIn } from '$core/chapters/aliases/file';
import { MACROS } from '$core/chapters/macros/macro';
import { acceptedAs, isAccepted } from '$core/check/acceptance';
import { teller } from '$core/chapters/shortcuts/check/check';
import { findingId, type Finding, type Told } from '$core/chapters/shortcuts/check/finding';
import type { AnyFinding, Looking } from '$core/check/finding';
import { findingsIn } from '$core/profile/checkers';
import { allFindings, findingsBefore } from './all-findings';
import { CheckSession } from './check-session.svelte';
import type { Catalogue } from '$core/application/application';
import type { AcceptedFindings } from '$core/chapters/acceptances/acceptance';
import type { MacroTable } from '$core/chapters/macros/table';
import type { Circumstances } from '$core/check/circumstances';
import type { Profile } from '$core/strata/stratum';
import type { WorkspaceDocument } from '$lib/server/workspace-document';

/** What the checks look at. */
interface FindingsOf {
	readonly document: Pick<WorkspaceDocument, 'application'>;
	readonly profile: Profile;
	readonly catalogue: Catalogue;
	readonly circumstances: Circumstances;
	readonly index: Circumstances['index'];
	readonly accepted: AcceptedFindings;
	readonly macros: MacroTable;
	readonly draft: { readonly released: Profile | undefined };
}

/** What the checks of one profile have found: in its keys, its alias files and its macros. */
export class Findings {
	readonly #workspace: FindingsOf;
	readonly checks = new CheckSession();

	constructor(workspace: FindingsOf) {
		this.#workspace = workspace;
	}

	#teller = $derived.by(() => teller(this.#workspace.circumstances));
	/** The finding in words. */
	tell = (finding: Finding): Told => this.#teller(finding);

	/** All findings of keys, accepted ones among them. */
	all = $derived.by(() => this.checks.findings);
	/** Those that nobody has accepted as they stand. */
	open = $derived.by(() => this.all.filter((f) => !this.#isAccepted(f)));
	byCommand = $derived.by(() => {
		const map = new Map<CommandId, Finding[]>();
		for (const finding of this.open)
			for (const command of new Set([finding.command, ...finding.bindings.map((b) => b.command)])) {
				const list = map.get(command);
				if (list) list.push(finding);
				else map.set(command, [finding]);
			}
		return map;
	});

	/** All findings of macros, accepted ones among them. */
	allOfMacros = $derived.by(() => (this.#workspace.macros.inForce.size > 0 ? this.of(MACROS) : []));
	ofMacros = $derived.by(() => this.allOfMacros.filter((f) => !isAccepted(this.#workspace.accepted, f.acceptable())));

	/** The alias files of the strata: the same list while none of them changes. */
	#files = $derived.by(() => {
		const files = this.#workspace.profile.map(aliasFileIn);
		const isSame = files.length === this.#lastFiles.length && files.every((file, i) => file === this.#lastFiles[i]);
		return isSame ? this.#lastFiles : (this.#lastFiles = files);
	});
	#lastFiles: readonly ReturnType<typeof aliasFileIn>[] = [];
	#allOfAliases = $derived.by(() => {
		const input = this.#workspace.document.application.rules.aliases;
		if (!input || this.#files.every((file) => !file)) return [];
		const { catalogue } = this.#workspace;
		return untrack(() => aliasFindings(this.#workspace.profile, input, catalogue));
	});
	/** What is wrong in the alias files and nobody has accepted; of costs and the last release only the Aliases view speaks. */
	ofAliases = $derived.by(() => {
		const { accepted } = this.#workspace;
		if (accepted.size === 0) return this.#allOfAliases;
		return this.#allOfAliases.filter((f) => !isAccepted(accepted, aliasAcceptable(f)));
	});

	/** What the findings are found in. */
	looking = $derived.by((): Looking => {
		const { circumstances, profile, draft } = this.#workspace;
		return { circumstances, profile, released: draft.released };
	});
	/** Those of all chapters, accepted ones among them. */
	ofAll = $derived.by(() => allFindings(this.checks.findings, this.looking));
	/** Those of one chapter, accepted ones among them. */
	of = (chapter: string): AnyFinding[] => findingsIn(this.looking, [chapter]);
	/** What stood open in what the seats have. */
	before = $derived.by(() => findingsBefore(this.looking));

	#isAccepted(finding: Finding): boolean {
		const { accepted } = this.#workspace;
		return accepted.has(findingId(finding)) && acceptedAs(accepted, this.tell(finding)) !== undefined;
	}
}
