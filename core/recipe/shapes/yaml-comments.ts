import { isMap, isSeq, type YAMLMap, type YAMLSeq } from 'yaml';
import { FileRefusedError } from '../../format/problem.ts';
import { yamlDocument } from '../../format/yaml.ts';
import { NotWritableError, type Splice } from '../record.ts';
import { linesOf } from '../lines.ts';
import { lineAround } from './by-line.ts';

/** The sign before every line of a record that is commented out. */
const SIGN = '# ';

export const lineStart = (text: string, at: number): number => text.lastIndexOf('\n', at - 1) + 1;

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
	const indent = /^ */.exec(text.slice(first, first + 200))![0];
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

const contentEnd = (text: string, at: number): number => {
	const { end } = lineAround(text, at);
	return end - (/[\r\n]*$/.exec(text.slice(Math.max(at, end - 2), end))?.[0].length ?? 0);
};

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
	const indent = /^ */.exec(text.slice(from, from + 200))![0];
	const splices: Splice[] = [];
	const { end } = lineAround(text, last);
	for (let at = from; at < end; at = lineAround(text, at).end) {
		const isOfItem = text.startsWith(indent, at) && contentEnd(text, at) > at + indent.length;
		if (!isOfItem || (at > from && text[at + indent.length] !== ' '))
			throw new NotWritableError('this record has lines that would not come back as they are; comment it out by hand');
		splices.push({ start: at + indent.length, end: at + indent.length, insert: SIGN });
	}
	return splices;
}

/** Takes the signs away again. */
export function commentIn(text: string, start: number, end: number): Splice[] {
	const splices: Splice[] = [];
	for (let at = start; at < end; at = text.indexOf('#', lineAround(text, at).end)) {
		splices.push({ start: at, end: at + SIGN.length, insert: '' });
		if (lineAround(text, at).end >= end) break;
	}
	return splices;
}
