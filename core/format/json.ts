import { findNodeAtLocation, parseTree, printParseErrorCode, type Node, type ParseError } from 'jsonc-parser';
import type { z } from 'zod';
import { FileRefusedError, placeOf, type FileProblem } from './problem.ts';

/** JSON that breaks off or has a stray sign. Throws `FileRefusedError` with line and column. */
export function parseJson(file: string, text: string): Node {
	const errors: ParseError[] = [];
	const root = parseTree(text.startsWith('\uFEFF') ? ' ' + text.slice(1) : text, errors, {
		disallowComments: true,
		allowEmptyContent: false
	});
	const [error] = errors;
	if (error || !root) {
		const where = placeOf(text, error?.offset ?? 0);
		const message = error
			? `not JSON: ${printParseErrorCode(error.error)
					.replace(/([a-z])([A-Z])/g, '$1 $2')
					.toLowerCase()}`
			: 'the file is empty';
		throw new FileRefusedError(file, [{ ...where, message }]);
	}
	return root;
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

/** The value of the whole document: what the JSON of the language reads, but with `__proto__` as a plain name. */
function valueIn(text: string, root: Node): unknown {
	return text.includes('__proto__') ? valueOf(root) : (JSON.parse(text.replace(/^\uFEFF/, '')) as unknown);
}

/** A problem at the path, or at the nearest value around it that is there. */
export function problemAt(text: string, root: Node, path: readonly PropertyKey[], message: string): FileProblem {
	let known = [...path] as (string | number)[];
	let node = findNodeAtLocation(root, known);
	while (!node && known.length > 0) node = findNodeAtLocation(root, (known = known.slice(0, -1)));
	const pointer = path.map((step) => '/' + String(step).replaceAll('~', '~0').replaceAll('/', '~1')).join('');
	return { ...placeOf(text, node?.offset ?? 0), pointer, message };
}

/** The parsed document as the schema's value. Throws `FileRefusedError` with line, column and JSON Pointer (RFC 6901). */
export function checkedJson<T>(file: string, text: string, root: Node, schema: z.ZodType<T>): T {
	const parsed = schema.safeParse(valueIn(text, root));
	if (parsed.success) return parsed.data;
	throw new FileRefusedError(
		file,
		parsed.error.issues.map((issue) => problemAt(text, root, issue.path, issue.message))
	);
}
