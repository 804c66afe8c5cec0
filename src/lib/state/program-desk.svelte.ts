import { z } from 'zod';
import { catalogueChange, type CatalogueChange } from '$core/application/catalogue-change';
import { ApplicationForm, catalogueFromTable, type ColumnMapping } from '$core/application/catalogue-table';
import type { Command, CommandId } from '$core/application/command';
import { contextsText, type Contexts } from '$core/application/contexts-text';
import type { AnyChange } from '$core/chapter/chapter';
import type { FileProblem } from '$core/format/problem';
import type { Table } from '$core/format/table/tree';
import { tagged } from '$core/profile/edit';
import { stratumOfWire } from '$core/profile/wire';
import { entryKey, SHORTCUTS, shortcutsIn } from '$core/shortcut/entry';
import { inOrder } from '$core/strata/entry';
import type { Profile } from '$core/strata/stratum';
import { contextSpace } from '$core/context/space';
import type { WorkspaceDocument } from '$lib/server/workspace-document';
import { hardwiredText, type Rules } from '../ui/programs/rules';
import { ask } from './api';

/** What a program is, while somebody changes it: name, rules, contexts, catalogue. Nothing is stored before `store`. */
export class ProgramDesk {
	readonly document: WorkspaceDocument;
	rules = $state.raw<Rules>()!;
	contextsText = $state('');
	/** Undefined while what is written cannot be read. */
	contexts = $state.raw<Contexts | undefined>(undefined);
	#list = $state.raw<{ table: Table; mapping: ColumnMapping } | undefined>(undefined);

	constructor(document: WorkspaceDocument) {
		this.document = document;
		const { name, version, rules, axes, reachable } = document.application;
		this.rules = { ...rules, name, version, hardwired: hardwiredText(rules.hardwired), aliases: rules.aliases };
		this.contexts = { axes, reachable };
		this.contextsText = contextsText(this.contexts);
	}

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

	write(text: string, contexts: Contexts | undefined): void {
		this.contextsText = text;
		this.contexts = contexts;
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
		const isIn = new Set(this.contexts?.axes.flatMap((a) => a.nodes.map((n) => `${a.id}/${n.id}`)));
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
		if (!this.contexts) return 'The contexts cannot be read as they are written.';
		return this.#form.success ? undefined : z.prettifyError(this.#form.error).split('\n')[0]!.replace(/^✖ /, '');
	});

	get isChanged(): boolean {
		const { name, version, rules, axes, reachable } = this.document.application;
		const before = new ProgramState(name, version, rules, contextsText({ axes, reachable }));
		const now = new ProgramState(this.rules.name, this.rules.version, this.rules, this.contextsText);
		return this.#built !== undefined || before.text !== now.text;
	}

	/** Stores it, and lets what the strata say of renamed commands follow. Gives what was done; throws `ApiError`. */
	async store(): Promise<string> {
		if (!this.contexts || !this.#form.success) throw new RangeError('a program that cannot be stored as it is');
		const { name, version, ambiguity, match, sequences, hardwired, aliases } = this.#form.data;
		const { application, commands } = this.document;
		const { aliases: _, ...others } = application.rules;
		await ask(`/api/applications/${this.id}`, 'PUT', {
			application: {
				...application,
				name,
				version,
				axes: this.contexts.axes,
				reachable: this.contexts.reachable,
				rules: { ...others, ambiguity, match, sequences, hardwired, ...(aliases && { aliases }) }
			},
			commands: this.#built?.commands ?? commands
		});
		const followed = await this.#follow(new Map(this.change?.renamed.map(({ from, to }) => [from.id, to.id])));
		return followed > 0 ? `Kept. ${followed} ${followed === 1 ? 'shortcut follows' : 'shortcuts follow'}.` : 'Kept.';
	}

	/** The shortcuts of renamed commands as edits, stratum by stratum; the factory's are the program's own and stay. */
	async #follow(renamed: ReadonlyMap<CommandId, CommandId>): Promise<number> {
		if (renamed.size === 0) return 0;
		let followed = 0;
		const profile: Profile = this.document.strata.map(stratumOfWire);
		let { revision } = await ask<WorkspaceDocument>(`/api/applications/${this.id}`);
		for (const stratum of profile.filter((s) => s.kind !== 'factory')) {
			const there = shortcutsIn(stratum);
			const changes: AnyChange[] = inOrder(there).flatMap((before) => {
				const to = renamed.get(before.command);
				if (to === undefined) return [];
				const after = { ...before, command: to };
				return tagged({ id: SHORTCUTS }, [
					{ stratum: stratum.id, before, after: null },
					...(there.has(entryKey(after)) ? [] : [{ stratum: stratum.id, before: null, after }])
				]);
			});
			if (changes.length === 0) continue;
			await ask(`/api/applications/${this.id}/edits`, 'POST', {
				base: revision++,
				stratum: stratum.id,
				label: 'Commands were renamed',
				changes
			});
			followed += changes.filter((c) => (c as unknown as { after: unknown }).after !== null).length;
		}
		return followed;
	}
}

/** What of a program is compared to see whether somebody changed it. */
class ProgramState {
	readonly text: string;
	constructor(name: string, version: string, rules: object, contexts: string) {
		const { ambiguity, match, sequences, hardwired, aliases } = rules as Record<string, unknown>;
		const kept = Array.isArray(hardwired) ? hardwiredText(hardwired as never) : hardwired;
		this.text = JSON.stringify([name, version, ambiguity, match, sequences, kept, aliases ?? null, contexts]);
	}
}
