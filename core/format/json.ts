import { findNodeAtLocation, parseTree, printParseErrorCode, type Node, type ParseError } from 'jsonc-parser';
import type { z } from 'zod';
import { FileRefusedError, placeOf, type FileProblem } from './problem.ts';

const NOT_HERE = 'this is not allowed here';
/** What the parser's codes say, in the words of the rest of Skarn. */
const REASONS: Readonly<Record<string, string>> = {
	InvalidSymbol: 'this is not a value; texts need double quotes',
	InvalidNumberFormat: 'the number is incorrect',
	PropertyNameExpected: 'a name in double quotes is expected',
	ValueExpected: 'a value is expected',
	ColonExpected: 'a colon is expected after the name',
	CommaExpected: 'a comma is expected between entries',
	CloseBraceExpected: 'a } is missing',
	CloseBracketExpected: 'a ] is missing',
	EndOfFileExpected: 'something follows after the end',
	InvalidCommentToken: 'comments are not allowed',
	UnexpectedEndOfComment: 'a comment is not closed',
	UnexpectedEndOfString: 'a text is not closed before its line ends',
	UnexpectedEndOfNumber: 'the number breaks off',
	InvalidUnicode: 'what follows \\u must be four hexadecimal digits',
	InvalidEscapeCharacter: 'what follows the backslash is not an escape of JSON',
	InvalidCharacter: 'a control character is not allowed in a text'
};

/** So deep values may lie in each other; what reads them calls itself for each level. */
const DEEPEST = 500;

/** Throws `FileRefusedError` with the place for JSON that lies deeper in itself than anything is read. */
function refuseDepth(file: string, text: string): void {
	let depth = 0;
	for (let at = 0; at < text.length; at++) {
		const code = text.charCodeAt(at);
		if (code === 0x22) {
			// a text: to its closing quote
			for (at++; at < text.length && text.charCodeAt(at) !== 0x22; at++) if (text.charCodeAt(at) === 0x5c) at++;
		} else if (code === 0x5b || code === 0x7b) {
			if (++depth > DEEPEST)
				throw new FileRefusedError(file, [
					{ ...placeOf(text, at), message: `values are nested more than ${DEEPEST} levels deep, which no Skarn file needs` }
				]);
		} else if (code === 0x5d || code === 0x7d) depth--;
	}
}

/** The places of all values. JSON that breaks off or has a stray sign throws `FileRefusedError` with line and column. */
export function treeOf(file: string, text: string): Node {
	refuseDepth(file, text);
	const errors: ParseError[] = [];
	const root = parseTree(text.startsWith('\uFEFF') ? ' ' + text.slice(1) : text, errors, {
		disallowComments: true,
		allowEmptyContent: false
	});
	const [error] = errors;
	if (error || !root) {
		const where = placeOf(text, error?.offset ?? 0);
		const message = error ? `not JSON: ${REASONS[printParseErrorCode(error.error)] ?? NOT_HERE}` : 'the file is empty';
		throw new FileRefusedError(file, [{ ...where, message }]);
	}
	return root;
}

/** A JSON document: what it says, and where, which costs more and is worked out when a place is asked for. */
export interface JsonDocument {
	readonly file: string;
	readonly text: string;
	readonly value: unknown;
	root(): Node;
}

/** What the JSON of the language reads, but with `__proto__` as a plain name. Throws `FileRefusedError` with line and column. */
export function parseJson(file: string, text: string): JsonDocument {
	refuseDepth(file, text);
	let tree: Node | undefined;
	const root = () => (tree ??= treeOf(file, text));
	if (text.includes('__proto__')) return { file, text, value: valueOf(root()), root };
	try {
		return { file, text, value: JSON.parse(text.replace(/^\uFEFF/, '')), root };
	} catch (error) {
		// the tree says where; what only the language refuses is told in its own words
		root();
		const at = Number(/position (\d+)/.exec((error as Error).message)?.[1] ?? 0);
		throw new FileRefusedError(file, [{ ...placeOf(text, at), message: `not JSON: ${NOT_HERE}` }]);
	}
}

function valueOf(node: Node): unknown {
	switch (node.type) {
		case 'array':
			return (node.children ?? []).map(valueOf);
		case 'object': {
			// defineProperty, so that a key named __proto__ stays a plain key
			const value: Record<string, unknown> = {};
			for (const { children } of node.children ?? [])
				if (children?.[0] && children[1])
					Object.defineProperty(value, children[0].value as string, {
						value: valueOf(children[1]),
						enumerable: true,
						configurable: true,
						writable: true
					});
			return value;
		}
		default:
			return node.value;
	}
}

/** A problem at the path, or at the nearest value around it that is there. */
export function problemAt({ text, root: tree }: JsonDocument, path: readonly PropertyKey[], message: string): FileProblem {
	const root = tree();
	let known = [...path] as (string | number)[];
	let node = findNodeAtLocation(root, known);
	while (!node && known.length > 0) node = findNodeAtLocation(root, (known = known.slice(0, -1)));
	const pointer = path.map((step) => '/' + String(step).replaceAll('~', '~0').replaceAll('/', '~1')).join('');
	return { ...placeOf(text, node?.offset ?? 0), pointer, message };
}

/** The parsed document as the schema's value. Throws `FileRefusedError` with line, column and JSON Pointer (RFC 6901). */
export function checkedJson<T>(document: JsonDocument, schema: z.ZodType<T>): T {
	const parsed = schema.safeParse(document.value);
	if (parsed.success) return parsed.data;
	throw new FileRefusedError(
		document.file,
		parsed.error.issues.map((issue) => problemAt(document, issue.path, issue.message))
	);
}
