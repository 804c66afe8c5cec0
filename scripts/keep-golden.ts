/*
 * Keeps what Skarn writes today for tests of later versions: `npm run golden -- version-1` makes tests/golden/version-1. Run it
 * once for a version, before its successor comes; what is there is never made anew.
 */
import { existsSync, mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import { officeOf } from '../src/lib/server/office.ts';
import { ACCEPTANCES } from '../core/chapters/acceptances/acceptance.ts';
import { ofShortcuts } from '../core/shortcut/change.ts';
import { tagged } from '../core/profile/edit.ts';
import { SECTIONS } from '../core/hand-over/selection.ts';
import { put } from '../core/answer/choices.ts';
import { accepts } from '../core/check/acceptance.ts';
import { acceptable } from '../core/chapters/shortcuts/check/acceptable.ts';
import type { Keys } from '../core/stroke/stroke.ts';
import { searchPaths } from '../demo/folders.ts';
import { seats } from '../demo/office.ts';
import { fill } from '../demo/fill.ts';
import { varve } from '../demo/varve/varve.ts';
import type { WorkspaceDocument } from '../src/lib/server/workspace-document.ts';
import { serverInside } from '../tests/unit/page/inside.ts';
import { page } from '../tests/unit/page/page.ts';

const name = process.argv[2] ?? '';
const folder = join('tests/golden', name);
if (!/^version-\d+$/.test(name)) throw new Error('name the version, as in version-1');
if (existsSync(folder)) throw new Error(`${folder} is there; what is kept is never made anew`);

const RECIPE = {
	format: 'skarn-recipe',
	version: 1,
	name: 'Short names',
	holds: 'aliases',
	record: { shape: 'line', template: '{alias} -> {command}[ {lock:!}][ # {note}]', comment: '#' }
};

const server = serverInside();
const browser = await page();
const path = `/api/applications/${varve.application.id}`;
const got = async (address: string, method?: string, body?: unknown) => {
	const response = await server.ask(address, method, body);
	if (!response.ok) throw new Error(`${address}: ${await response.text()}`);
	return response.text();
};
try {
	await fill(server.address, varve);
	await got(`${path}/folders`, 'PUT', searchPaths);
	for (const seat of seats.slice(0, 2)) await got(`${path}/seats`, 'POST', seat);
	await got(`${path}/recipes`, 'PUT', RECIPE);

	const at = new browser.Workspace(JSON.parse(await got(path)) as WorkspaceDocument);
	const accepted = [
		...at.findings.open.slice(0, 2).map((finding) => acceptable(at.findings.tell(finding))),
		...['aliases', 'macros'].flatMap((chapter) =>
			at.findings
				.of(chapter)
				.open.slice(0, 1)
				.map((f) => f.acceptable())
		)
	];
	for (const [i, finding] of accepted.entries()) {
		const change = accepts({ profile: at.profile, target: at.targetId }, finding, `stands, reason ${i + 1}`);
		if (!(await at.edits.commit(`Let stand ${i + 1}`, tagged({ id: ACCEPTANCES }, [change])))) throw new Error(at.notice?.text);
	}
	const [binding] = at.index.effective.bindings;
	await at.edits.commit(
		'An edit that is undone for good',
		ofShortcuts(put(at.profile, at.targetId, { command: binding!.command, keys: 'Ctrl+Alt+F9' as Keys, scope: {} }))
	);
	for (const step of ['undo', 'redo', 'undo'] as const) await at.edits[step]();

	const { db } = (await officeOf()).store;
	const { rows } = await db.execute<{ name: string }>(
		sql`select table_name as name from information_schema.tables where table_schema = 'public' order by table_name`
	);
	const tables: Record<string, unknown> = {};
	for (const { name: table } of rows) tables[table] = (await db.execute(sql`select * from ${sql.identifier(table)}`)).rows;
	const { rows: last } = await db.execute<{ at: string }>(sql`select max(created_at) as at from drizzle.__drizzle_migrations`);

	mkdirSync(folder, { recursive: true });
	const keep = (file: string, text: string) => writeFileSync(join(folder, file), text);
	keep('folder.json', JSON.stringify({ migratedUntil: Number(last[0]!.at), tables }));
	keep('document.json', await got(path));
	keep('profile.json', await got(`${path}/export?sections=${SECTIONS.join(',')}`));
	keep('shortcuts.csv', await got(`${path}/export?format=csv`));
	keep('release.json', await got(`${path}/releases/1`));
} finally {
	browser.close();
	await server.close();
}
