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

/** Reads an application file. Throws `FileRefusedError` with line, column and pointer. */
export function readApplicationFile(file: string, text: string): ApplicationFile & Subject {
	const read = checkedJson(parseJson(file, text), ApplicationFile);
	// the text of a scope that cannot change is made once
	for (const { contexts } of read.commands) contexts.forEach(Object.freeze);
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
