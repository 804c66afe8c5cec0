import { existsSync, readFileSync, renameSync } from 'node:fs';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { lockFolder } from '../src/lib/server/db/folder-lock.ts';

// npm run restore -- <file>: puts a back-up into the data folder; what was there is moved aside, never deleted.
const [file] = process.argv.slice(2);
const folder = process.env.SKARN_DATA ?? 'data';

try {
	if (!file || !existsSync(file)) throw new Error('Name the back-up: npm run restore -- <file>');
	const lock = await lockFolder(folder);
	const store = join(folder, 'postgres');
	const fresh = `${store}-restoring-${process.pid}`;
	try {
		const loaded = await PGlite.create({ dataDir: fresh, loadDataDir: new Blob([readFileSync(file)]) }).catch((error: Error) => {
			throw new Error(`${file} is not a back-up that can be read: ${error.message}`);
		});
		await loaded.query('select count(*) from applications');
		await loaded.close();
		if (existsSync(store)) {
			const aside = `${store}-before-${new Date().toISOString().replaceAll(/[:.]/g, '-')}`;
			renameSync(store, aside);
			console.log(`The former data was moved to ${aside}.`);
		}
		renameSync(fresh, store);
		console.log(`Restored ${file} into ${folder}.`);
	} finally {
		await lock.release();
	}
} catch (error) {
	console.error((error as Error).message);
	process.exitCode = 1;
}
