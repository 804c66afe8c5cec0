import { aliasLines } from '$core/chapters/aliases/file';
import type { AliasReportFinding, AliasRow } from '$core/chapters/aliases/report';
import type { AliasSet } from '$core/chapters/aliases/suggest-set';
import type { Command } from '$core/application/command';
import { changeRecord, insertRecord, removeRecord, spliced, switchRecord } from '$core/recipe/reading';
import { NotWritableError, type Values } from '$core/recipe/record';
import type { EditorHost } from '../ui/aliases/editor';
import type { AliasSession, NamedChange } from './alias-session.svelte';
import type { Workspace } from './workspace.svelte';

/** What is written into the alias file in hand: from the table, from the text, and by ways out. What cannot be is told as a notice. */
export class AliasWriting {
	readonly #workspace: Workspace;
	readonly #session: AliasSession;

	constructor(workspace: Workspace, session: AliasSession) {
		this.#workspace = workspace;
		this.#session = session;
	}

	get #recipe() {
		return this.#session.file.recipe;
	}

	#linesIn(text: string) {
		return aliasLines({ ...this.#session.file, text }).lines;
	}

	/** The record of a row in a text. */
	#recordIn(text: string, row: AliasRow) {
		const line = this.#linesIn(text)[row.record];
		// the rows follow the text after a moment; a row of a former text is of no record
		return line?.alias === row.alias && line.command === row.command && line.note === row.note ? line.record : undefined;
	}

	async #write(change: (text: string) => NamedChange | undefined): Promise<void> {
		try {
			await this.#session.apply(change);
		} catch (error) {
			if (!(error instanceof NotWritableError)) throw error;
			this.#workspace.notice = { kind: 'failed', text: error.message };
		}
	}

	/** A change of a row; of a file below, a line of one's own is put over it. */
	async change(row: AliasRow, values: Values): Promise<void> {
		await this.#write((text) => {
			const record = row.stratum === this.#workspace.targetId ? this.#recordIn(text, row) : undefined;
			if (record)
				return {
					label: `Aliases: ${row.alias} ${Object.keys(values).join(', ')}`,
					splices: changeRecord(this.#recipe, text, record, values)
				};
			const said = { alias: row.alias, command: row.command, ...(row.note && { note: row.note }), ...values };
			const splices = insertRecord(this.#recipe, text, this.#linesIn(text).at(-1)?.record, said);
			return { label: `Aliases: ${said.alias} over ${row.stratum}`, splices };
		});
	}

	async remove(row: AliasRow): Promise<void> {
		await this.#write((text) => {
			const record = this.#recordIn(text, row);
			return record && { label: `Aliases: remove ${row.alias}`, splices: removeRecord(this.#recipe, text, record) };
		});
	}

	/** Comments the row out, or in again. */
	async toggle(row: AliasRow): Promise<void> {
		await this.#write((text) => {
			const record = this.#recordIn(text, row);
			if (!record) return;
			const label = record.off ? `enable ${row.alias}` : `disable ${row.alias}`;
			return { label: `Aliases: ${label}`, splices: switchRecord(this.#recipe, text, record, !record.off) };
		});
	}

	/** Puts a line below the one in hand, or at the end. */
	async add(alias: string, command: Command, below: number): Promise<void> {
		await this.#write((text) => {
			const lines = this.#linesIn(text);
			const after = lines.find((l) => l.record.line === below)?.record ?? lines.at(-1)?.record;
			const splices = insertRecord(this.#recipe, text, after, { alias, command: command.id });
			return { label: `Aliases: ${alias} for ${command.label}`, splices };
		});
	}

	/** All aliases of a solved set as one edit, below each other. */
	async addAll(set: AliasSet): Promise<void> {
		const rows = set.chosen.map(({ command, suggestion }) => ({ alias: suggestion.alias, command: command.id }));
		await this.#write((text) => {
			const insert = rows.reduce(
				(now, row) => spliced(now, insertRecord(this.#recipe, now, this.#linesIn(now).at(-1)?.record, row)),
				text
			);
			return { label: `Aliases: ${rows.length} suggested`, splices: [{ start: 0, end: text.length, insert }] };
		});
	}

	/** Does what a way out says, if it was found in the text as it stands. */
	fix(way: AliasReportFinding['fixes'][number]): void {
		// while a check goes on, the way out may be of a text that is gone
		if (this.#session.checking) return;
		const { text: seen } = this.#session;
		void this.#write((text) => (text === seen ? { label: way.label, splices: way.splices } : undefined));
	}

	/** What the editor of the text asks for; `stand` hears on which line the cursor is. */
	host(stand: (line: number) => void): EditorHost {
		const { search, index } = this.#workspace;
		return {
			recipe: () => this.#recipe,
			find: (words) =>
				search
					.find(words, index)
					.slice(0, 12)
					.map((f) => f.command),
			type: (now) => this.#session.type(now),
			undo: () => void this.#session.undo('undo'),
			redo: () => void this.#session.undo('redo'),
			toggle: (from, to) => this.#toggleLines(from, to),
			stand,
			see: (from, to) => this.#session.see(from, to)
		};
	}

	#toggleLines(from: number, to: number): void {
		void this.#write((text) => {
			const records = this.#linesIn(text).flatMap(({ record }) => (record.line >= from && record.line <= to ? [record] : []));
			if (records.length === 0) return;
			const off = records.some((r) => !r.off);
			const many = records.length === 1 ? 'a line' : `${records.length} lines`;
			return {
				label: `Aliases: ${off ? 'disable' : 'enable'} ${many}`,
				splices: records.flatMap((r) => switchRecord(this.#recipe, text, r, off))
			};
		});
	}
}
