// The embedded database in a thread of its own: what it reads, writes and packs holds nobody else up. It takes one request after the other.
import { fsyncSync } from 'node:fs';
import { parentPort, workerData } from 'node:worker_threads';
import { PGlite } from '@electric-sql/pglite';
import { NodeFS } from '@electric-sql/pglite/nodefs';

/** PGlite's file layer has no way to bring a file to the disk; this one has. */
class DurableFS extends NodeFS {
	async init(pg, options) {
		const { emscriptenOpts } = await super.init(pg, options);
		const sync = (module) => {
			module.NODEFS.stream_ops.fsync = (stream) => {
				fsyncSync(stream.nfd);
				return 0;
			};
		};
		return { emscriptenOpts: { ...emscriptenOpts, preRun: [...[emscriptenOpts.preRun ?? []].flat(), sync] } };
	}
}

/** Without -F, which would leave it to the system when what was committed reaches the disk. */
const startParams = () => [
	...PGlite.defaultStartParams.filter((param) => param !== '-F'),
	'-c',
	'wal_sync_method=fsync',
	// its pages lie in the system's cache as well; the usual 128 MB would be a third of what the server has
	'-c',
	'shared_buffers=16MB'
];

/** An error as it crosses to the other thread, with what PostgreSQL says of it; what else hangs on it, as functions, cannot cross. */
const told = (error) => ({
	...Object.fromEntries(
		Object.entries(error ?? {}).filter(([, value]) => ['string', 'number', 'boolean'].includes(typeof value))
	),
	message: error?.message ?? String(error),
	name: error?.name ?? 'Error'
});
const asTheyAre = (value) => value;

/** @type {PGlite} */
let database;
const does = {
	open: async ({ folder, archive }) => {
		database = await PGlite.create({
			fs: new DurableFS(folder),
			startParams: startParams(),
			...(archive && { loadDataDir: new Blob([archive]) })
		});
	},
	query: async ({ text, params, rowMode, plain }) =>
		database.query(text, params, { rowMode, parsers: Object.fromEntries(plain.map((type) => [type, asTheyAre])) }),
	exec: async ({ text }) => database.exec(text),
	dump: async () => (await database.dumpDataDir('gzip')).arrayBuffer(),
	close: async () => database.close()
};

parentPort.on('message', async ({ id, what, ...asked }) => {
	try {
		const value = await does[what](asked);
		parentPort.postMessage({ id, value });
	} catch (error) {
		parentPort.postMessage({ id, error: told(error) });
	}
});
// an archive that is broken is told of outside of any promise
process.on('uncaughtException', (error) => parentPort.postMessage({ broken: told(error) }));
await does.open(workerData).then(
	() => parentPort.postMessage({ id: 0 }),
	(error) => parentPort.postMessage({ id: 0, error: told(error) })
);
