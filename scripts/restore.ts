import { existsSync, readFileSync, renameSync } from 'node:fs';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { lockFolder } from '../src/lib/server/db/folder-lock.ts';

// npm run restore -- <file>: puts a back-up into the data folder; what was there is moved aside, never deleted.
const [file] = process.argv.slice(2);

/** The reader of archives reports a broken one outside of any promise. */
process.on('uncaughtException', (error) => {
	console.error(`${file} is not a back-up that can be read: ${error.message}. The data was left as it is.`);
	process.exit(1);
});
const folder = process.env.SKARN_DATA ?? 'data';

try {
	if (!file || !existsSync(file)) throw new Error('Name the back-up: npm run restore -- <file>');
	const bytes = readFileSync(file);
	if (bytes[0] !== 0x1f || bytes[1] !== 0x8b)
		throw new Error(
			`${file} is not a back-up: expected a gzipped archive that npm run backup wrote. The data was left as it is.`
		);
	const lock = await lockFolder(folder);
	const store = join(folder, 'postgres');
	const fresh = `${store}-restoring-${process.pid}`;
	try {
		const loaded = await PGlite.create({ dataDir: fresh, loadDataDir: new Blob([bytes]) }).catch((error: Error) => {
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
