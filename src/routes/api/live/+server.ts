import { Problem } from '$lib/server/problem';
import { route } from '$lib/server/route';

/** What changes, as it changes: `data: {"application": …, "revision": …}`. */
export const GET = route('read', async (_, { live }, person) => {
	const stream = live.stream(person.id);
	if (!stream) throw new Problem(503, 'busy', 'Too many open pages; this one checks for changes itself.');
	return new Response(stream, {
		headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' }
	});
});
