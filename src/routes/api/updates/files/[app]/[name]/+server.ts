import { route } from '$lib/server/route';

/** A signed file, under its digest. */
export const GET = route('seat', async ({ params }, { signing }) => {
	const body = await signing.file(params.app!, params.name!);
	return new Response(body, {
		headers: { 'content-type': 'application/json', 'cache-control': 'private, max-age=31536000, immutable' }
	});
});
