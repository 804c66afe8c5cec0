import { route } from '$lib/server/route';

/** Signed metadata (The Update Framework 1.0.34), byte for byte. */
export const GET = route('seat', async ({ params }, { signing }) => {
	const body = await signing.metadata(params.name!);
	const cache = params.name === 'timestamp.json' ? 'no-store' : 'private, max-age=31536000, immutable';
	return new Response(body, { headers: { 'content-type': 'application/json', 'cache-control': cache } });
});
