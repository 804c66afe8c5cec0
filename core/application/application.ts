import { z } from 'zod';
import { AliasInput } from './command-line.ts';
import { OptionDefinition } from './option.ts';
import { Axis } from '../context/axis.ts';
import { contextSpace, Reachable, type ContextSpace } from '../context/space.ts';
import { Scope } from '../context/scope.ts';
import { Keys } from '../stroke/stroke.ts';
import { Command, type CommandId } from './command.ts';
import { GIVING_WAYS } from '../surface/ribbon.ts';

/** What stands in the place of an application's id in addresses of Skarn's own. */
const TAKEN_IDS: readonly string[] = ['api', 'catalogue', 'start', 'programs'];

export const ApplicationId = z
	.string()
	.regex(/^[a-z0-9][a-z0-9-]{0,59}$/, 'an application id: lower-case letters, digits and hyphens')
	.refine((id) => !TAKEN_IDS.includes(id), `Skarn has pages of that name; choose another id than ${TAKEN_IDS.join(', ')}`)
	.brand<'ApplicationId'>();
export type ApplicationId = z.infer<typeof ApplicationId>;

/** What an application does with several bindings on one input; core/answer/rules has one file for each. */
export const AmbiguityRule = z.enum(['narrowest', 'first', 'chooser', 'refuse']);
export type AmbiguityRule = z.infer<typeof AmbiguityRule>;

/** A stroke that the application keeps for itself and lets nobody change. */
export const Hardwired = z.strictObject({ keys: Keys, does: z.string().min(1).max(120) });
export type Hardwired = z.infer<typeof Hardwired>;

export const InputRules = z.strictObject({
	ambiguity: AmbiguityRule,
	/** Whether keys are matched by position (W3C `code`) or by the character they type. */
	match: z.enum(['position', 'character']),
	/** Whether a complete stroke fires at once, which masks sequences that begin with it, or waits for more. */
	sequences: z.enum(['at-once', 'wait']),
	/** Where bare keys are text: a stroke that types a character never reaches a shortcut there. */
	typing: z.array(Scope).max(20),
	hardwired: z.array(Hardwired).max(200).default([]),
	/** How its command line takes aliases; without it, there is none. */
	aliases: AliasInput.optional(),
	/** How its bars behave; without it the last group of a ribbon gives way first. */
	bars: z
		.strictObject({ givesWay: z.enum(GIVING_WAYS) })
		.optional()
		.meta({ description: 'which group of a ribbon gives way first when the window is too narrow' }),
	/** How it tells apart what the mouse says. */
	pointer: z
		.strictObject({
			slop: z.number().int().min(1).max(50).default(6).meta({ description: 'maximum movement of a click in px' }),
			hold: z.number().int().min(100).max(3_000).default(450).meta({ description: 'ms after which a press is held' }),
			flickWithin: z.number().int().min(50).max(2_000).optional().meta({
				description:
					'ms within which a move is a flick, after which a drag; without it every move of a button with a rose is a flick'
			})
		})
		.optional(),
	/** The options that it has, with what each may be. */
	options: z
		.array(OptionDefinition)
		.max(5_000)
		.refine((list) => new Set(list.map((o) => o.path)).size === list.length, 'two options have one path')
		.optional()
});
export type InputRules = z.infer<typeof InputRules>;

/** A modelling program as Skarn knows it, without its catalogue. */
export const Application = z
	.strictObject({
		id: ApplicationId,
		name: z.string().min(1).max(80),
		version: z.string().min(1).max(40),
		axes: z.array(Axis).min(1).max(8),
		reachable: Reachable,
		rules: InputRules
	})
	.check((ctx) => {
		const { axes } = ctx.value;
		axes.forEach((axis, i) => {
			const twin = axes.slice(0, i).find((a) => a.id === axis.id || a.label === axis.label);
			if (twin)
				ctx.issues.push({
					code: 'custom',
					input: axis,
					path: ['axes', i],
					message: `two axes are called "${axis.label}" (${twin.id} and ${axis.id}); people could not tell them apart`
				});
		});
		try {
			const space = contextSpace(ctx.value.axes, ctx.value.reachable);
			space.bitsOfAny(ctx.value.rules.typing);
		} catch (error) {
			ctx.issues.push({ code: 'custom', input: ctx.value, path: ['reachable'], message: (error as Error).message });
		}
	});
export type Application = z.infer<typeof Application>;

/** All commands of an application by id, in the order of the catalogue. */
export type Catalogue = ReadonlyMap<CommandId, Command>;

/** An application and its commands do not fit together; `problems` name each command and what was expected. */
export class CatalogueError extends Error {
	override name = 'CatalogueError';
	readonly problems: readonly string[];
	constructor(problems: readonly string[]) {
		super(`the catalogue has ${problems.length} problem(s): ${problems.slice(0, 3).join('; ')}`);
		this.problems = problems;
	}
}

/** Indexes the commands. Throws `CatalogueError` for an id twice, an unknown context or an opposite that is not there. */
export function catalogueOf(commands: readonly Command[], space: ContextSpace): Catalogue {
	const catalogue = new Map<CommandId, Command>();
	const problems: string[] = [];
	for (const command of commands) {
		if (catalogue.has(command.id)) problems.push(`${command.id} is listed twice`);
		catalogue.set(command.id, command);
		try {
			space.bitsOfAny(command.contexts);
		} catch (error) {
			problems.push(`${command.id}: ${(error as Error).message}`);
		}
	}
	for (const { id, opposite } of commands)
		if (opposite !== undefined && !catalogue.has(opposite))
			problems.push(`${id} names the opposite ${opposite}, which is not in the catalogue`);
	if (problems.length > 0) throw new CatalogueError(problems);
	return catalogue;
}

/** An application ready for questions. */
export interface OpenApplication {
	readonly application: Application;
	readonly space: ContextSpace;
	readonly catalogue: Catalogue;
}
