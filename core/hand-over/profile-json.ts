import { z } from 'zod';
import { AliasFile } from '../chapters/aliases/file.ts';
import { ApplicationId } from '../application/application.ts';
import { CommandId } from '../application/command.ts';
import { SearchPaths } from '../folders/search.ts';
import { MacroEntry } from '../chapters/macros/macro.ts';
import { AxisId, NodeId } from '../context/axis.ts';
import type { Scope } from '../context/scope.ts';
import { Acceptance, EntryOp } from '../chapters/shortcuts/entry.ts';
import { StratumHead, inOrder, type Profile, type StratumId, type StratumKind } from '../profile/stratum.ts';
import { parseKeys, type Keys } from '../stroke/stroke.ts';
import { canonical } from '../format/canonical.ts';
import { elementLines } from '../format/json-lines.ts';
import { checkedJson, parseJson, problemAt } from '../format/json.ts';
import type { FileProblem } from '../format/problem.ts';
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

const FileAcceptance = z.strictObject({
	...Acceptance.shape,
	command: CommandId,
	keys: z.string().max(200).meta({ description: 'the input that shows the finding; empty for one about a command alone' }),
	scope: FileEntry.shape.scope
});

/** The open format of a profile, or of some of its strata; docs/format.md describes it, docs/schema has its JSON Schema. */
export const ProfileFile = z.strictObject({
	$schema: z.string().optional(),
	format: z.literal('skarn-profile'),
	version: z.literal(1),
	application: z.strictObject({ id: ApplicationId, version: z.string().max(40) }),
	strata: z
		.array(
			z.strictObject({
				...StratumHead.shape,
				entries: z.array(FileEntry).max(100_000),
				acceptances: z
					.array(FileAcceptance)
					.max(100_000)
					.optional()
					.meta({ description: 'findings that may stand, with who let them stand and why' }),
				aliases: AliasFile.optional().meta({ description: 'the alias file, byte for byte, with the recipe that reads it' }),
				macros: z
					.array(MacroEntry)
					.max(5_000)
					.optional()
					.meta({ description: 'commands that the office or the user made of steps' })
			})
		)
		.min(1)
		.max(20),
	folders: SearchPaths.optional().meta({ description: 'where the seats search for their files; of these machines only' })
});
export type ProfileFile = z.infer<typeof ProfileFile>;

/**
 * The strata as a document, entries in their order. Reading it back and importing it changes nothing; the same content gives the
 * same document, in whatever order the members of its parts were made.
 */
export function profileFile(
	application: { id: ApplicationId; version: string },
	strata: Profile,
	folders?: SearchPaths | null
): ProfileFile {
	return {
		format: 'skarn-profile',
		version: 1,
		application: { id: application.id, version: application.version },
		strata: strata.map((stratum) => ({
			id: stratum.id,
			kind: stratum.kind,
			name: stratum.name,
			entries: inOrder(stratum).flatMap(({ op, command, keys, scope }) =>
				op === 'accept' ? [] : [{ op, command, keys, scope: canonical(scope) }]
			),
			...acceptancesOf(stratum),
			...(stratum.aliases && { aliases: canonical(stratum.aliases) }),
			...(stratum.macros && stratum.macros.size > 0 && { macros: [...stratum.macros.values()].map(canonical) })
		})),
		...(folders && { folders: canonical(folders) })
	};
}

function acceptancesOf(stratum: Profile[number]) {
	const acceptances = inOrder(stratum).flatMap(({ acceptance, command, keys, scope }) =>
		acceptance ? [canonical({ ...acceptance, command, keys, scope })] : []
	);
	return acceptances.length > 0 ? { acceptances } : {};
}

/** One entry a line, so that people can compare two files line by line. Ends with a line feed. */
export function writeProfileFile(file: ProfileFile): string {
	const { strata, folders, ...head } = file;
	const lines = JSON.stringify({ ...head, ...(folders && { folders }) }, null, 2).slice(0, -2);
	const body = strata.map(({ entries, acceptances, macros, ...stratumHead }) => {
		const open = JSON.stringify(stratumHead).slice(0, -1);
		const listed = (rows: readonly unknown[]) =>
			`[${rows.map((row) => `\n      ${JSON.stringify(row)}`).join(',')}${rows.length > 0 ? '\n    ' : ''}]`;
		return `    ${open},"entries":${listed(entries)}${acceptances ? `,"acceptances":${listed(acceptances)}` : ''}${macros ? `,"macros":${listed(macros)}` : ''}}`;
	});
	return `${lines},\n  "strata": [\n${body.join(',\n')}\n  ]\n}\n`;
}

/**
 * Reads one entry after the other. A file says the same commands, keys and scopes many thousand times: each is looked at once,
 * and the whole entry only where a part is not sound.
 */
