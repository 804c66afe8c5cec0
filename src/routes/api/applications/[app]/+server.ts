import { z } from 'zod';
import { Application } from '$core/application/application.ts';
import { Command, CommandId } from '$core/application/command.ts';
import { Problem, readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';
import { workspaceDocument } from '$lib/server/workspace-document';

const Changed = z.strictObject({
	application: Application,
	commands: z.array(Command).min(1).max(50_000),
	/** By the id that a command had, the one that it has now. */
	renamed: z.record(z.string(), CommandId).default({})
});

export const GET = route('read', async ({ params, url }, office, person) =>
	workspaceDocument(office, params.app!, person, url.searchParams.get('setup'))
);

/** Changes what the application is: its name, version, rules, contexts and catalogue. */
export const PUT = route('programs', async ({ params, request }, { profiles }) => {
	const { renamed, ...what } = await readBody(request, Changed, 50_000_000);
	await profiles.change(params.app!, what, new Map(Object.entries(renamed) as [CommandId, CommandId][]));
	return { id: params.app };
});

/** Deletes the application with all there is of it, after a back-up: `?word=<its id>`. Without the word it says what would go. */
export const DELETE = route('programs', async ({ params, url }, { profiles, backups }) => {
	const id = params.app!;
	const goes = await profiles.holdings(id);
	if (url.searchParams.get('word') !== id) {
		const named = Object.entries(goes).map(([name, n]) => `${n} ${name}`);
		throw new Problem(409, 'needs-word', `With ${id} go ${named.join(', ')}. Ask again with ?word=${id} to delete it.`, { goes });
	}
	const backup = await backups.beforeDelete();
	await profiles.remove(id);
	return { id, gone: goes, backup };
});
