import { z } from 'zod';
import { CommandId } from '../../application/command.ts';
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
	steps: z.array(MacroStep).max(200),
	locks: z.boolean().default(false).meta({ description: 'strata above may not change it' })
});
export type Macro = z.infer<typeof Macro>;

/** A stratum's word that a macro of a lower one is not there. */
export const GoneMacro = z.strictObject({ id: MacroId, gone: z.literal(true) });
export type GoneMacro = z.infer<typeof GoneMacro>;

export const MacroEntry = z.union([Macro, GoneMacro]);
export type MacroEntry = z.infer<typeof MacroEntry>;

export const isGone = (entry: MacroEntry): entry is GoneMacro => 'gone' in entry;
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
