import { z } from 'zod';
import { Application, catalogueOf, CatalogueError, type OpenApplication } from './application.ts';
import { Command } from './command.ts';
import { contextSpace } from '../context/space.ts';
import { DeskSetup } from '../keyboard/desk.ts';
import { checkedJson, parseJson } from '../format/json.ts';
import { FileRefusedError } from '../format/problem.ts';

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

/** The same, but for the lists of the commands, which many say alike; `withLists` looks at those. */
const WithoutLists = ApplicationFile.extend({
	commands: z
		.array(Command.extend({ category: z.unknown(), synonyms: z.unknown(), contexts: z.unknown() }))
		.min(1)
		.max(50_000)
});

/** The value if the schema takes it; equal ones are looked at once, shared and frozen. */
function sharing<T extends object>(schema: z.ZodType<T>): (said: unknown) => T | undefined {
	const known = new Map<string, T>();
	return (said) => {
		const text = JSON.stringify(said);
		const shared = known.get(text);
		if (shared) return shared;
		const { data } = schema.safeParse(said);
		if (data) known.set(text, deepFrozen(data));
		return data;
	};
}

function deepFrozen<T extends object>(value: T): T {
	for (const part of Object.values(value)) if (typeof part === 'object' && part !== null) deepFrozen(part as object);
	return Object.freeze(value);
}

/** The commands with their lists, shared among them; undefined if one of the lists is not sound. */
function withLists(commands: z.infer<typeof WithoutLists>['commands']): Command[] | undefined {
	const { category, synonyms, contexts } = Command.shape;
	const [paths, words, scopes] = [sharing(category), sharing(synonyms), sharing(contexts)];
	for (const command of commands) {
		command.category = paths(command.category);
		command.synonyms = words(command.synonyms);
		command.contexts = scopes(command.contexts);
		if (!command.category || !command.synonyms || !command.contexts) return undefined;
	}
	return commands as Command[];
}

/** What the document says if it is sound; what is refused is not told. Quicker than the schema as a whole. */
function soundApplication(value: unknown): ApplicationFile | undefined {
	const { data } = WithoutLists.safeParse(value);
	const commands = data && withLists(data.commands);
	return commands && { ...data, commands };
}

/** Reads an application file. Throws `FileRefusedError` with line, column and pointer. */
export function readApplicationFile(file: string, text: string): ApplicationFile & OpenApplication {
	const document = parseJson(file, text);
	const read = soundApplication(document.value) ?? checkedJson(document, ApplicationFile);
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
