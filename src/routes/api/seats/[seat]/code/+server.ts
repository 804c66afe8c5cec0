import { Created, route } from '$lib/server/route';

/** A code by which a workstation becomes the seat; it is shown this once, and a former one is good no more. */
export const POST = route('seats', async ({ params }, { enrolments }) => new Created(await enrolments.code(params.seat!)));
