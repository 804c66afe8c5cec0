import { z } from 'zod';
import { AliasInput } from '$core/application/command-line.ts';
import { readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

/** How the application's command line takes typed names; null for an application without one. */
export const PUT = route('programs', async ({ params, request }, { profiles }) => {
	const { aliases } = await readBody(request, z.strictObject({ aliases: AliasInput.nullable() }));
	return { rules: (await profiles.setAliasInput(params.app!, aliases)).rules };
});
