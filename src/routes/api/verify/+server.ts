import { verifyAll } from '$lib/server/office';
import { route } from '$lib/server/route';

/**
 * What in the tables is otherwise than the edits say; an empty list if all is well. With `?progress` it answers line by line (NDJSON) how far
 * it has come, and at last what differs; it ends when nobody listens any more.
 */
export const GET = route('keep', async ({ url }, office) => {
	if (!url.searchParams.has('progress')) return { differing: await verifyAll(office) };
	const ending = new AbortController();
	const encoder = new TextEncoder();
	const body = new ReadableStream<Uint8Array>({
		start(out) {
			const say = (value: unknown) => out.enqueue(encoder.encode(`${JSON.stringify(value)}\n`));
			verifyAll(office, { progress: say, signal: ending.signal })
				.then((differing) => {
					say({ differing });
					out.close();
				})
				.catch((error: unknown) => {
					if (!ending.signal.aborted) out.error(error);
				});
		},
		cancel: () => ending.abort()
	});
	return new Response(body, { headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' } });
});
