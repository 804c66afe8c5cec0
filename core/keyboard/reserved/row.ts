import { parseStroke, strokeText } from '../../stroke/stroke.ts';

/** A stroke that a platform keeps, in the platform's own modifiers. */
export interface Reserved {
	readonly keys: string;
	/** What the system does with it. */
	readonly does: string;
	/** always: no application ever sees it; default: unless the user has set the system otherwise. */
	readonly taken: 'always' | 'default';
	readonly source: string;
}

/** Reads `keys | what the system does` lines of one source. */
export function reserved(source: string, taken: Reserved['taken'], lines: string): Reserved[] {
	return lines
		.trim()
		.split('\n')
		.map((line) => {
			const [keys, does] = line.split(' | ');
			return { keys: strokeText(parseStroke(keys!)), does: does!, taken, source };
		});
}
