import { SaxesParser } from 'saxes';
import { FileRefusedError, placeOf } from './problem.ts';

/** What the parser says, and the same in the words of the rest of Skarn; what is quoted of the file stays as $1. */
const REASONS: readonly (readonly [RegExp, string])[] = [
	[/^unclosed tag: (.*)$/, 'the element $1 is not closed before the file ends'],
	[/^unmatched closing tag: (.*?)\.?$/, 'the end of $1 stands here, but the element that is open is another one'],
	[/^unexpected close tag/, 'an element is closed here while one inside it is still open'],
	[/^unexpected end/, 'the file breaks off'],
	[/^duplicate attribute: (.*?)\.?$/, 'the attribute $1 stands twice in one element'],
	[/attribute without value|value required/, 'an attribute has no value'],
	[/unquoted attribute value|value must be quoted/, 'the value of an attribute must stand in quotes'],
	[/no whitespace between attributes|whitespace required/, 'a space is missing between two attributes'],
	[/disallowed character in attribute name/, 'this sign may not stand in the name of an attribute'],
	[/disallowed character in (tag name|closing tag)|malformed name/, 'this sign may not stand in the name of an element'],
	[/^disallowed character/, 'this character may not stand in XML; &, < and control characters are written as entities'],
	[/entity/, 'what follows & is not an entity that XML knows; a plain & is written &amp;'],
	[/text data outside of root node/, 'text stands outside the outermost element'],
	[/only one root/, 'a second outermost element begins here; there may be one'],
	[/must contain a root/, 'there is no element in the file'],
	[/"\]\]>"/, 'the characters ]]> may not stand in text'],
	[/comment/, 'a comment is not written as it must be; -- may not stand in it'],
	[/prefix|namespace/, 'a prefix of a name is not declared, or declared as it may not be'],
	[
		/declaration|version number|encoding value|standalone|name\/value pairs|expected (one of|the name)/,
		'the first line (<?xml … ?>) is not written as it must be'
	],
	[/processing instruction/, 'what begins with <? is not written as it must be'],
	[/doctype/, 'the document type stands in the wrong place'],
	[/tag/, 'an element is not written as it must be']
];

function reasonOf(message: string): string {
	for (const [pattern, words] of REASONS) {
		const match = pattern.exec(message);
		if (match) return words.replace('$1', match[1] ?? '');
	}
	return 'something may not stand here';
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
			{ ...placeOf(text, text.search(/<!doctype/i)), message: 'a document type is not taken; remove it from the file' }
		]);
	});
	return { parser, parse: () => void parser.write(text.charCodeAt(0) === 0xfeff ? ' ' + text.slice(1) : text).close() };
}
