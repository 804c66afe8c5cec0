import { ReleaseNumber } from '$core/release/release.ts';
import { checked } from '$lib/server/problem';
import { route } from '$lib/server/route';

export const GET = route('read', async ({ params }, { releases }) => {
	const { file, sha256 } = await releases.file(params.app!, checked(ReleaseNumber, Number(params.number)));
	return new Response(file, { headers: { 'content-type': 'application/json; charset=utf-8', etag: `"${sha256}"` } });
});