function entryReader(): (
	value: unknown,
	line: number,
	stratum: StratumId
) => ShortcutRow | { readonly path: readonly PropertyKey[]; readonly message: string } {
	const { command: commandSchema, keys: keysSchema, scope: scopeSchema } = FileEntry.shape;
	const commands = new Map<unknown, CommandId>();
	const spelled = new Map<unknown, Keys>();
	const scopes = new Map<string, Scope>();
	const soundCommand = (command: unknown): CommandId | undefined => {
		const { data } = commandSchema.safeParse(command);
		if (data !== undefined) commands.set(command, data);
		return data;
	};
	/** Throws what `parseKeys` throws. */
	const soundKeys = (keys: unknown): Keys | undefined => {
		const { data } = keysSchema.safeParse(keys);
		const said = data === undefined ? undefined : parseKeys(data);
		if (said !== undefined) spelled.set(keys, said);
		return said;
	};
	const soundScope = (scope: unknown, text: string): Scope | undefined => {
		const { data } = scopeSchema.safeParse(scope);
		if (data !== undefined) scopes.set(text, Object.freeze(data));
		return data;
	};
	const sound = (value: unknown, line: number, stratum: StratumId): ShortcutRow | undefined => {
		if (typeof value !== 'object' || value === null || Object.keys(value).length !== 4) return undefined;
		const { op, command, keys, scope } = value as Record<string, unknown>;
		if ((op !== 'set' && op !== 'remove' && op !== 'lock') || scope === undefined) return undefined;
		const named = commands.get(command) ?? soundCommand(command);
		const said = spelled.get(keys) ?? soundKeys(keys);
		const text = JSON.stringify(scope);
		const where = scopes.get(text) ?? soundScope(scope, text);
		if (named === undefined || said === undefined || where === undefined) return undefined;
		return { line, op, shortcut: { command: named, keys: said, scope: where }, stratum };
	};
	return (value, line, stratum) => {
		try {
			const row = sound(value, line, stratum);
			if (row) return row;
			const parsed = FileEntry.safeParse(value);
			if (!parsed.success) return parsed.error.issues[0]!;
			const { op, command, keys, scope } = parsed.data;
			return { line, op, shortcut: { command, keys: parseKeys(keys), scope: Object.freeze(scope) }, stratum };
		} catch (error) {
			return { path: ['keys'], message: (error as Error).message };
		}
	};
}

/**
 * Reads a profile file. A document that is not one throws `FileRefusedError` with line, column and JSON Pointer;
 * a single entry that is not sound is refused in the result and the rest is kept.
 */
export function readProfileFile(
	file: string,
	text: string
): ShortcutFile & {
	application: ProfileFile['application'];
	strata: StratumHead[];
	aliases: { stratum: StratumId; kind: StratumKind; file: AliasFile }[];
	macros: { stratum: StratumId; kind: StratumKind; macros: MacroEntry[] }[];
	folders: SearchPaths | undefined;
} {
	const document = parseJson(file, text);
	const head = checkedJson(
		document,
		ProfileFile.extend({
			strata: z
				.array(
					z.strictObject({
						...StratumHead.shape,
						// each entry is looked at by itself
						entries: z.custom<readonly unknown[]>(Array.isArray, 'Invalid input: expected array'),
						acceptances: z.array(FileAcceptance).max(100_000).default([]),
						aliases: AliasFile.optional(),
						macros: z.array(MacroEntry).max(5_000).default([])
					})
				)
				.min(1)
				.max(20)
		})
	);

	const rows: ShortcutRow[] = [];
	const refused: FileProblem[] = [];
	const lines = elementLines(text, 'strata', 'entries');
	const entryIn = entryReader();
	head.strata.forEach((stratum, s) => {
		const lineAt = lines[s]!;
		const refuse = (e: number, path: readonly PropertyKey[], message: string) =>
			refused.push(problemAt(document, ['strata', s, 'entries', e, ...path], message));
		stratum.entries.forEach((value, e) => {
			const row = entryIn(value, lineAt[e]!, stratum.id);
			if ('message' in row) refuse(e, row.path, row.message);
			else rows.push(row);
		});
		for (const { command, keys, scope, ...acceptance } of stratum.acceptances)
			rows.push({
				line: lineAt.at(-1)!,
				op: 'accept',
				shortcut: { command, keys: keys as Keys, scope },
				stratum: stratum.id as StratumId,
				acceptance
			});
	});
	const aliases = head.strata.flatMap(({ id, kind, aliases: file }) => (file ? [{ stratum: id, kind, file }] : []));
	const macros = head.strata.flatMap(({ id, kind, macros: list }) =>
		list.length > 0 ? [{ stratum: id, kind, macros: list }] : []
	);
	const strata = head.strata.map(({ id, kind, name }): StratumHead => ({ id, kind, name }));
	return { rows, refused, saysAll: true, application: head.application, strata, aliases, macros, folders: head.folders };
}
