import { profileFile, writeProfileFile } from '../core/hand-over/profile-file.ts';
import { stratumOfWire } from '../core/profile/wire.ts';
import type { WorkspaceDocument } from '../src/lib/server/workspace-document.ts';
import type { Source } from './files.ts';
import { BadInputError } from './problem.ts';

/** Who asks, where an office has accounts: the token that its People page has made, in SKARN_TOKEN. */
export const asWhom = (): Record<string, string> => {
	const token = process.env['SKARN_TOKEN'];
	return token ? { authorization: `Bearer ${token}` } : {};
};

/** Asks a route of a Skarn server. Throws `BadInputError` with what the server said. */
export async function askServer<T>(server: string, path: string, method = 'GET', body?: unknown): Promise<T> {
	let response: Response;
	try {
		response = await fetch(new URL(path, server), {
			method,
			headers: { ...asWhom(), ...(body !== undefined && { 'content-type': 'application/json' }) },
			...(body !== undefined && { body: JSON.stringify(body) })
		});
	} catch (error) {
		throw new BadInputError(
			`${server} cannot be reached: ${((error as Error).cause as Error | undefined)?.message ?? (error as Error).message}`
		);
	}
	const value = (await response.json().catch(() => ({}))) as Record<string, unknown>;
	if (!response.ok)
		throw new BadInputError(`${server} answered ${response.status}: ${String(value['detail'] ?? value['title'] ?? '')}`);
	return value as T;
}

export const workspaceOn = (server: string, application: string): Promise<WorkspaceDocument> =>
	askServer(server, `/api/applications/${encodeURIComponent(application)}`);

export function applicationJson({
	application,
	commands,
	seats
}: Pick<WorkspaceDocument, 'application' | 'commands' | 'seats'>): string {
	return JSON.stringify({ format: 'skarn-application', version: 1, application, commands, seats }, null, '\t') + '\n';
}

export function profileJson({ application, strata }: Pick<WorkspaceDocument, 'application' | 'strata'>): string {
	return writeProfileFile(profileFile(application, strata.map(stratumOfWire)));
}

/** What a server holds of an application, as the files that the commands work with; they are spoken of by their address. */
export async function filesFrom(
	server: string,
	application: string
): Promise<{ application: Source; profile: Source; released: Source | undefined }> {
	const document = await workspaceOn(server, application);
	const source = (what: string, text: string): Source => ({ name: `${application}, ${what} on ${server}`, text });
	const { released, strata } = document;
	const before = strata.map((s) => (s.kind === 'office' && released ? { ...s, contents: released.contents } : s));
	return {
		application: source('the application', applicationJson(document)),
		profile: source('the profile', profileJson(document)),
		released: released ? source('the last release', profileJson({ ...document, strata: before })) : undefined
	};
}
