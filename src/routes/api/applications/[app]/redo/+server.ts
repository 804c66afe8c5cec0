import { Step } from '$lib/server/step';
import { readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

export const POST = route('write', async ({ params, request }, { profiles }, person) => {
	const { base, stratum } = await readBody(request, Step);
	return profiles.step(params.app!, 'redo', base, stratum, person);
});
