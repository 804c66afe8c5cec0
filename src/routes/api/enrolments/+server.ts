import { Enrolment } from '$core/release/updates.ts';
import { readBody } from '$lib/server/problem';
import { Created, route } from '$lib/server/route';

/** A workstation becomes a seat, with a code that is good once. */
export const POST = route('anybody', async ({ request }, { enrolments }) => {
	const enrolment = await readBody(request, Enrolment, 2_000);
	return new Created(await enrolments.enrol(enrolment));
});
