import type { Command } from '../application/command.ts';
import type { Holds } from '../recipe/field.ts';

const MOST = 8;

/** Plain command ids that say something in a short list: one of each outermost category, as far as there are so many. */
function picked(commands: readonly Command[]): Command[] {
	const byCategory = new Map<string, Command>();
	for (const command of commands) {
		const category = command.category[0] ?? '';
		if (!byCategory.has(category)) byCategory.set(category, command);
	}
	return [...new Set([...byCategory.values(), ...commands])].slice(0, MOST);
}

/** The first letters of the words of a label: "Door leaf" gives "dl". */
const initials = ({ label }: Command): string =>
	label
		.split(/[^\p{L}\p{N}]+/u)
		.map((word) => word[0] ?? '')
		.join('')
		.toLowerCase();

/**
 * A short file that holds something of these commands, written in no shape that Skarn ships: to see what proposals and recipes
 * are about.
 */
export function exampleFile(holds: Holds, commands: readonly Command[]): string {
	const chosen = picked(commands);
	const taken = new Set<string>();
	const lines = chosen.map((command, i) => {
		if (holds === 'shortcuts') return `on <Ctrl+Alt+${'ABCDEFGHIJ'[i]!}> do ${command.id}`;
		if (holds === 'macros') return `macro:example-${i + 1} => cancel; run ${command.id}; accept`;
		if (holds === 'bars') return `${i < 3 ? 'Doors' : 'Posts'} : ${command.id}`;
		let alias = initials(command);
		while (taken.has(alias)) alias += 'x';
		taken.add(alias);
		return `${alias} ~ ${command.id} # ${command.label}`;
	});
	const [last] = lines.splice(-1);
	return [`# An example: ${holds} as some program might write them.`, ...lines, `# ${last!}`, ''].join('\n');
}
