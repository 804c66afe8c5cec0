import { z } from 'zod';
import { AliasInput } from './command-line.ts';
import type { Application } from './application.ts';
import { ApplicationId, type Hardwired } from './application.ts';
import { Command, CommandKind, type CommandId } from './command.ts';
import type { AxisId, NodeId } from '../context/axis.ts';
import type { TableRecord } from '../format/table/tree.ts';
import { looseKeys, parseKeys, type Keys } from '../stroke/stroke.ts';
import { slug } from '../text/slug.ts';
import type { FileProblem } from '../format/problem.ts';

/** What a column of an outside command list can stand for. */
export const MAPPABLE = [
	'id',
	'label',
	'description',
	'category',
	'kind',
	'synonyms',
	'context',
	'opposite',
	'action',
	'use',
	'keys',
	'alias'
] as const;
export type Mappable = (typeof MAPPABLE)[number];

/** Which column holds what, by column index. `id` and `label` are needed; one column may serve both. */
export type ColumnMapping = Partial<Record<Mappable, number>>;

/** What columns are called, in English, German, French, Italian and Spanish. */
const GUESSES: Record<Mappable, RegExp> = {
	id: /^(id|identifier|command id|command|internal name|name id|code|kennung|befehl|befehls-?id|identifiant|commande|identificativo|comando|identificador)$/i,
	label:
		/^(label|title|caption|display name|text|name|bezeichnung|titel|beschriftung|libellé|nom|intitulé|titre|etichetta|nome|titolo|etiqueta|nombre|título)$/i,
	description:
		/^(description|tooltip|hint|help|status text|remarks?|beschreibung|hilfe|hinweis|bemerkung|aide|info-?bulle|descrizione|suggerimento|aiuto|descripción|ayuda)$/i,
	category:
		/^(category|path|menu|group|section|module|kategorie|menü|gruppe|bereich|catégorie|groupe|categoria|gruppo|menù|categoría|grupo|menú)$|(?:^|\.)(?:menu|group|section|module|categor(?:y|ie))s?\.(?:name|label|title)$/i,
	kind: /^(kind|type|art|typ|genre|tipo)$/i,
	synonyms: /^(synonyms?|keywords?|tags|also|synonyme?|stichwörter|mots[- ]clés?|sinonimi|sinónimos|palabras clave)$/i,
	context: /^(contexts?|modes?|where|environment|document|kontext|modus|umgebung|contexte|contesto|modalità|contexto)$/i,
	opposite: /^(opposite|inverse|counterpart|gegenteil|gegenstück|contraire|opposé|contrario|opposto|opuesto)$/i,
	action: /^(action|meaning|aktion|bedeutung|azione|acción|signification)$/i,
	use: /^(use|uses|usage|count|per day|nutzung|häufigkeit|utilisation|fréquence|uso|frequenza|frecuencia)$/i,
	keys: /^(keys?|shortcuts?|strokes?|hot ?keys?|accelerators?|key binding|tasten?|tastenkürzel|tastenkombination|raccourcis?( clavier)?|touches?|scorciatoi[ae]|tasti|atajos?|teclas?)$/i,
	alias:
		/^(alias(es)?|abbreviations?|typed( name)?|short name|kürzel|abkürzung|kurzname|abréviations?|nom court|abbreviazion[ei]|nome breve|abreviaturas?|nombre corto)$/i
};

/** A mapping read off the header's words; people correct it in the form. */
export function guessMapping(header: readonly string[]): ColumnMapping {
	const mapping: ColumnMapping = {};
	for (const field of MAPPABLE) {
		const column = header.findIndex((name) => GUESSES[field].test(name.trim()));
		if (column !== -1) mapping[field] = column;
	}
	mapping.label ??= mapping.id;
	mapping.id ??= mapping.label;
	return mapping;
}

/** What people say about an application whose command list they bring. */
export const ApplicationForm = z.object({
	name: z.string().trim().min(1, 'give the application a name').max(80),
	version: z.string().trim().min(1, 'give its version').max(40),
	ambiguity: z.enum(['narrowest', 'first', 'chooser', 'refuse']),
	match: z.enum(['position', 'character']),
	sequences: z.enum(['at-once', 'wait']),
	/** Where bare keys are text: nowhere, in every situation (a command line listens), or in the modes that are named. */
	typing: z.union([z.enum(['nowhere', 'everywhere']), z.array(z.string()).min(1)]).default('nowhere'),
	/** How a command line takes typed names, if there is one. */
	aliases: AliasInput.optional(),
	/** Strokes that the application keeps, one a line as in `F1 opens the help`. */
	hardwired: z
		.string()
		.max(4000)
		.default('')
		.transform((text, ctx): Hardwired[] =>
			text
				.split('\n')
				.map((line) => line.trim())
				.filter(Boolean)
				.flatMap((line, i) => {
					const [keys = '', ...does] = line.split(/\s+/);
					try {
						return [{ keys: parseKeys(keys), does: does.join(' ') || 'keeps this key' }];
					} catch (error) {
						ctx.addIssue({ code: 'custom', message: `kept keys, line ${i + 1}: ${(error as Error).message}` });
						return [];
					}
				})
		)
});
export type ApplicationForm = z.infer<typeof ApplicationForm>;

/** A shortcut that the program has as it comes, or a name that it takes. */
export interface OwnInput {
	readonly command: CommandId;
	readonly keys?: Keys;
	readonly alias?: string;
}

export interface CatalogueFile {
	/** What the program brings itself: its factory stratum. */
	readonly inputs: readonly OwnInput[];
	readonly application: Application;
	readonly commands: readonly Command[];
	readonly refused: readonly FileProblem[];
}

