import { z } from 'zod';
import { CommandId } from '../../application/command.ts';
import { setOrNamed } from '../../strata/change.ts';
import type { Entries } from '../../strata/entry.ts';
import { contentOf } from '../../strata/stratum.ts';
import { MacroIcon } from './icon.ts';

/** One thing that a macro does. Texts are what somebody would type; programs are named, never launched by Skarn. */
export const MacroStep = z.discriminatedUnion('do', [
	z.strictObject({ do: z.literal('cancel') }).meta({ description: 'ends whatever runs' }),
	z.strictObject({ do: z.literal('run'), command: CommandId }),
	z.strictObject({
		do: z.literal('type'),
		text: z
			.string()
			.min(1, 'is empty')
			.max(500)
			.regex(/^[^\r\n]*$/, 'one line; an accept after it does what Enter does')
	}),
	z.strictObject({ do: z.literal('accept') }).meta({ description: 'what Enter does' }),
	z
		.strictObject({ do: z.literal('pick'), what: z.string().max(80).default('') })
		.meta({ description: 'waits until the user has picked something' }),
	z.strictObject({
		do: z.literal('launch'),
		program: z.string().trim().min(1, 'names no program').max(300),
		arguments: z.array(z.string().max(500)).max(40).default([])
	})
]);
export type MacroStep = z.infer<typeof MacroStep>;
export type StepKind = MacroStep['do'];
export const STEP_KINDS = ['cancel', 'run', 'type', 'accept', 'pick', 'launch'] as const satisfies readonly StepKind[];

/** A macro is a command of the profile; its id cannot be mistaken for one of the catalogue. */
export const MacroId = CommandId.refine((id) => /^macro:[a-z0-9][a-z0-9-]{0,59}$/.test(id), {
	message: 'a macro id: "macro:", then lower-case letters, digits and hyphens'
});

/** A user-made command. `inside` says that it is for use while another command runs. */
export const Macro = z.strictObject({
	id: MacroId,
	label: z.string().trim().min(1, 'is empty').max(80),
	description: z.string().max(500).default(''),
	icon: MacroIcon,
	inside: z.boolean().default(false),
	steps: z.array(MacroStep).max(200)
});
export type Macro = z.infer<typeof Macro>;

/** What a stratum says of a macro: it is so, a lower one's is not there, or strata above may not change it. */
export const MacroEntry = setOrNamed(Macro.shape, { id: MacroId });
export type MacroEntry = z.infer<typeof MacroEntry>;
export type SetMacro = MacroEntry & { readonly op: 'set' };

export type MacroEntries = Entries<MacroEntry>;

export const MACROS = 'macros';
const NONE: MacroEntries = new Map();
export const macrosIn = contentOf<MacroEntries>(MACROS, NONE);

/** The macro that an entry sets, without its place in the list. */
export const macroOf = ({ op: _, rank: __, ...macro }: SetMacro): Macro => macro;

export const isMacroId = (id: string): boolean => id.startsWith('macro:');

/** An id made of the label, which none of `taken` has. */
export function macroIdFor(label: string, taken: (id: CommandId) => boolean): CommandId {
	const stem =
		label
			.normalize('NFKD')
			.toLowerCase()
			.replaceAll(/\p{M}/gu, '')
			.replaceAll(/[^a-z0-9]+/g, '-')
			.replaceAll(/^-+|-+$/g, '')
			.slice(0, 50) || 'steps';
	for (let n = 1; ; n++) {
		const id = `macro:${n === 1 ? stem : `${stem}-${n}`}` as CommandId;
		if (!taken(id)) return id;
	}
}
