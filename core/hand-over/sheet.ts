import type { Catalogue } from '../application/application.ts';
import { pathText, type CommandId } from '../application/command.ts';
import type { ContextSpace } from '../context/space.ts';
import type { Binding } from '../shortcut/effective.ts';
import { readable } from '../stroke/stroke.ts';

/** A quick reference: commands with their inputs, by category. */
export interface Sheet {
	readonly title: string;
	readonly groups: readonly { readonly name: string; readonly rows: readonly SheetRow[] }[];
}

export interface SheetRow {
	readonly label: string;
	readonly inputs: readonly string[];
	readonly where: string;
}

/** The shortcuts in force, and aliases beside them, in the order of the catalogue. */
export function sheetOf(
	title: string,
	catalogue: Catalogue,
	space: ContextSpace,
	bindings: readonly Binding[],
	aliases: ReadonlyMap<string, readonly { readonly alias: string }[]> = new Map()
): Sheet {
	const byCommand = new Map<CommandId, Binding[]>();
	for (const binding of bindings) byCommand.set(binding.command, [...(byCommand.get(binding.command) ?? []), binding]);
	const groups = new Map<string, SheetRow[]>();
	for (const command of catalogue.values()) {
		const own = byCommand.get(command.id) ?? [];
		const names = aliases.get(command.id) ?? [];
		if (own.length + names.length === 0) continue;
		const group = pathText(command);
		const where = [...new Set(own.map((b) => space.scopeLabel(b.scope)))].filter((w) => w !== 'Everywhere').join('; ');
		const row = { label: command.label, inputs: [...own.map((b) => readable(b.keys)), ...names.map((n) => n.alias)], where };
		groups.set(group, [...(groups.get(group) ?? []), row]);
	}
	return { title, groups: [...groups].map(([name, rows]) => ({ name, rows })) };
}

/** A text that says only itself: no link, picture, emphasis, cell or line of its own (CommonMark 2.4; GFM 6.9, Autolinks). */
const cell = (text: string): string =>
	text
		.replaceAll(/\s*[\r\n]+\s*/g, ' ')
		.replaceAll(/[\\`*_[\]|<>~&]/g, (sign) => (sign === '<' ? '&lt;' : sign === '&' ? '&amp;' : `\\${sign}`))
		.replaceAll('://', '\\://')
		.replaceAll(/www\./gi, (w) => `${w.slice(0, 3)}\\.`);

/** An input as code, between more backticks than stand in it (CommonMark 6.1). */
function code(input: string): string {
	const longest = Math.max(0, ...Array.from(input.matchAll(/`+/g), (run) => run[0].length));
	const fence = '`'.repeat(longest + 1);
	const pad = longest > 0 ? ' ' : '';
	return fence + pad + input.replaceAll('|', '\\|') + pad + fence;
}

/** The sheet as Markdown tables (GitHub Flavored Markdown, 4.10). */
export function markdownSheet({ title, groups }: Sheet): string {
	const tables = groups.map(
		({ name, rows }) =>
			`## ${cell(name)}\n\n| Command | Input | Where |\n| --- | --- | --- |\n` +
			rows.map((r) => `| ${cell(r.label)} | ${r.inputs.map(code).join(' ')} | ${cell(r.where)} |\n`).join('')
	);
	return [`# ${cell(title)}\n`, ...tables].join('\n');
}

const escaped = (text: string): string =>
	text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

/** The sheet as a page of its own, to be printed. */
export function htmlSheet({ title, groups }: Sheet): string {
	const body = groups.map(
		({ name, rows }) =>
			`<section><h2>${escaped(name)}</h2><table>${rows
				.map(
					(r) =>
						`<tr><th scope="row">${escaped(r.label)}</th><td>${r.inputs.map((i) => `<kbd>${escaped(i)}</kbd>`).join(' ')}</td><td>${escaped(r.where)}</td></tr>`
				)
				.join('')}</table></section>`
	);
	const style =
		'body{font:13px/1.4 sans-serif;columns:2 26em;margin:2em}h1{column-span:all;font-size:20px}h2{font-size:14px;margin:1em 0 .3em}section{break-inside:avoid}table{border-collapse:collapse;width:100%}th,td{border-bottom:1px solid #ccc;padding:2px 6px;text-align:left;font-weight:400}kbd{border:1px solid #888;border-radius:3px;padding:0 4px;font-size:12px}';
	return `<!doctype html>\n<html lang="en">\n<meta charset="utf-8">\n<title>${escaped(title)}</title>\n<style>${style}</style>\n<h1>${escaped(title)}</h1>\n${body.join('\n')}\n</html>\n`;
}
