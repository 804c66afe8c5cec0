import { expect } from 'chai';
import { withoutPeople } from './without-people.ts';
import { createHash } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { profileFile, readProfileFile, strataOf, writeProfileFile } from '../../../core/hand-over/profile-file.ts';
import { saidIn } from '../../../core/hand-over/selection.ts';
import { wireOf } from '../../../core/profile/wire.ts';
import { openDatabase } from '../../../src/lib/server/db/open.ts';
import { officeOn, verifyAll } from '../../../src/lib/server/office.ts';
import { workspaceDocument, type WorkspaceDocument } from '../../../src/lib/server/workspace-document.ts';
import { folderOf, undoneWhole, type KeptFolder } from './kept-folder.ts';

const GOLDEN = 'tests/golden/version-2';
const text = (file: string) => readFileSync(join(GOLDEN, file), 'utf8');
const document = JSON.parse(text('document.json')) as WorkspaceDocument;
const app = document.application.id;
/** Without the places of entries among each other, which a file does not tell by number. */
const unranked = (strata: readonly object[]) =>
	JSON.parse(JSON.stringify(strata, (name, value: unknown) => (name === 'rank' ? undefined : value))) as unknown;

describe('what version 2 has written', () => {
	let folder: string;
	before(() => (folder = mkdtempSync(join(tmpdir(), 'skarn-golden-'))));
	after(() => rmSync(folder, { recursive: true, force: true }));

	it('a folder is opened, says the same, and can be undone to the factory alone', async () => {
		await folderOf(JSON.parse(text('folder.json')) as KeptFolder, folder);
		const store = await openDatabase(folder);
		try {
			const office = officeOn(store);
			expect(await verifyAll(office)).to.deep.equal([]);
			const now = await workspaceDocument(office, app);
			const { history: _, ...said } = withoutPeople(JSON.parse(JSON.stringify(now)) as WorkspaceDocument);
			const { history: __, ...before } = document;
			expect(said).to.deep.equal(before);
			const profile = await undoneWhole(office, app);
			expect(profile.filter((s) => [...saidIn([s])].length > 0).map((s) => s.kind)).to.deep.equal(['factory']);
		} finally {
			await store.close();
		}
	});

	it('a profile is read whole and written byte for byte as it was', () => {
		const { refused, strata, rows, folders } = readProfileFile('profile.json', text('profile.json'));
		expect(refused).to.deep.equal([]);
		const profile = strataOf(strata, rows);
		expect(unranked(profile.map(wireOf))).to.deep.equal(unranked(document.strata));
		expect(writeProfileFile(profileFile(document.application, profile, folders))).to.equal(text('profile.json'));
	});

	it('a manifest names the release by its length and its digest', () => {
		const manifest = JSON.parse(text('manifest.json')) as { bytes: number; sha256: string };
		const release = readFileSync(join(GOLDEN, 'release.json'));
		expect(manifest.bytes).to.equal(release.length);
		expect(manifest.sha256).to.equal(createHash('sha256').update(release).digest('hex'));
		expect(readProfileFile('release.json', release.toString()).refused).to.deep.equal([]);
	});
});
