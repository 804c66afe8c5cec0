import { z } from 'zod';
import { may } from '$core/people/may.ts';
import { readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

const Passphrases = z.array(z.string().max(400)).min(1).max(9);
const Change = z.discriminatedUnion('do', [
	/** Another key for a role that the server signs with. */
	z.strictObject({ do: z.literal('rotate'), role: z.string().max(200), passphrases: Passphrases }),
	/** Other root keys, or root signed for another term. */
	z.strictObject({
		do: z.literal('root'),
		passphrases: Passphrases,
		remove: z.array(z.string().max(64)).max(9).default([]),
		add: z.array(z.string().max(400)).max(9).default([]),
		threshold: z.number().int().min(1).max(9).optional()
	})
]);

/** Which keys sign what, and until when it holds; where the root keys lie is told to those who may use them. */
export const GET = route('read', async (_, { signing }, person) => {
	const state = await signing.state();
	if (!state || may(person, 'release')) return { signing: state };
	return { signing: { ...state, rootKeys: { folder: '', there: [] } } };
});

/** Sets signing up: makes a root key for each passphrase, and the others; `anew` when root is lost, so that every seat enrols again. */
export const POST = route('release', async ({ request }, { signing, seats }) => {
	const SetUp = z.strictObject({
		passphrases: Passphrases,
		threshold: z.number().int().min(1).max(9).default(1),
		anew: z.boolean().default(false)
	});
	const { passphrases, threshold, anew } = await readBody(request, SetUp, 10_000);
	await signing.setUp(passphrases, threshold, { isAnew: anew });
	if (anew) seats.forget();
	return { signing: await signing.state() };
});

export const PUT = route('release', async ({ request }, { signing }) => {
	const change = await readBody(request, Change, 10_000);
	if (change.do === 'rotate') await signing.rotate(change.role, change.passphrases);
	else
		await signing.rotateRoot(change.passphrases, {
			remove: change.remove,
			add: change.add,
			...(change.threshold !== undefined && { threshold: change.threshold })
		});
	return { signing: await signing.state() };
});
