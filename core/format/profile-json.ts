import { findNodeAtLocation, parseTree, printParseErrorCode, type Node, type ParseError } from 'jsonc-parser';
import { z } from 'zod';
import { ApplicationId } from '../application/application.ts';
import { CommandId } from '../application/command.ts';
import { AxisId, NodeId } from '../context/axis.ts';
import { EntryOp } from '../profile/entry.ts';
import { StratumHead, inOrder, type Profile, type StratumId } from '../profile/stratum.ts';
import { parseKeys } from '../stroke/stroke.ts';
import { FileRefusedError, placeOf, type FileProblem } from './problem.ts';
import type { ShortcutFile, ShortcutRow } from './shortcut-row.ts';

const FileEntry = z.strictObject({
	op: EntryOp.meta({
		description: 'set adds, remove takes away what a lower stratum says, lock forbids upper strata to change it'
	}),
	command: CommandId,
	keys: z.string().min(1).max(200).meta({ description: 'one to four strokes joined by spaces, as in "Ctrl+Shift+F" or "G F"' }),
	scope: z
		.record(AxisId, z.array(NodeId).min(1).max(50))
		.default({})
		.meta({ description: 'for some axes, the contexts it is limited to; left out or {} is everywhere' })
});
type FileEntry = z.infer<typeof FileEntry>;

/** The open format of a profile, or of some of its strata; docs/format.md describes it, docs/schema has its JSON Schema. */
export const ProfileFile = z.strictObject({
	$schema: z.string().optional(),
	format: z.literal('skarn-profile'),
	version: z.literal(1),
	application: z.strictObject({ id: ApplicationId, version: z.string().max(40) }),
	strata: z
		.array(z.strictObject({ ...StratumHead.shape, entries: z.array(FileEntry).max(100_000) }))
		.min(1)
		.max(20)
});
export type ProfileFile = z.infer<typeof ProfileFile>;

/** The strata as a document, entries in their order. Reading it back and importing it changes nothing. */
export function profileFile(application: { id: ApplicationId; version: string }, strata: Profile): ProfileFile {
	return {
		format: 'skarn-profile',
		version: 1,
		application: { id: application.id, version: application.version },
		strata: strata.map((stratum) => ({
			id: stratum.id,
			kind: stratum.kind,
			name: stratum.name,
			entries: inOrder(stratum).map(({ op, command, keys, scope }) => ({ op, command, keys, scope }))
		}))
	};
}

/** One entry a line, so that people can compare two files line by line. Ends with a line feed. */
export function writeProfileFile(file: ProfileFile): string {
	const { strata, ...head } = file;
	const lines = JSON.stringify(head, null, 2).slice(0, -2);
	const body = strata.map(({ entries, ...stratumHead }) => {
		const open = JSON.stringify(stratumHead).slice(0, -1);
		const list = entries.map((entry) => `\n      ${JSON.stringify(entry)}`).join(',');
		return `    ${open},"entries":[${list}${list ? '\n    ' : ''}]}`;
	});
	return `${lines},\n  "strata": [\n${body.join(',\n')}\n  ]\n}\n`;
}

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

function problemAt(text: string, root: Node, path: readonly PropertyKey[], message: string): FileProblem {
	let known = [...path] as (string | number)[];
	let node = findNodeAtLocation(root, known);
	while (!node && known.length > 0) node = findNodeAtLocation(root, (known = known.slice(0, -1)));
	const pointer = path.map((step) => '/' + String(step).replaceAll('~', '~0').replaceAll('/', '~1')).join('');
	return { ...placeOf(text, node?.offset ?? 0), pointer, message };
}

/**
 * Reads a profile file. A document that is not one throws `FileRefusedError` with line, column and JSON Pointer;
 * a single entry that is not sound is refused in the result and the rest is kept.
 */
export function readProfileFile(file: string, text: string): ShortcutFile & { application: ProfileFile['application'] } {
	const root = parseJson(file, text);
	const head = ProfileFile.extend({
		strata: z
			.array(z.strictObject({ ...StratumHead.shape, entries: z.array(z.unknown()) }))
			.min(1)
			.max(20)
	}).safeParse(valueOf(root));
	if (!head.success)
		throw new FileRefusedError(
			file,
			head.error.issues.map((issue) => problemAt(text, root, issue.path, issue.message))
		);

	const rows: ShortcutRow[] = [];
	const refused: FileProblem[] = [];
	const lineOf = lineLookup(text);
	const strataNode = findNodeAtLocation(root, ['strata'])!;
	head.data.strata.forEach((stratum, s) => {
		const entriesNode =
			findNodeAtLocation(strataNode.children![s]!, ['entries']) ?? findNodeAtLocation(root, ['strata', s, 'entries'])!;
		entriesNode.children?.forEach((node, e) => {
			const parsed = FileEntry.safeParse(stratum.entries[e]);
			const refuse = (path: readonly PropertyKey[], message: string) =>
				refused.push(problemAt(text, root, ['strata', s, 'entries', e, ...path], message));
			if (!parsed.success) refuse(parsed.error.issues[0]!.path, parsed.error.issues[0]!.message);
			else
				try {
					rows.push({
						line: lineOf(node.offset),
						op: parsed.data.op,
						shortcut: shortcutOf(parsed.data),
						stratum: stratum.id as StratumId
					});
				} catch (error) {
					refuse(['keys'], (error as Error).message);
				}
		});
	});
	return { rows, refused, application: head.data.application };
}

function shortcutOf({ command, keys, scope }: FileEntry) {
	return { command, keys: parseKeys(keys), scope };
}

/** Lines for offsets that only grow, without scanning the text again for each. */
function lineLookup(text: string): (offset: number) => number {
	let at = 0;
	let line = 1;
	return (offset) => {
		for (let next = text.indexOf('\n', at); next !== -1 && next < offset; next = text.indexOf('\n', at)) {
			line++;
			at = next + 1;
		}
		return line;
	};
}
