import { SaxesParser } from 'saxes';
import { FileRefusedError, placeOf } from './problem.ts';

/**
 * A parser that tells elements with their places as it goes; `parse` puts the text through it. Throws `FileRefusedError`. A
 * document type is refused: entities of one's own could stand for other files or for very much text.
 */
export function xmlParser(file: string, text: string): { parser: SaxesParser<{ position: true }>; parse(): void } {
	const parser = new SaxesParser({ position: true });
	parser.on('error', (error) => {
		throw new FileRefusedError(file, [
			{ line: parser.line, column: parser.column + 1, message: `not XML: ${error.message.replace(/^[^:]*:\d+:\d+: /, '')}` }
		]);
	});
	parser.on('doctype', () => {
		throw new FileRefusedError(file, [
			{ ...placeOf(text, text.search(/<!doctype/i)), message: 'a document type is not taken; remove it from the file' }
		]);
	});
	return { parser, parse: () => void parser.write(text.charCodeAt(0) === 0xfeff ? ' ' + text.slice(1) : text).close() };
}
