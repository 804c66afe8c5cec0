import { existsSync, writeFileSync } from 'node:fs';
import { FolderHeldError } from '../src/lib/server/db/folder-lock.ts';
import { openDatabase } from '../src/lib/server/db/open.ts';

// npm run backup -- <file>: writes the whole data folder to a gzipped tar, also while the server runs.
const [file = `skarn-backup-${new Date().toISOString().slice(0, 10)}.tar.gz`] = process.argv.slice(2);
const folder = process.env.SKARN_DATA ?? 'data';

async function dump(): Promise<Blob> {
	try {
		const store = await openDatabase(folder);
		const blob = await store.dump();
		await store.close();
		return blob;
	} catch (error) {
		if (!(error instanceof FolderHeldError) || !error.holder?.address) throw error;
		const response = await fetch(new URL('/api/backup', error.holder.address));
		if (!response.ok)
			throw new Error(`The running server at ${error.holder.address} answered ${response.status}.`, { cause: error });
		return response.blob();
	}
}

try {
	if (existsSync(file)) throw new Error(`${file} exists already; name another file.`);
	const blob = await dump();
	writeFileSync(file, Buffer.from(await blob.arrayBuffer()), { flag: 'wx' });
	console.log(`Backed up ${folder} to ${file}, ${(blob.size / 1e6).toFixed(1)} MB.`);
} catch (error) {
	console.error((error as Error).message);
	process.exitCode = 1;
}
