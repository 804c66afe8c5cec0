/** Asks as the steward of the demo: alone there is nobody else; in the open demo office one signs in as any desk. */
async function stewardOf(server: string): Promise<Record<string, string>> {
	const session = (await (await fetch(new URL('/api/session', server))).json()) as {
		isOpen: boolean;
		desks?: readonly { readonly id: string; readonly role: string }[];
	};
	if (!session.isOpen) return {};
	const steward = session.desks?.find(({ role }) => role === 'steward');
	if (!steward) throw new Error('This office has accounts, and is not the demo: its steward makes the codes of seats.');
	const answer = await fetch(new URL('/api/session/desk', server), {
		method: 'POST',
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify({ id: steward.id })
	});
	return {
		cookie: answer.headers
			.getSetCookie()
			.map((cookie) => cookie.split(';')[0])
			.join('; ')
	};
}

/** Codes by which workstations become these seats. */
export async function codesFor(
	server: string,
	seats: readonly string[],
	headers?: Record<string, string>
): Promise<Map<string, string>> {
	if (seats.length === 0) return new Map();
	const as = headers ?? (await stewardOf(server));
	const codes = new Map<string, string>();
	for (const seat of seats) {
		const answer = await fetch(new URL(`/api/seats/${seat}/code`, server), { method: 'POST', headers: as });
		if (!answer.ok) throw new Error(`The code of ${seat} was answered ${answer.status}: ${await answer.text()}`);
		codes.set(seat, ((await answer.json()) as { code: string }).code);
	}
	return codes;
}
