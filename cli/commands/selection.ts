import { parseScope } from '../../core/context/scope.ts';
import { SECTIONS, Section, type Selection } from '../../core/hand-over/selection.ts';
import { BadInputError, reading } from '../problem.ts';
import type { SubjectOptions } from './subject.ts';

export interface SelectionOptions extends SubjectOptions {
	readonly sections: string;
	readonly in?: string;
	readonly category?: string[];
	readonly bar?: string[];
}

/** Throws `BadInputError` for a part or a scope that there is not. */
export function selectionOf({ sections, in: where = '', category = [], bar = [] }: SelectionOptions): Selection {
	const names = sections.split(',').map((name) => name.trim());
	const unknown = names.find((name) => !Section.safeParse(name).success);
	if (unknown !== undefined)
		throw new BadInputError(`"${unknown}" is not a part of a profile; there are ${SECTIONS.join(', ')}.`);
	return { sections: names, contexts: reading(() => parseScope(where)), categories: category, bars: bar };
}
