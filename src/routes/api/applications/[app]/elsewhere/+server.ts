import { route } from '$lib/server/route';

/** The inputs of actions in the office's other applications: what has the same meaning there. */
export const GET = route(async ({ params }, { profiles }) => {
	await profiles.load(params.app!);
	return { actions: await profiles.actionsElsewhere(params.app!) };
});
