import { isMap, isSeq, type YAMLMap, type YAMLSeq } from 'yaml';
import { FileRefusedError } from '../../format/problem.ts';
import { yamlDocument } from '../../format/yaml.ts';
import { NotWritableError, type Splice } from '../record.ts';
import { linesOf } from '../../text/lines.ts';
import { lineAround } from './by-line.ts';

/** The sign before every line of a record that is commented out. */
const SIGN = '# ';

export const lineStart = (text: string, at: number): number => text.lastIndexOf('\n', at - 1) + 1;

const indentAt = (text: string, at: number): string => /^ */.exec(text.slice(at, at + 200))![0];

/** A part of a block list or map that is commented out; `holder` has one item, with offsets of the whole text. */
export interface CommentedOut {
	/** Where its sign stands. */
	readonly start: number;
	readonly end: number;
	readonly holder: YAMLMap | YAMLSeq;
	/** What must be added to the offsets in the holder. */
	readonly shift: number;
}

/**
 * The items that are commented out between, before and behind those of the list, whose first item begins on the line at `first`
 * and whose last one ends on the line at `last`. A comment that is no item is a remark.
 */
export function commentedOut(text: string, list: YAMLMap | YAMLSeq, first: number, last: number): CommentedOut[] {
	const indent = indentAt(text, first);
	const isComment = (at: number) => text.startsWith(`${indent}#`, at);
	let from = first;
	while (from > 0 && isComment(lineStart(text, from - 1))) from = lineStart(text, from - 1);
	let to = lineAround(text, last).end;
	while (to < text.length && isComment(to)) to = lineAround(text, to).end;

	const begins = isSeq(list) ? /^- / : /^[^\s#-]/;
	const found: CommentedOut[] = [];
	/** From the beginning of a line to the end of another. */
	let open: { readonly from: number; end: number } | undefined;
	const close = () => {
		const item = open && itemIn(text, list, open.from, open.end);
		if (item) found.push({ start: open!.from + indent.length, end: open!.end, ...item });
		open = undefined;
	};
	for (const { start: at, end } of linesOf(text, { from, to, line: 1 })) {
		const said = text.startsWith(indent + SIGN, at) ? text.slice(at + indent.length + SIGN.length, end) : undefined;
		if (said !== undefined && open && /^\s+\S/.test(said)) open.end = end;
		else {
			close();
			if (said !== undefined && begins.test(said)) open = { from: at, end };
		}
	}
	close();
	return found;
}

/** The lines without their signs, which blanks stand for, as a list of one item; undefined for a remark. */
function itemIn(text: string, list: YAMLMap | YAMLSeq, from: number, end: number) {
	try {
		const { contents } = yamlDocument('comment', text.slice(from, end).replaceAll(/^( *)# /gm, '$1  '));
		const isAlike = isSeq(list) ? isSeq(contents) : isMap(contents);
		if (!isAlike || (contents as YAMLMap | YAMLSeq).items.length !== 1) return undefined;
		return { holder: contents as YAMLMap | YAMLSeq, shift: from };
	} catch (error) {
		if (error instanceof FileRefusedError) return undefined;
		throw error;
	}
}

/** Puts the sign before every line of an item, of which the first begins at `from` and the last holds `last`. */
export function commentOut(text: string, from: number, last: number): Splice[] {
	const indent = indentAt(text, from);
	return Array.from(linesOf(text, { from, to: lineAround(text, last).end, line: 1 }), ({ start, end }, i) => {
		const at = start + indent.length;
		const isOfItem = text.startsWith(indent, start) && end > at;
		if (!isOfItem || (i > 0 && text[at] !== ' '))
			throw new NotWritableError('this record has lines that could not be restored; disable it in a text editor');
		return { start: at, end: at, insert: SIGN };
	});
}

/** Takes the signs away again, of which the first stands at `start`. */
export function commentIn(text: string, start: number, end: number): Splice[] {
	return Array.from(linesOf(text, { from: lineStart(text, start), to: end, line: 1 }), (line) => {
		const at = text.indexOf('#', line.start);
		return { start: at, end: at + SIGN.length, insert: '' };
	});
}
