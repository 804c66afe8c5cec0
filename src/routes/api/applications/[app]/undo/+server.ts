import { Step } from '$lib/server/step';
import { readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

export const POST = route(async ({ params, request }, { profiles }) => {
	const { base, role } = await readBody(request, Step);
	return profiles.step(params.app!, 'undo', base, role);
});
