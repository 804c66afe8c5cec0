import { parseArgs } from 'node:util';
import { SeatFolder } from './folder.ts';
import { followOnce } from './follow.ts';

// A workstation's stand-in: asks the office every few seconds. Use: seat/main.ts --id C-01 --server URL --folder DIR
const { values } = parseArgs({
	options: {
		id: { type: 'string' },
		server: { type: 'string', default: 'http://127.0.0.1:5180' },
		folder: { type: 'string' },
		every: { type: 'string', default: '2000' }
	}
});
if (!values.id || !values.folder) {
	console.error('A seat needs --id, as in C-01, and --folder, where its application keeps its files.');
	process.exit(2);
}
const folder = new SeatFolder(values.folder);
let last = '';

async function round(): Promise<void> {
	let line: string;
	try {
		const { state, release, message } = await followOnce(values.server, values.id!, folder);
		line = `${values.id}: ${state}, release ${release ?? 'none'}${message && `, ${message}`}`;
	} catch (error) {
		line = `${values.id}: keeps what it has, ${(error as Error).message}`;
	}
	if (line !== last) console.log((last = line));
	setTimeout(round, Number(values.every));
}

await round();
