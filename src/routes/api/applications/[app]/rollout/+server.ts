import { z } from 'zod';
import { may } from '$core/people/may.ts';
import { Rings } from '$core/release/rings.ts';
import { readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

/**
 * The rings, how far the latest release has come, and what it waits for; for who may survey the office also which setups lack what is
 * required.
 */
export const GET = route('read', async ({ params }, { people, profiles, rollouts, setups }, person) => {
	await profiles.load(params.app!);
	const state = await rollouts.state(params.app!);
	if (!may(person, 'survey')) return { ...state, verdict: state.verdict && { ...state.verdict, troubled: [] }, without: [] };
	return { ...state, without: await setups.without(params.app!, await people.here()) };
});

/** Pauses, goes on or stops. */
export const POST = route('release', async ({ params, request }, { profiles, rollouts }) => {
	await profiles.load(params.app!);
	const { act } = await readBody(request, z.strictObject({ act: z.enum(['pause', 'go on', 'stop', 'confirm']) }), 2_000);
	if (act === 'confirm') await rollouts.confirmUntested(params.app!);
	else await rollouts.steer(params.app!, act);
	return rollouts.state(params.app!);
});

/** Other rings. */
export const PUT = route('release', async ({ params, request }, { profiles, rollouts }) => {
	await profiles.load(params.app!);
	const { rings } = await readBody(request, z.strictObject({ rings: Rings }), 20_000);
	await rollouts.setRings(params.app!, rings);
	return rollouts.state(params.app!);
});
