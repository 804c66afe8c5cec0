import type { Cell } from './ground.ts';
import type { Sheet } from './sheet.ts';
import { headLine } from './head.ts';

/** A text that says only itself: no link, picture, emphasis, cell or line of its own (CommonMark 2.4; GFM 6.9, Autolinks). */
const plain = (text: string): string =>
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

const cellText = (cell: Cell): string => (typeof cell === 'string' ? plain(cell) : cell.map(code).join(' '));

/** The sheet as Markdown tables (GitHub Flavored Markdown, 4.10). */
export function markdownSheet({ head, sections }: Sheet): string {
	const tables = sections.map(
		({ name, columns, rows }) =>
			`## ${plain(name)}\n\n| ${columns.map(plain).join(' | ')} |\n|${' --- |'.repeat(columns.length)}\n` +
			rows.map((row) => `| ${row.map(cellText).join(' | ')} |\n`).join('')
	);
	return [`# ${plain(head.application)}\n\n${plain(headLine(head))}\n`, ...tables].join('\n');
}
