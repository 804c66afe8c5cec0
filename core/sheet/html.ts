import { escapeXml } from '../text/escape-xml.ts';
import { headLine } from './head.ts';
import type { Cell } from './ground.ts';
import type { Sheet } from './sheet.ts';

const cellText = (cell: Cell): string =>
	typeof cell === 'string' ? escapeXml(cell) : cell.map((input) => `<kbd>${escapeXml(input)}</kbd>`).join(' ');

const STYLE =
	'@page{size:A4;margin:12mm}body{font:12px/1.35 sans-serif;margin:0}h1{font-size:20px;margin:0}header{margin-bottom:12px}main{columns:2 24em;column-gap:2em}.wide main{columns:1}h2{font-size:14px;margin:0 0 .3em}section{margin-bottom:14px;break-inside:avoid}table{border-collapse:collapse;width:100%}tr{break-inside:avoid}h2,thead{break-after:avoid}thead{display:table-header-group}th,td{border-bottom:1px solid #bbb;padding:2px 6px 2px 0;text-align:left;vertical-align:top}thead th{font-weight:600;font-size:11px}kbd{border:1px solid #777;border-radius:3px;padding:0 4px;font-size:11px;white-space:nowrap}';

/** The sheet as a page of its own, to be printed. */
export function htmlSheet({ head, arrangement, sections }: Sheet): string {
	const body = sections.map(
		({ name, columns, rows }) =>
			`<section><h2>${escapeXml(name)}</h2><table><thead><tr>${columns.map((c) => `<th scope="col">${escapeXml(c)}</th>`).join('')}</tr></thead><tbody>${rows
				.map((row) => `<tr>${row.map((cell) => `<td>${cellText(cell)}</td>`).join('')}</tr>`)
				.join('')}</tbody></table></section>`
	);
	const isWide = arrangement === 'keyboard';
	return `<!doctype html>\n<html lang="en">\n<meta charset="utf-8">\n<title>${escapeXml(head.application)}</title>\n<style>${STYLE}</style>\n<body${isWide ? ' class="wide"' : ''}>\n<header><h1>${escapeXml(head.application)}</h1><p>${escapeXml(headLine(head))}</p></header>\n<main>\n${body.join('\n')}\n</main>\n</body>\n</html>\n`;
}
