import { z } from 'zod';
import { ReleaseNumber } from '$core/release/release.ts';
import { readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

export const PUT = route(async ({ params, request }, { releases }) => {
	const { release } = await readBody(request, z.strictObject({ release: ReleaseNumber }));
	await releases.setChannel(params.app!, release);
	return releases.list(params.app!);
});
