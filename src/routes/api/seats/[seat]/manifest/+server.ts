import { route } from '$lib/server/route';

export const GET = route(async ({ params }, { seats }) => seats.manifest(params.seat!));
