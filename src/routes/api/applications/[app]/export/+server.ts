import { z } from 'zod';
import { profileFile, writeProfileFile } from '$core/format/profile-json.ts';
import { writeShortcutsCsv } from '$core/format/shortcuts-csv.ts';
import { checked, Problem } from '$lib/server/problem';
import { route } from '$lib/server/route';

const Query = z.object({ format: z.enum(['json', 'csv']).default('json'), stratum: z.string().optional() });

/** `?format=json|csv` and, for one stratum alone, `&stratum=office`. */
export const GET = route(async ({ params, url }, { profiles }) => {
	const { format, stratum } = checked(Query, Object.fromEntries(url.searchParams));
	const { application, profile, catalogue } = await profiles.load(params.app!);
	const strata = stratum === undefined ? profile : profile.filter((s) => s.id === stratum);
	if (strata.length === 0)
		throw new Problem(404, 'not-found', `There is no stratum "${stratum}"; there are ${profile.map((s) => s.id).join(', ')}.`);
	const name = `${application.id}-${stratum ?? 'profile'}.${format}`;
	const body = format === 'json' ? writeProfileFile(profileFile(application, strata)) : writeShortcutsCsv(strata, catalogue);
	const type = format === 'json' ? 'application/json' : 'text/csv; header=present';
	return new Response(body, {
		headers: { 'content-type': `${type}; charset=utf-8`, 'content-disposition': `attachment; filename="${name}"` }
	});
});
