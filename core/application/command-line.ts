import { z } from 'zod';

/** How an application's command line takes typed names. */
export const AliasInput = z.strictObject({
	/** Whether LN and ln are one alias. */
	case: z.enum(['ignored', 'matters']),
	/** The signs that an alias may be made of. */
	signs: z.enum(['letters', 'letters and digits', 'any except spaces']),
	longest: z.number().int().min(1).max(80),
	/** Whether the unique beginning of an alias is enough. */
	completes: z.boolean(),
	/** Which keys accept what was typed. */
	accept: z
		.array(z.enum(['Enter', 'Space']))
		.min(1)
		.max(2),
	/** Which of two lines about one alias in a file holds. */
	twice: z.enum(['first', 'last'])
});
export type AliasInput = z.infer<typeof AliasInput>;

const SIGNS: Readonly<Record<AliasInput['signs'], RegExp>> = {
	letters: /^\p{L}+$/u,
	'letters and digits': /^[\p{L}\p{N}]+$/u,
	'any except spaces': /^\S+$/u
};

/** Why the command line would not take the name, or undefined if it does. */
export function aliasProblem(alias: string, input: AliasInput): string | undefined {
	// a sign takes one code unit or two, so that few aliases need be counted
	const length = alias.length > input.longest ? [...alias].length : 0;
	if (length > input.longest) return `${alias} has ${length} characters; the command line accepts ${input.longest}`;
	if (!SIGNS[input.signs].test(alias))
		return `${alias} has a character that the command line does not accept; it accepts ${input.signs}`;
	return undefined;
}

/** The alias as the command line compares it. */
export const aliasKey = (alias: string, input: AliasInput): string => (input.case === 'ignored' ? alias.toLowerCase() : alias);
