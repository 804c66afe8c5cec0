import { diff3Merge } from 'node-diff3';
import { shared } from './lines.ts';

/** Lines that both sides changed, each in its own way; empty on the side that took them out. */
export interface TextConflict {
	readonly mine: string;
	readonly theirs: string;
	/** What stood there before. */
	readonly base: string;
}

export interface MergedText {
	/** What both say; where they touch, theirs first and mine behind, so that nothing is lost. */
	readonly text: string;
	readonly conflicts: readonly TextConflict[];
}

/** The lines with their line ends; they join to the text again. */
export const linesIn = (text: string): string[] => text.match(/[^\r\n]*(?:\r\n|\r|\n)|[^\r\n]+$/g) ?? [];

/** The beginning of a text up to the end of its last whole line. */
const wholeLines = (text: string, length: number): number => {
	const part = text.slice(0, length);
	const end = Math.max(part.lastIndexOf('\n'), part.lastIndexOf('\r'));
	// between CR and LF is no line end
	return part[end] === '\r' && text[end + 1] === '\n' ? wholeLines(text, end) : end + 1;
};

/**
 * Two texts that came from one, line by line (diff3: Khanna, Kunal, Pierce, A Formal Investigation of Diff3, 2007). Changes
 * that both made alike count once.
 */
export function mergeTexts(base: string, mine: string, theirs: string): MergedText {
	if (mine === base || mine === theirs) return { text: theirs, conflicts: [] };
	if (theirs === base) return { text: mine, conflicts: [] };
	// what all three begin with needs no looking at
	const head = wholeLines(base, Math.min(shared(base, mine).beginning, shared(base, theirs).beginning));
	const rest = (text: string) => linesIn(text.slice(head));
	const regions = diff3Merge(rest(mine), rest(base), rest(theirs), { excludeFalseConflicts: true });
	const conflicts: TextConflict[] = [];
	let text = base.slice(0, head);
	for (const { ok, conflict } of regions) {
		if (ok) text += ok.join('');
		if (!conflict) continue;
		const [a, b, o] = [conflict.a, conflict.b, conflict.o].map((lines) => lines.join('')) as [string, string, string];
		conflicts.push({ mine: a, theirs: b, base: o });
		const isOpen = b !== '' && a !== '' && !/[\r\n]$/.test(b);
		text += b + (isOpen ? lineEndIn(base + mine + theirs) : '') + a;
	}
	return { text, conflicts };
}

const lineEndIn = (text: string): string => /\r\n|\r|\n/.exec(text)?.[0] ?? '\n';
