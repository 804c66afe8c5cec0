import { z } from 'zod';
import { plainName } from '$core/text/plain-name.ts';
import { checked, readBody } from '$lib/server/problem';
import { Created, route } from '$lib/server/route';

/** One's own tokens: what they are called, when they were used last and until when they are good. */
export const GET = route('read', async (_, { signIns }, person) => ({ tokens: await signIns.tokens(person) }));

/** A secret that a terminal signs in with as oneself; it is shown this once. */
export const POST = route('read', async ({ request }, { signIns }, person) => {
	const Token = z.strictObject({ name: plainName('a token'), days: z.number().int().min(1).max(365).default(90) });
	const { name, days } = await readBody(request, Token, 1_000);
	return new Created(await signIns.token(person, name, days));
});

/** Withdraws one: `?id=…`. */
export const DELETE = route('read', async ({ url }, { signIns }, person) => {
	const { id } = checked(z.object({ id: z.string().max(100) }), Object.fromEntries(url.searchParams));
	await signIns.withdrawToken(person, id);
	return { tokens: await signIns.tokens(person) };
});
