import { parseDocument } from 'yaml';
import { FileRefusedError, placeOf } from './problem.ts';

/** The document with the places of its values, by the YAML 1.2 core schema. Throws `FileRefusedError` with line and column. */
export function yamlDocument(file: string, text: string): ReturnType<typeof parseDocument> {
	const document = parseDocument(text, { prettyErrors: false, uniqueKeys: true, logLevel: 'silent' });
	const [error] = document.errors;
	if (error) throw new FileRefusedError(file, [{ ...placeOf(text, error.pos[0]), message: `not YAML: ${error.message}` }]);
	return document;
}
