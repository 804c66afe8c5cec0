import { saidElsewhere } from '$lib/server/elsewhere';
import { route } from '$lib/server/route';

/** What the office's other applications say: the inputs of actions that mean the same there, and how they are navigated. */
export const GET = route('read', async ({ params }, office, person) => {
	await office.profiles.load(params.app!);
	return saidElsewhere(office, person, params.app!);
});
