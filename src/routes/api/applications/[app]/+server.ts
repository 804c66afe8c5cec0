import { z } from 'zod';
import { Application } from '$core/application/application.ts';
import { Command, CommandId } from '$core/application/command.ts';
import type { OwnInput } from '$core/application/catalogue-table.ts';
import { headOf, stratumById } from '$core/strata/stratum.ts';
import { Keys } from '$core/stroke/stroke.ts';
import { Problem, readBody } from '$lib/server/problem';
import type { ApplicationChange } from '$lib/server/profile/catalogue';
import { route } from '$lib/server/route';
import { workspaceDocument } from '$lib/server/workspace-document';

const Changed = z.strictObject({
	application: Application,
	commands: z.array(Command).min(1).max(50_000),
	/** By the id that a command had, the one that it has now. */
	renamed: z.record(z.string(), CommandId).default({}),
	/** What the program brings for commands that are new in it. */
	defaults: z
		.array(z.strictObject({ command: CommandId, keys: Keys.optional(), alias: z.string().min(1).max(200).optional() }))
		.max(100_000)
		.default([])
});

export const GET = route('read', async ({ params, url }, office, person) =>
	workspaceDocument(office, params.app!, person, url.searchParams.get('setup'))
);

/**
 * Changes what the application is: its name, version, rules, contexts and catalogue, after a back-up if commands come, go or are
 * renamed. With `?preview` it says what that would mean for each stratum, and writes nothing.
 */
export const PUT = route('programs', async ({ params, request, url }, { profiles, backups }, person) => {
	const { renamed, defaults, ...what } = await readBody(request, Changed, 50_000_000);
	const changed = {
		...what,
		defaults: defaults as OwnInput[],
		renamed: new Map(Object.entries(renamed) as [CommandId, CommandId][])
	};
	const id = params.app!;
	const told = ({ strata, left, after }: ApplicationChange) => ({
		id,
		left,
		strata: strata.map((one) => ({ ...one, ...headOf(stratumById(after, one.stratum)) }))
	});
	if (url.searchParams.has('preview')) return told(await profiles.wouldChange(id, changed, person));
	let backup: string | undefined;
	const before = async ({ movesCommands }: ApplicationChange) => {
		if (movesCommands) backup = await backups.before('catalogue');
	};
	return { ...told(await profiles.change(id, changed, { person, before })), ...(backup && { backup }) };
});

/** Deletes the application with all there is of it, after a back-up: `?word=<its id>`. Without the word it says what would go. */
export const DELETE = route('programs', async ({ params, url }, { profiles, backups }) => {
	const id = params.app!;
	const goes = await profiles.holdings(id);
	if (url.searchParams.get('word') !== id) {
		const named = Object.entries(goes).map(([name, n]) => `${n} ${name}`);
		throw new Problem(409, 'needs-word', `With ${id} go ${named.join(', ')}. Ask again with ?word=${id} to delete it.`, { goes });
	}
	const backup = await backups.before('delete');
	await profiles.remove(id);
	return { id, gone: goes, backup };
});
