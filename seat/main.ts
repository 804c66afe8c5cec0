import { parseArgs } from 'node:util';
import { PATIENCE, type Patience } from './ask.ts';
import { USUAL } from './identity.ts';
import { runSeat } from './run.ts';

// A workstation's stand-in while developing. Use: seat/main.ts --server URL --folder DIR [--code CODE] [--id C-01]
const { values } = parseArgs({
	options: {
		id: { type: 'string' },
		code: { type: 'string' },
		server: { type: 'string', default: 'http://127.0.0.1:5180' },
		folder: { type: 'string' },
		every: { type: 'string', default: '2000' }
	}
});
if (!values.folder) {
	console.error('A seat needs --folder, the folder for the files of its program.');
	process.exit(2);
}
const { id, code, folder, server, every } = values;
try {
	// shorter patience than people would want, to try what a seat does when it ends
	const patience = { ...PATIENCE, ...(JSON.parse(process.env['SKARN_SEAT_PATIENCE'] ?? '{}') as Partial<Patience>) };
	await runSeat({ id, code, folder, server, every: Number(every) }, { ...USUAL, patience });
} catch (error) {
	console.error((error as Error).message);
	process.exit(2);
}
