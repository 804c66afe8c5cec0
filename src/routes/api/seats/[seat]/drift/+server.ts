import { Drift, MOST_DRIFT, type DriftBeside } from '$core/release/release.ts';
import { Problem, readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

export const GET = route('survey', async ({ params }, { seats, signing, releases }): Promise<DriftBeside> => {
	const { sha256, text, application, release, own } = await seats.drift(params.seat!);
	if (own === null) return { sha256, text, laid: (await releases.file(application, release!)).file };
	const made = await signing.own(params.seat!);
	if (made?.version !== own)
		throw new Problem(
			409,
			'stale-revision',
			`${params.seat} is about to get a newer file than the edited one. Try again after its next contact.`
		);
	return { sha256, text, laid: made.file };
});

export const PUT = route('seat', async ({ params, request }, { seats }) => {
	await seats.keepDrift(params.seat!, await readBody(request, Drift, 2 * MOST_DRIFT));
	return new Response(null, { status: 204 });
});
