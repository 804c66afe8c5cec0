import { gneiss } from './gneiss/gneiss.ts';
import { tuff } from './tuff/tuff.ts';
import { varve } from './varve/varve.ts';
import { searchPaths } from './folders.ts';
import { DEMO_PASSPHRASE, seats } from './office.ts';
import type { StandIn } from './stand-in.ts';

/** The applications of Altspur Cabins; the seats follow the first. */
export const standIns: readonly StandIn[] = [gneiss, varve, tuff];

async function send(server: string, path: string, body: unknown, method = 'POST'): Promise<void> {
	const response = await fetch(new URL(path, server), {
		method,
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify(body)
	});
	if (!response.ok) throw new Error(`${path} answered ${response.status}: ${await response.text()}`);
}

/** Fills an empty office with Altspur Cabins through the same routes that everybody uses. Leaves what is there alone. */
export async function fillDemo(server: string): Promise<void> {
	const { isOpen } = (await (await fetch(new URL('/api/session', server))).json()) as { isOpen: boolean };
	// an office with accounts was filled before it was opened
	if (isOpen) return;
	const known = (await (await fetch(new URL('/api/applications', server))).json()) as { applications: { id: string }[] };
	for (const standIn of standIns)
		if (!known.applications.some((a) => a.id === standIn.application.id)) await fill(server, standIn);
	const [{ application }] = standIns as [StandIn];
	if (known.applications.some((a) => a.id === application.id)) return;
	for (const seat of seats) await send(server, `/api/applications/${application.id}/seats`, seat);
	await send(server, `/api/applications/${varve.application.id}/folders`, searchPaths, 'PUT');
	await send(server, '/api/signing', { passphrases: [DEMO_PASSPHRASE] });
}

/** What the factory says, as it stands in a file. */
export const factoryOf = ({
	factoryEntries,
	factoryAliases,
	factoryBars
}: Pick<StandIn, 'factoryEntries' | 'factoryAliases' | 'factoryBars'>) => ({
	shortcuts: factoryEntries.map(({ rank: _, ...entry }) => entry),
	...(factoryAliases && { aliases: factoryAliases }),
	bars: factoryBars.map(({ rank: _, ...entry }) => entry)
});

/** A program as it comes: its commands, its factory level, and empty levels for an office and a person. */
export const standInFile = (standIn: StandIn) => ({
	application: standIn.application,
	commands: standIn.commands,
	strata: standIn.strata.filter(({ kind }) => kind === 'factory' || kind === 'office' || kind === 'personal'),
	factory: factoryOf(standIn)
});

/** Brings one application with its edits and releases. */
export async function fill(server: string, standIn: StandIn): Promise<void> {
	const { application, commands, strata, edits, releases } = standIn;
	await send(server, '/api/applications', { application, commands, strata, factory: factoryOf(standIn) });
	const path = `/api/applications/${application.id}`;
	for (const [i, { changes }] of standIn.history().entries()) {
		const { stratum, label } = edits[i]!;
		await send(server, `${path}/edits`, { base: i, stratum, label, changes });
		for (const release of releases.filter((r) => r.after === i + 1))
			await send(server, `${path}/releases`, { notes: release.notes, base: i + 1 });
	}
}
