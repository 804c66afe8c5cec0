/** npm run stand-ins: the programs of the demo without the demo office, in static/stand-ins, for somebody who starts with an empty Skarn. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { standInFile, standIns } from '../demo/fill.ts';

mkdirSync('static/stand-ins', { recursive: true });
for (const standIn of standIns)
	writeFileSync(`static/stand-ins/${standIn.application.id}.json`, `${JSON.stringify(standInFile(standIn))}\n`);
