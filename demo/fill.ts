import { entryKey } from '../core/profile/entry.ts';
import * as gneiss from './gneiss/gneiss.ts';
import { officeEdits, releases, seats } from './gneiss/office.ts';

async function send(server: string, path: string, body: unknown): Promise<void> {
	const response = await fetch(new URL(path, server), {
		method: 'POST',
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify(body)
	});
	if (!response.ok) throw new Error(`${path} answered ${response.status}: ${await response.text()}`);
}

/** Fills an empty office with Altspur Cabins through the same routes that everybody uses. Does nothing if it is there. */
export async function fillDemo(server: string): Promise<void> {
	const known = (await (await fetch(new URL('/api/applications', server))).json()) as { applications: { id: string }[] };
	const { id } = gneiss.application;
	if (known.applications.some((a) => a.id === id)) return;

	await send(server, '/api/applications', {
		application: gneiss.application,
		commands: gneiss.commands,
		strata: gneiss.strata,
		factory: gneiss.factoryEntries
	});
	const ranks = new Map<string, number>();
	for (const [i, { role, stratum, label, lines }] of officeEdits.entries()) {
		const changes = gneiss.entriesOf(lines).map((entry) => {
			const rank = ranks.get(stratum) ?? 0;
			ranks.set(stratum, rank + 1);
			return { stratum, before: null, after: { ...entry, rank } };
		});
		const keys = new Set(changes.map((c) => entryKey(c.after)));
		if (keys.size !== changes.length) throw new Error(`"${label}" says something twice`);
		await send(server, `/api/applications/${id}/edits`, { base: i, role, label, changes });
		for (const release of releases.filter((r) => r.after === i + 1))
			await send(server, `/api/applications/${id}/releases`, { role: 'steward', notes: release.notes, base: i + 1 });
	}
	for (const seat of seats) await send(server, `/api/applications/${id}/seats`, seat);
}
