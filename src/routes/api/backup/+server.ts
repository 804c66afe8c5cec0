import { route } from '$lib/server/route';

/** The whole data folder while the server runs; `npm run backup` asks for it. */
export const GET = route('keep', async (_, { store }) => {
	const dump = await store.dump();
	return new Response(dump.stream(), {
		headers: { 'content-type': 'application/gzip', 'content-disposition': 'attachment; filename="skarn-backup.tar.gz"' }
	});
});
