import type { CommandKind } from '../core/application/command.ts';
import type { Scopes } from './stand-in.ts';

const kinds: Record<string, CommandKind> = { o: 'one-shot', t: 'toggle', i: 'interactive', d: 'dialog' };

/**
 * Commands of one category, one a line: `id | label | description | kind | icon | synonyms | opposite | action`.
 * Kinds: o one-shot, t toggle, i interactive, d dialog. The description may be followed by nothing at all.
 * `nested` commands may run inside another command.
 */
export const sectionsOf =
	<Name extends string>(scopes: Scopes<Name>) =>
	(category: string, where: NoInfer<Name>[], lines: string, nested = false) =>
		lines
			.trim()
			.split('\n')
			.map((line) => {
				const [id, label, description, kind, icon, synonyms, opposite, action] = line.split('|').map((field) => field.trim());
				if (!id || !label || !description || !kind || !icon) throw new Error(`incomplete command line: ${line}`);
				return {
					id,
					label,
					description,
					category: category.split(' > '),
					icon,
					kind: kinds[kind]!,
					nested,
					synonyms: synonyms ? synonyms.split(',').map((s) => s.trim()) : [],
					contexts: where.some((name) => name === 'any') ? [] : where.map((name) => scopes[name]),
					...(opposite && { opposite }),
					...(action && { action })
				};
			});
