import type { Application, InputRules } from '$core/application/application';
import type { AliasInput } from '$core/application/command-line';
import { readable } from '$core/stroke/stroke';

/** How a program takes keys, as somebody fills it in. */
export interface Rules {
	readonly name: string;
	readonly version: string;
	readonly ambiguity: InputRules['ambiguity'];
	readonly match: InputRules['match'];
	readonly sequences: InputRules['sequences'];
	/** One stroke a line, with what it does. */
	readonly hardwired: string;
	readonly aliases: AliasInput | undefined;
}

export const USUAL_RULES: Rules = {
	name: '',
	version: '1',
	ambiguity: 'narrowest',
	match: 'character',
	sequences: 'at-once',
	hardwired: '',
	aliases: undefined
};

const hardwiredText = (list: InputRules['hardwired']): string =>
	list.map(({ keys, does }) => `${readable(keys)} ${does}`).join('\n');

export const rulesOf = ({ name, version, rules }: Application): Rules => ({
	name,
	version,
	ambiguity: rules.ambiguity,
	match: rules.match,
	sequences: rules.sequences,
	hardwired: hardwiredText(rules.hardwired),
	aliases: rules.aliases
});
