import { route } from '$lib/server/route';

export const GET = route('seat', async ({ params }, { seats }) => seats.manifest(params.seat!));
