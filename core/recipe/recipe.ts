import { z } from 'zod';
import { Scope } from '../context/scope.ts';
import { Field, Holds, NEEDED } from './field.ts';
import { parseTemplate, TemplateError } from './template.ts';

const Sign = z.string().min(1).max(4);

const Template = z
	.string()
	.min(1)
	.max(400)
	.check((ctx) => {
		try {
			parseTemplate(ctx.value);
		} catch (error) {
			if (!(error instanceof TemplateError)) throw error;
			ctx.issues.push({ code: 'custom', input: ctx.value, message: error.message });
		}
	})
	.meta({
		description:
			'one record as a line: {field} for a field, [ ] around what may be missing, as in {alias} -> {command}[ # {note}]'
	});

/** Lines, each one record; with sections as in an INI file, each headed by its name in brackets. */
export const LineShape = z.strictObject({
	shape: z.literal('line'),
	template: Template,
	comment: Sign.optional().meta({
		description: 'a line that begins with it is a comment; before a record it disables the record'
	}),
	sections: z
		.enum(['none', 'context', 'kept'])
		.default('none')
		.meta({ description: 'context: the name in brackets is the context of the records below; kept: sections are ignored' }),
	gap: z
		.literal('wide')
		.optional()
		.meta({ description: 'fields separated only by spaces are columns: two spaces or a tab end one' }),
	continues: Sign.optional().meta({ description: 'at the end of a line: the record goes on in the next one' })
});

/** Fields between delimiters, quoted as in RFC 4180. */
export const DelimitedShape = z.strictObject({
	shape: z.literal('delimited'),
	delimiter: z.string().length(1),
	quote: z.enum(['"', "'", '']).default('"'),
	header: z.boolean().default(true),
	columns: z
		.array(Field)
		.min(1)
		.max(60)
		.meta({ description: 'the field of each column, from the left; skip for a column that is not used' }),
	comment: Sign.optional()
});

const Pointer = z
	.string()
	.regex(/^(\/[^/]*)*$/, 'a JSON Pointer such as /aliases')
	.max(200);

/** Records in a list, or in an object by their names; `#` stands for that name. */
const treeShape = <S extends 'json' | 'yaml'>(shape: S) =>
	z.strictObject({
		shape: z.literal(shape),
		at: Pointer.default('').meta({
			description: 'where the list or object of records is (RFC 6901); a step of * stands for every member, as in /groups/*/keys'
		}),
		fields: z.partialRecord(Field, z.union([z.literal('#'), Pointer])).meta({
			description:
				'for each field its place within a record; # is the name of the record in its object, or of the only member of a record in a list'
		})
	});

/** Elements of one name; a field is an attribute (`@name`) or the text of the element (`.`). */
export const XmlShape = z.strictObject({
	shape: z.literal('xml'),
	element: z
		.string()
		.regex(/^[\p{L}_][\p{L}\p{N}_.:-]*$/u, 'the name of an element')
		.max(80),
	fields: z.partialRecord(
		Field,
		z.string().regex(/^(\.|@[\p{L}_][\p{L}\p{N}_.:-]*)$/u, 'an attribute such as @name, or . for the text')
	)
});

export const RecordShape = z.discriminatedUnion('shape', [
	LineShape,
	DelimitedShape,
	treeShape('json'),
	treeShape('yaml'),
	XmlShape
]);
export type RecordShape = z.infer<typeof RecordShape>;
export type ShapeName = RecordShape['shape'];
export type ShapeOf<S extends ShapeName> = Extract<RecordShape, { shape: S }>;

/** How a file writes a key stroke. What is not said is as Skarn writes it. */
export const KeySpelling = z.strictObject({
	ctrl: z.string().min(1).max(20).default('Ctrl'),
	alt: z.string().min(1).max(20).default('Alt'),
	shift: z.string().min(1).max(20).default('Shift'),
	meta: z.string().min(1).max(20).default('Meta'),
	order: z
		.array(z.enum(['ctrl', 'alt', 'shift', 'meta']))
		.length(4)
		.default(['ctrl', 'alt', 'shift', 'meta']),
	joint: z.string().min(1).max(3).default('+').meta({ description: 'between modifiers and key' }),
	place: z
		.enum(['before', 'behind'])
		.default('before')
		.meta({ description: 'the position of the modifiers, relative to the key' }),
	then: z.string().min(1).max(6).default(' ').meta({ description: 'between the strokes of a sequence' }),
	letters: z.enum(['upper', 'lower']).default('upper'),
	by: z
		.enum(['character', 'position'])
		.default('character')
		.meta({ description: 'position: a letter or character names the key at its place on a US keyboard (W3C UI Events code)' }),
	names: z
		.record(z.string().max(30), z.string().min(1).max(30))
		.default({})
		.meta({ description: 'for keys by their Skarn names, the names in the file' })
});
export type KeySpelling = z.infer<typeof KeySpelling>;

/** A two-way description of a text format: how a line, element or object of a file is one record. */
export const Recipe = z
	.strictObject({
		$schema: z.string().optional(),
		format: z.literal('skarn-recipe'),
		version: z.literal(1),
		name: z.string().min(1).max(80),
		holds: Holds,
		record: RecordShape,
		keys: KeySpelling.optional(),
		contexts: z
			.record(z.string().max(80), Scope)
			.default({})
			.meta({ description: 'the names of contexts in the file, and their scopes' })
	})
	.check((ctx) => {
		const { holds, record } = ctx.value;
		const said = fieldsOf(record);
		for (const needed of NEEDED[holds])
			if (!said.includes(needed))
				ctx.issues.push({
					code: 'custom',
					input: record,
					path: ['record'],
					message: `a recipe for ${holds} must define where the ${needed} is`
				});
	});
export type Recipe = z.infer<typeof Recipe>;

/** The fields that a record of this shape can say. */
export function fieldsOf(record: RecordShape): Field[] {
	switch (record.shape) {
		case 'line':
			return [...parseTemplate(record.template).fields, ...(record.sections === 'context' ? (['context'] as const) : [])];
		case 'delimited':
			return [...record.columns];
		case 'json':
		case 'yaml':
		case 'xml':
			return Object.keys(record.fields) as Field[];
	}
}
