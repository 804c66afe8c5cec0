import { parseDocument, type ErrorCode } from 'yaml';
import { FileRefusedError, placeOf } from './problem.ts';

/** What the parser's codes say, in the words of the rest of Skarn. */
const REASONS: Readonly<Record<ErrorCode, string>> = {
	ALIAS_PROPS: 'a reference (*) may not have a name or a type of its own',
	BAD_ALIAS: 'a reference (*) or an anchor (&) has no name, or one that ends in a colon',
	BAD_COLLECTION_TYPE: 'the type given with ! does not fit its value',
	BAD_DIRECTIVE: 'a line that begins with % is not one that YAML knows',
	BAD_DQ_ESCAPE: 'the character after the backslash is not an escape that double quotes allow',
	BAD_INDENT: 'the line is not indented as those that it belongs to',
	BAD_PROP_ORDER: 'an anchor (&) or a type (!) belongs after the dash of the entry, not before it',
	BAD_SCALAR_START: 'a value cannot begin with this character unless it is quoted',
	BLOCK_AS_IMPLICIT_KEY: 'a second colon in the line; put the value in quotes, or the entry on a line of its own',
	BLOCK_IN_FLOW: 'between brackets, entries are separated by commas and not by lines',
	DUPLICATE_KEY: 'a name appears twice in one map',
	IMPOSSIBLE: 'nothing is allowed here',
	KEY_OVER_1024_CHARS: 'a name is longer than 1024 characters',
	MISSING_CHAR: 'a colon, a comma, a quote or a bracket is missing',
	MULTILINE_IMPLICIT_KEY: 'a name goes on over several lines, or its colon is missing',
	MULTIPLE_ANCHORS: 'an entry has two anchors (&)',
	MULTIPLE_DOCS: 'a second document begins after ---; one is read from a file',
	MULTIPLE_TAGS: 'an entry has two types (!)',
	NON_STRING_KEY: 'a name must be a text',
	RESOURCE_EXHAUSTION: 'it is nested too deeply',
	TAB_AS_INDENT: 'a tab is used where spaces must indent',
	TAG_RESOLVE_FAILED: 'a type given with ! is not known',
	UNEXPECTED_TOKEN: 'this is not allowed here; a bracket, a quote or a line before it is not closed'
};

/** The document with the places of its values, by the YAML 1.2 core schema. Throws `FileRefusedError` with line and column. */
export function yamlDocument(file: string, text: string): ReturnType<typeof parseDocument> {
	const document = parseDocument(text, { prettyErrors: false, uniqueKeys: true, logLevel: 'error' });
	const [error] = document.errors;
	if (error) throw new FileRefusedError(file, [{ ...placeOf(text, error.pos[0]), message: `not YAML: ${REASONS[error.code]}` }]);
	return document;
}
