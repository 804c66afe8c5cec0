import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { AliasFile } from '$core/chapters/aliases/file.ts';
import { Application } from '$core/application/application.ts';
import { Command } from '$core/application/command.ts';
import { Entry } from '$core/chapters/shortcuts/entry.ts';
import { StratumHead } from '$core/profile/stratum.ts';
import { readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

const NewApplication = z.strictObject({
	application: Application,
	commands: z.array(Command).min(1).max(50_000),
	strata: z.array(StratumHead).min(2).max(20),
	factory: z.array(Entry).max(100_000),
	aliases: AliasFile.optional()
});

export const GET = route(async (_, { profiles }) => ({ applications: await profiles.list() }));

export const POST = route(async ({ request }, { profiles }) => {
	const added = await readBody(request, NewApplication, 50_000_000);
	await profiles.add(added);
	return json({ id: added.application.id }, { status: 201 });
});
