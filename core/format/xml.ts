import { SaxesParser } from 'saxes';
import { FileRefusedError, placeOf } from './problem.ts';

/** What the parser says, and the same in the words of the rest of Skarn; what is quoted of the file stays as $1. */
const REASONS: readonly (readonly [RegExp, string])[] = [
	[/^unclosed tag: (.*)$/, 'the element $1 is not closed before the file ends'],
	[/^unmatched closing tag: (.*?)\.?$/, 'the end of $1 is here, but another element is open'],
	[/^unexpected close tag/, 'an element is closed here while one inside it is still open'],
	[/^unexpected end/, 'the file breaks off'],
	[/^duplicate attribute: (.*?)\.?$/, 'the attribute $1 appears twice in one element'],
	[/attribute without value|value required/, 'an attribute has no value'],
	[/unquoted attribute value|value must be quoted/, 'the value of an attribute needs quotes'],
	[/no whitespace between attributes|whitespace required/, 'a space is missing between two attributes'],
	[/disallowed character in attribute name/, 'this character is not allowed in the name of an attribute'],
	[/disallowed character in (tag name|closing tag)|malformed name/, 'this character is not allowed in the name of an element'],
	[/^disallowed character/, 'this character is not allowed in XML; write &, < and control characters as entities'],
	[/entity/, 'what follows & is not an entity that XML knows; a plain & is written &amp;'],
	[/text data outside of root node/, 'there is text outside the root element'],
	[/only one root/, 'a second root element begins here; only one is allowed'],
	[/must contain a root/, 'there is no element in the file'],
	[/"\]\]>"/, 'the characters ]]> are not allowed in text'],
	[/comment/, 'a comment is incorrect; it must not contain --'],
	[/prefix|namespace/, 'a namespace prefix is not declared, or is declared wrongly'],
	[
		/declaration|version number|encoding value|standalone|name\/value pairs|expected (one of|the name)/,
		'the first line (<?xml … ?>) is incorrect'
	],
	[/processing instruction/, 'a processing instruction (<?) is incorrect'],
	[/doctype/, 'the document type is in the wrong place'],
	[/tag/, 'an element is incorrect']
];

function reasonOf(message: string): string {
	for (const [pattern, words] of REASONS) {
		const match = pattern.exec(message);
		if (match) return words.replace('$1', match[1] ?? '');
	}
	return 'something is not allowed here';
}

/**
 * A parser that tells elements with their places as it goes; `parse` puts the text through it. Throws `FileRefusedError`. A
 * document type is refused: entities of one's own could stand for other files or for very much text.
 */
export function xmlParser(file: string, text: string): { parser: SaxesParser<{ position: true }>; parse(): void } {
	const parser = new SaxesParser({ position: true });
	parser.on('error', (error) => {
		const reason = reasonOf(error.message.replace(/^[^:]*:\d+:\d+: /, '').replace(/^\d+:\d+: /, ''));
		throw new FileRefusedError(file, [{ line: parser.line, column: parser.column + 1, message: `not XML: ${reason}` }]);
	});
	parser.on('doctype', () => {
		throw new FileRefusedError(file, [
			{ ...placeOf(text, text.search(/<!doctype/i)), message: 'a document type is not accepted; remove it from the file' }
		]);
	});
	return { parser, parse: () => void parser.write(text.charCodeAt(0) === 0xfeff ? ' ' + text.slice(1) : text).close() };
}
