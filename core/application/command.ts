import { z } from 'zod';
import { Scope } from '../context/scope.ts';

export const CommandId = z
	.string()
	.min(1, 'is empty')
	.max(120)
	.regex(/^[^\s\p{Cc}]([^\p{Cc}\p{Zl}\p{Zp}]*[^\s\p{Cc}])?$/u, 'a command id: one line, no space at either end')
	.brand<'CommandId'>();
export type CommandId = z.infer<typeof CommandId>;

export const CommandKind = z.enum(['one-shot', 'toggle', 'interactive', 'dialog']);
export type CommandKind = z.infer<typeof CommandKind>;

/** A command as the application's catalogue describes it. */
export const Command = z.strictObject({
	id: CommandId,
	label: z.string().min(1, 'is empty').max(200),
	description: z.string().max(500),
	/** The category path from the outside in, as in Solid, Edges. */
	category: z.array(z.string().min(1).max(80)).min(1).max(6),
	icon: z.string().max(60),
	kind: CommandKind,
	/** Whether it may run inside another command. */
	nested: z.boolean(),
	synonyms: z.array(z.string().min(1).max(80)).max(30),
	/** The scopes where it exists; none means everywhere. */
	contexts: z.array(Scope).max(20),
	opposite: CommandId.optional(),
	/** How often a practised person runs it in a day, as the office counts or estimates it; missing means not known. */
	use: z.number().int().min(0).max(100_000).optional(),
	/** The meaning it shares with commands of other applications. */
	action: z.string().max(80).optional()
});
export type Command = z.infer<typeof Command>;

/** The category path as people read it. */
export function pathText(command: Pick<Command, 'category'>): string {
	return command.category.join(' › ');
}