/** An input as Skarn spells it, or as people write it. */
function keysIn(text: string, own: KeyNames | undefined): Keys | undefined {
	const named = own ? withOwnNames(text, own) : text;
	try {
		return parseKeys(named);
	} catch {
		return looseKeys(named);
	}
}

/** What a list calls keys that Skarn knows by another name, in lower case. */
export type KeyNames = ReadonlyMap<string, string>;

/** The text with own names of keys as Skarn's. */
const withOwnNames = (text: string, own: KeyNames): string =>
	text
		.split(/(\s*\+\s*)/)
		.map((part) => own.get(part.trim().toLowerCase()) ?? part)
		.join('');

/** Reads own names of keys, one a line as `Löschen = Delete`. Throws `RangeError` that names the line. */
export function readKeyNames(text: string): KeyNames {
	const names = new Map<string, string>();
	text.split('\n').forEach((line, i) => {
		if (line.trim() === '') return;
		const [own = '', ours = '', ...more] = line.split('=').map((part) => part.trim());
		const keys = more.length === 0 && own !== '' ? looseKeys(ours) : undefined;
		if (!keys || keys.includes(' ')) throw new RangeError(`line ${i + 1}: expected a name and a key, as in Löschen = Delete`);
		names.set(own.toLowerCase(), keys);
	});
	return names;
}

const list = (text: string) =>
	text
		.split(/[|;,]/)
		.map((part) => part.trim())
		.filter(Boolean);

/**
 * Builds an application from the records of an outside list. The words of the context column become the contexts of one
 * axis, "Mode", next to "Anywhere else"; without that column there is one situation. Rows that cannot be taken are
 * refused with their line; an opposite that is not in the list is dropped and listed.
 */
export function catalogueFromTable(
	records: readonly TableRecord[],
	mapping: ColumnMapping,
	form: ApplicationForm,
	names?: KeyNames
): CatalogueFile {
	const refused: FileProblem[] = [];
	const inputs: OwnInput[] = [];
	const byId = new Map<CommandId, { command: Command; line: number }>();
	const modes = new Map<string, string>();
	const axis = 'mode' as AxisId;
	for (const { line, fields } of records) {
		const field = (name: Mappable) => (mapping[name] === undefined ? '' : (fields[mapping[name]] ?? '').trim());
		const contexts = list(field('context'));
		const kind = CommandKind.safeParse(field('kind').toLowerCase());
		const parsed = Command.safeParse({
			id: field('id'),
			label: field('label').replaceAll(/\s+/g, ' '),
			description: field('description'),
			category: field('category')
				.split(/\s*[>›/\\]\s*/)
				.map((part) => part.trim())
				.filter(Boolean)
				.slice(0, 6)
				.concat(field('category').trim() ? [] : ['All']),
			icon: '',
			kind: kind.success ? kind.data : 'one-shot',
			nested: false,
			synonyms: list(field('synonyms')),
			contexts: contexts.map((mode) => ({ [axis]: [slug(mode)] })),
			...(field('opposite') && { opposite: field('opposite') }),
			...(field('action') && { action: field('action') }),
			...(field('use') && { use: Number(field('use').replaceAll(/[\s'’]/g, '')) })
		});
		if (!parsed.success) {
			const issue = parsed.error.issues[0]!;
			const at = mapping[issue.path[0] as Mappable];
			refused.push({ line, column: (at ?? 0) + 1, message: `${String(issue.path[0])}: ${issue.message}` });
			continue;
		}
		const earlier = byId.get(parsed.data.id);
		if (earlier) {
			refused.push({
				line,
				column: (mapping.id ?? 0) + 1,
				message: `the id ${parsed.data.id} is already on line ${earlier.line}`
			});
			continue;
		}
		for (const mode of contexts) modes.set(slug(mode), mode);
		for (const text of field('keys')
			.split(/\s*[;|\n]\s*/)
			.filter(Boolean)) {
			const keys = keysIn(text, names);
			if (keys) inputs.push({ command: parsed.data.id, keys });
			else
				refused.push({
					line,
					column: (mapping.keys ?? 0) + 1,
					message: `"${text}" is not an input such as Ctrl+E or G F; the command is added without it`
				});
		}
		for (const alias of field('alias')
			.split(/[;|,\s]+/)
			.filter(Boolean))
			inputs.push({ command: parsed.data.id, alias });
		byId.set(parsed.data.id, { command: parsed.data, line });
	}
	const commands = [...byId.values()].map(({ command, line }): Command => {
		if (command.opposite === undefined || byId.has(command.opposite)) return command;
		refused.push({
			line,
			column: (mapping.opposite ?? 0) + 1,
			message: `the opposite ${command.opposite} is not in this list; added without it`
		});
		const { opposite: _, ...rest } = command;
		return rest;
	});
	const elsewhere = { id: 'anywhere-else' as NodeId, label: 'Anywhere else' };
	const nodes = [...modes].map(([id, label]) => ({ id: id as NodeId, label: label.slice(0, 80) }));
	return {
		inputs,
		application: {
			id: ApplicationId.parse(slug(`${form.name}-${form.version}`)),
			name: form.name,
			version: form.version,
			axes: [{ id: axis, label: 'Mode', nodes: [...nodes, elsewhere] }],
			reachable: [{}],
			rules: {
				ambiguity: form.ambiguity,
				match: form.match,
				sequences: form.sequences,
				typing:
					form.typing === 'nowhere'
						? []
						: form.typing === 'everywhere'
							? [{}]
							: [{ [axis]: form.typing.filter((mode) => modes.has(mode)) as NodeId[] }].filter((s) => s[axis]!.length > 0),
				hardwired: form.hardwired,
				...(form.aliases && { aliases: form.aliases })
			}
		},
		commands,
		refused: refused.sort((a, b) => a.line - b.line)
	};
}
