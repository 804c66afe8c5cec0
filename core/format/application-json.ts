import { z } from 'zod';
import { Application, catalogueOf, CatalogueError } from '../application/application.ts';
import { Command } from '../application/command.ts';
import type { Subject } from '../check/circumstances.ts';
import { contextSpace } from '../context/space.ts';
import { DeskSetup } from '../keyboard/desk.ts';
import { checkedJson, parseJson } from './json.ts';
import { FileRefusedError } from './problem.ts';

/** An application with its catalogue as a file, and what stands on the office's desks; what a check needs besides a profile. */
export const ApplicationFile = z.strictObject({
	$schema: z.string().optional(),
	format: z.literal('skarn-application'),
	version: z.literal(1),
	application: Application,
	commands: z.array(Command).min(1).max(50_000),
	seats: z
		.array(z.strictObject({ id: z.string().min(1).max(40), desk: DeskSetup }))
		.max(10_000)
		.default([])
});
export type ApplicationFile = z.infer<typeof ApplicationFile>;

/**
 * The same schema for one file, in which commands that say the same contexts share them, looked at once and frozen. What is
 * refused is not told in full.
 */
function sharingContexts(): z.ZodType<ApplicationFile> {
	const known = new Map<string, Command['contexts']>();
	const contexts = z.unknown().transform((said, context) => {
		const text = JSON.stringify(said);
		let shared = known.get(text);
		if (!shared) {
			const { data, error } = Command.shape.contexts.safeParse(said);
			if (!data) {
				context.addIssue({ code: 'custom', message: error!.message });
				return z.NEVER;
			}
			data.forEach(Object.freeze);
			known.set(text, (shared = Object.freeze(data) as Command['contexts']));
		}
		return shared;
	});
	return ApplicationFile.extend({ commands: z.array(Command.extend({ contexts })).min(1).max(50_000) });
}

/** Reads an application file. Throws `FileRefusedError` with line, column and pointer. */
export function readApplicationFile(file: string, text: string): ApplicationFile & Subject {
	const document = parseJson(file, text);
	const read = sharingContexts().safeParse(document.value).data ?? checkedJson(document, ApplicationFile);
	const space = contextSpace(read.application.axes, read.application.reachable);
	try {
		return { ...read, space, catalogue: catalogueOf(read.commands, space) };
	} catch (error) {
		if (!(error instanceof CatalogueError)) throw error;
		throw new FileRefusedError(
			file,
			error.problems.map((message) => ({ line: 1, column: 1, pointer: '/commands', message }))
		);
	}
}
