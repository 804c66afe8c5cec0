import { catalogueChange, type CatalogueChange } from '$core/application/catalogue-change';
import {
	ApplicationForm,
	catalogueFromTable,
	type ColumnMapping,
	type KeyNames,
	type OwnInput
} from '$core/application/catalogue-table';
import { counted, formOf } from '$core/text/counted';
import type { Command } from '$core/application/command';
import { contextsText, parseContexts, type Contexts } from '$core/application/contexts-text';
import { contextSpace, type ContextSpace } from '$core/context/space';
import { canonicalText } from '$core/format/canonical';
import type { FileProblem } from '$core/format/problem';
import type { Table } from '$core/format/table/tree';
import type { StratumAfterCatalogue } from '$core/profile/renames';
import type { StratumHead } from '$core/strata/stratum';
import type { WorkspaceDocument } from '$lib/server/workspace-document';
import { ask, told } from './api';
import { rulesOf, type Rules } from './program-rules';

/** What the server says that another catalogue means. */
export interface Outlook {
	readonly strata: readonly (StratumAfterCatalogue & StratumHead)[];
	/** Typed names that the format of the program's own alias file cannot say. */
	readonly left: readonly OwnInput[];
	readonly backup?: string;
}

/** What a program is, while somebody changes it: name, rules, contexts, catalogue. Nothing is stored before `store`. */
export class ProgramDesk {
	readonly document: WorkspaceDocument;
	rules = $state.raw<Rules>()!;
	contextsText = $state('');
	#list = $state.raw<{ table: Table; mapping: ColumnMapping; names: KeyNames } | undefined>(undefined);

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

	take(list: { table: Table; mapping: ColumnMapping; names: KeyNames } | undefined): void {
		this.#list = list;
	}

	#form = $derived.by(() => ApplicationForm.safeParse({ ...this.rules, typing: 'nowhere' }));

	/** The commands of the new list, with the contexts of commands that are there already as they were where the list says none. */
	#built = $derived.by(() => {
		if (!this.#list || !this.#form.success) return undefined;
		const built = catalogueFromTable(this.#list.table.records, this.#list.mapping, this.#form.data, this.#list.names);
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
		return { commands, refused: built.refused, inputs: built.inputs };
	});

	/** What the new list would bring; undefined without one. */
	change = $derived.by((): CatalogueChange | undefined =>
		this.#built ? catalogueChange(this.document.commands, this.#built.commands) : undefined
	);

	get refused(): readonly FileProblem[] {
		return this.#built?.refused ?? [];
	}

	/** What the new list says of keys and typed names of commands that are new in it. */
	defaults = $derived.by((): readonly OwnInput[] => {
		const fresh = new Set(this.change?.fresh.map((c) => c.id));
		return this.#built?.inputs.filter(({ command }) => fresh.has(command)) ?? [];
	});

	/** What the new list means for the strata of everybody; undefined until the server has answered. */
	outlook = $state.raw<Outlook | { readonly problem: string } | undefined>(undefined);
	#looked = 0;

	/** Why it cannot be stored as it is. */
	problem = $derived.by((): string | undefined => {
		if ('problem' in this.contexts) return 'The text of the contexts has errors.';
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

	/** What is sent to the server; undefined while it cannot be stored. */
	#body = $derived.by(() => {
		if ('problem' in this.contexts || !this.#form.success) return undefined;
		const { name, version, ambiguity, match, sequences, hardwired, aliases } = this.#form.data;
		const { application, commands } = this.document;
		const { aliases: _, ...others } = application.rules;
		return {
			application: {
				...application,
				name,
				version,
				...this.contexts.said,
				rules: { ...others, ambiguity, match, sequences, hardwired, ...(aliases && { aliases }) }
			},
			commands: this.#built?.commands ?? commands,
			renamed: Object.fromEntries(this.change?.renamed.map(({ from, to }) => [from.id, to.id]) ?? []),
			defaults: this.defaults
		};
	});

	/** Asks the server what the new list would mean for the strata of everybody. */
	async look(): Promise<void> {
		const n = ++this.#looked;
		this.outlook = undefined;
		if (!this.change || !this.#body) return;
		const answer = await ask<Outlook>(`/api/applications/${this.id}?preview`, 'PUT', this.#body).catch(
			(error: unknown) => ({ problem: told(error) }) as const
		);
		if (n === this.#looked) this.outlook = answer;
	}

	/** Stores it; what strata say of renamed commands follows. Gives what was done; throws `ApiError`. */
	async store(): Promise<string> {
		if (!this.#body) throw new RangeError('a program that cannot be saved');
		const { strata, backup } = await ask<Outlook>(`/api/applications/${this.id}`, 'PUT', this.#body);
		const followed = strata.reduce((sum, { follows }) => sum + follows, 0);
		return [
			'Saved.',
			...(followed > 0 ? [`${counted(followed, 'item')} moved to ${formOf(followed, 'its new id', 'their new ids')}.`] : []),
			...(backup === undefined ? [] : ['A backup was created first.'])
		].join(' ');
	}
}
