import { aliasLines } from '$core/chapters/aliases/file';
import type { AliasReportFinding, AliasRow } from '$core/chapters/aliases/report';
import type { AliasSet } from '$core/chapters/aliases/suggest-set';
import type { Command } from '$core/application/command';
import { changeRecord, insertRecord, removeRecord, spliced, switchRecord } from '$core/recipe/reading';
import { NotWritableError, type Splice, type Values } from '$core/recipe/record';
import type { EditorHost } from '../ui/aliases/editor';
import type { AliasSession } from './alias-session.svelte';
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

	get #lines() {
		return aliasLines({ ...this.#session.file, text: this.#session.text }).lines;
	}

	/** The record of a row, as the text stands now. */
	#recordOf(row: AliasRow) {
		const line = this.#lines[row.record];
		// the rows follow the text after a moment; a row of a former text is of no record
		return line?.alias === row.alias && line.command === row.command && line.note === row.note ? line.record : undefined;
	}

	async #write(label: string, splices: () => Splice[]): Promise<void> {
		try {
			await this.#session.apply(label, splices());
		} catch (error) {
			if (!(error instanceof NotWritableError)) throw error;
			this.#workspace.notice = { kind: 'failed', text: error.message };
		}
	}

	/** A change of a row; of a file below, a line of one's own is put over it. */
	async change(row: AliasRow, values: Values): Promise<void> {
		const { text } = this.#session;
		const record = row.stratum === this.#workspace.targetId ? this.#recordOf(row) : undefined;
		if (record)
			return this.#write(`Aliases: ${row.alias} ${Object.keys(values).join(', ')}`, () =>
				changeRecord(this.#recipe, text, record, values)
			);
		const said = { alias: row.alias, command: row.command, ...(row.note && { note: row.note }), ...values };
		await this.#write(`Aliases: ${said.alias} over ${row.stratum}`, () =>
			insertRecord(this.#recipe, text, this.#lines.at(-1)?.record, said)
		);
	}

	async remove(row: AliasRow): Promise<void> {
		const record = this.#recordOf(row);
		if (record) await this.#write(`Aliases: take ${row.alias} out`, () => removeRecord(this.#recipe, this.#session.text, record));
	}

	/** Comments the row out, or in again. */
	async toggle(row: AliasRow): Promise<void> {
		const record = this.#recordOf(row);
		if (record)
			await this.#write(`Aliases: ${record.off ? `${row.alias} holds again` : `comment ${row.alias} out`}`, () =>
				switchRecord(this.#recipe, this.#session.text, record, !record.off)
			);
	}

	/** Puts a line below the one in hand, or at the end. */
	async add(alias: string, command: Command, below: number): Promise<void> {
		const lines = this.#lines;
		const after = lines.find((l) => l.record.line === below)?.record ?? lines.at(-1)?.record;
		await this.#write(`Aliases: ${alias} for ${command.label}`, () =>
			insertRecord(this.#recipe, this.#session.text, after, { alias, command: command.id })
		);
	}

	/** All aliases of a solved set as one edit, below each other. */
	async addAll(set: AliasSet): Promise<void> {
		const rows = set.chosen.map(({ command, suggestion }) => ({ alias: suggestion.alias, command: command.id }));
		await this.#write(`Aliases: ${rows.length} suggested`, () => {
			const { text, file } = this.#session;
			const insert = rows.reduce((now, row) => {
				const last = aliasLines({ ...file, text: now }).lines.at(-1)?.record;
				return spliced(now, insertRecord(this.#recipe, now, last, row));
			}, text);
			return [{ start: 0, end: text.length, insert }];
		});
	}

	fix(way: AliasReportFinding['fixes'][number]): void {
		// while a check goes on, the way out may be of a text that is gone
		if (!this.#session.checking) void this.#write(way.label, () => [...way.splices]);
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
		const records = this.#lines.map((l) => l.record).filter((r) => r.line >= from && r.line <= to);
		if (records.length === 0) return;
		const off = records.some((r) => !r.off);
		const many = records.length === 1 ? 'a line' : `${records.length} lines`;
		void this.#write(`Aliases: comment ${many} ${off ? 'out' : 'in'}`, () =>
			records.flatMap((r) => switchRecord(this.#recipe, this.#session.text, r, off))
		);
	}
}
