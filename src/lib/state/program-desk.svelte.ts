import { catalogueChange, type CatalogueChange } from '$core/application/catalogue-change';
import { ApplicationForm, catalogueFromTable, type ColumnMapping } from '$core/application/catalogue-table';
import type { Command, CommandId } from '$core/application/command';
import { contextsText, parseContexts, type Contexts } from '$core/application/contexts-text';
import { contextSpace, type ContextSpace } from '$core/context/space';
import { canonicalText } from '$core/format/canonical';
import type { FileProblem } from '$core/format/problem';
import type { Table } from '$core/format/table/tree';
import { stratumOfWire } from '$core/profile/wire';
import { followingRenames } from '$core/profile/renames';
import type { WorkspaceDocument } from '$lib/server/workspace-document';
import { ask } from './api';
import { rulesOf, type Rules } from './program-rules';

/** What a program is, while somebody changes it: name, rules, contexts, catalogue. Nothing is stored before `store`. */
export class ProgramDesk {
	readonly document: WorkspaceDocument;
	rules = $state.raw<Rules>()!;
	contextsText = $state('');
	#list = $state.raw<{ table: Table; mapping: ColumnMapping } | undefined>(undefined);

	constructor(document: WorkspaceDocument) {
		this.document = document;
		this.rules = rulesOf(document.application);
		this.contextsText = contextsText(document.application);
	}

	/** What is written of contexts: the situations that result, or why it cannot be read. */
	contexts = $derived.by((): { readonly space: ContextSpace; readonly said: Contexts } | { readonly problem: string } => {
		try {
			const said = parseContexts(this.contextsText);
			return { said, space: contextSpace(said.axes, said.reachable) };
		} catch (error) {
			return { problem: (error as Error).message };
		}
	});

	/** Throws `ApiError`. */
	static async open(id: string): Promise<ProgramDesk> {
		return new ProgramDesk(await ask<WorkspaceDocument>(`/api/applications/${encodeURIComponent(id)}`));
	}

	get id(): string {
		return this.document.application.id;
	}

	get situations(): number {
		const { axes, reachable } = this.document.application;
		return contextSpace(axes, reachable).situations.length;
	}

	take(list: { table: Table; mapping: ColumnMapping } | undefined): void {
		this.#list = list;
	}

	#form = $derived.by(() => ApplicationForm.safeParse({ ...this.rules, typing: 'nowhere' }));

	/** The commands of the new list, with the contexts of commands that are there already as they were where the list says none. */
	#built = $derived.by(() => {
		if (!this.#list || !this.#form.success) return undefined;
		const built = catalogueFromTable(this.#list.table.records, this.#list.mapping, this.#form.data);
		const was = new Map(this.document.commands.map((c) => [c.id, c]));
		const axes = 'said' in this.contexts ? this.contexts.said.axes : [];
		const isIn = new Set(axes.flatMap((a) => a.nodes.map((n) => `${a.id}/${n.id}`)));
		const commands = built.commands.map((command): Command => {
			const before = was.get(command.id);
			const own = command.contexts.filter((scope) =>
				Object.entries(scope).every(([axis, nodes]) => nodes.every((n) => isIn.has(`${axis}/${n}`)))
			);
			return { ...command, icon: before?.icon ?? command.icon, contexts: own.length > 0 ? own : (before?.contexts ?? []) };
		});
		return { commands, refused: built.refused };
	});

	/** What the new list would bring; undefined without one. */
	change = $derived.by((): CatalogueChange | undefined =>
		this.#built ? catalogueChange(this.document.commands, this.#built.commands) : undefined
	);

	get refused(): readonly FileProblem[] {
		return this.#built?.refused ?? [];
	}

	/** Why it cannot be stored as it is. */
	problem = $derived.by((): string | undefined => {
		if ('problem' in this.contexts) return 'The contexts cannot be read as they are written.';
		return this.#form.success ? undefined : this.#form.error.issues[0]!.message;
	});

	get isChanged(): boolean {
		const { application } = this.document;
		return (
			this.#built !== undefined ||
			this.contextsText !== contextsText(application) ||
			canonicalText(this.rules) !== canonicalText(rulesOf(application))
		);
	}

	/** Stores it, and lets what the strata say of renamed commands follow. Gives what was done; throws `ApiError`. */
	async store(): Promise<string> {
		if ('problem' in this.contexts || !this.#form.success) throw new RangeError('a program that cannot be stored as it is');
		const { name, version, ambiguity, match, sequences, hardwired, aliases } = this.#form.data;
		const { application, commands } = this.document;
		const { aliases: _, ...others } = application.rules;
		const renamed = new Map(this.change?.renamed.map(({ from, to }) => [from.id, to.id]));
		await ask(`/api/applications/${this.id}`, 'PUT', {
			application: {
				...application,
				name,
				version,
				...this.contexts.said,
				rules: { ...others, ambiguity, match, sequences, hardwired, ...(aliases && { aliases }) }
			},
			commands: this.#built?.commands ?? commands,
			renamed: Object.fromEntries(renamed)
		});
		const followed = await this.#follow(renamed);
		return followed > 0 ? `Kept. ${followed} ${followed === 1 ? 'thing follows' : 'things follow'} the new names.` : 'Kept.';
	}

	/** What strata say of renamed commands as edits, stratum by stratum; what the factory says has followed with the catalogue. */
	async #follow(renamed: ReadonlyMap<CommandId, CommandId>): Promise<number> {
		if (renamed.size === 0) return 0;
		let followed = 0;
		const { strata, revision } = await ask<WorkspaceDocument>(`/api/applications/${this.id}`);
		let base = revision;
		for (const stratum of strata.map(stratumOfWire).filter((s) => s.kind !== 'factory')) {
			const changes = followingRenames(stratum, renamed);
			if (changes.length === 0) continue;
			await ask(`/api/applications/${this.id}/edits`, 'POST', {
				base: base++,
				stratum: stratum.id,
				label: 'Commands were renamed',
				changes
			});
			followed += changes.filter((change) => (change as { after?: unknown }).after !== null).length;
		}
		return followed;
	}
}
