import { parseArgs } from 'node:util';
import { runSeat } from './run.ts';

// A workstation's stand-in while developing. Use: seat/main.ts --id C-01 --server URL --folder DIR
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
await runSeat({ id: values.id, folder: values.folder, server: values.server, every: Number(values.every) });
