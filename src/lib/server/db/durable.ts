import { fsyncSync } from 'node:fs';
import { PGlite } from '@electric-sql/pglite';
import { NodeFS } from '@electric-sql/pglite/nodefs';

/** What of the file layer's inside is needed here. */
interface Module {
	NODEFS: { stream_ops: { fsync?: (stream: { nfd: number }) => number } };
}

/** PGlite's file layer has no way to bring a file to the disk; this one has. */
class DurableFS extends NodeFS {
	override async init(...args: Parameters<NodeFS['init']>): ReturnType<NodeFS['init']> {
		const [pg, options] = args;
		const { emscriptenOpts } = await super.init(pg, options);
		const sync = (module: unknown) => {
			(module as Module).NODEFS.stream_ops.fsync = (stream) => {
				fsyncSync(stream.nfd);
				return 0;
			};
		};
		return { emscriptenOpts: { ...emscriptenOpts, preRun: [...[emscriptenOpts.preRun ?? []].flat(), sync] as never } };
	}
}

/** Without -F, which would leave it to the system when what was committed reaches the disk. */
const startParams = (): string[] => [
	...PGlite.defaultStartParams.filter((param) => param !== '-F'),
	'-c',
	'wal_sync_method=fsync',
	// its pages lie in the system's cache as well; the usual 128 MB would be a third of what the server has
	'-c',
	'shared_buffers=16MB'
];

/**
 * The database in the folder, made if it is not there. What it has committed is on the disk, one call of fsync a commit (tested
 * by counting), so that a power cut loses nothing that was acknowledged.
 */
export const openDurable = (folder: string, loadDataDir?: Blob): Promise<PGlite> =>
	PGlite.create({ fs: new DurableFS(folder), startParams: startParams(), ...(loadDataDir && { loadDataDir }) });
