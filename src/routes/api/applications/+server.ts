import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { Application } from '$core/application/application.ts';
import { Command } from '$core/application/command.ts';
import { factoryFrom } from '$core/hand-over/profile-file.ts';
import { StratumHead } from '$core/strata/stratum.ts';
import { readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

const Factory = z.record(z.string(), z.unknown()).transform((chapters, ctx) => {
	const { said, refused } = factoryFrom(chapters);
	for (const { path, message } of refused) ctx.addIssue({ code: 'custom', path: [...path], message });
	return said;
});

const NewApplication = z.strictObject({
	application: Application,
	commands: z.array(Command).min(1).max(50_000),
	strata: z.array(StratumHead).min(2).max(20),
	/** What the factory says, chapter by chapter as in a profile file. */
	factory: Factory
});

export const GET = route('read', async (_, { profiles }) => ({ applications: await profiles.list() }));

export const POST = route('programs', async ({ request }, { profiles }, person) => {
	const added = await readBody(request, NewApplication, 50_000_000);
	await profiles.add(added, person);
	return json({ id: added.application.id }, { status: 201 });
});
