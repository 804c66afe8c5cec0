import { DeskSetup } from '$core/keyboard/desk.ts';
import { readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

export const PUT = route('desk', async ({ params, request }, { seats }) => {
	const desk = await readBody(request, DeskSetup);
	await seats.setDesk(params.seat!, desk);
	return { id: params.seat, desk };
});
