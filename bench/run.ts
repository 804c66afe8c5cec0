import { barsBench } from './bars.ts';
import { browserBench } from './browser.ts';
import { coreBench } from './core.ts';
import { gesturesBench } from './gestures.ts';
import { impactBench } from './impact.ts';
import { report, type Line } from './report.ts';
import { seatsBench } from './seats.ts';
import { textBench } from './text.ts';

// npm run bench: every figure that the project promises, measured in one run. Builds what is not built, and needs Chromium, unless --core is given;
// --fuzz gives every importer mutated files as well, for two minutes in all or for the seconds that stand behind it.
const has = (option: string) => process.argv.includes(option);
const { ensureBuild } = (await import('../scripts/prepare.mjs' as string)) as { ensureBuild(): void };
if (!has('--core')) ensureBuild();
/** The seconds for mutated files; undefined without. */
function fuzzSeconds(): number | undefined {
	const at = process.argv.indexOf('--fuzz');
	if (at === -1) return undefined;
	const said = process.argv[at + 1];
	if (said === undefined || said.startsWith('--')) return 120;
	const seconds = Number(said);
	if (!(seconds > 0)) throw new Error(`--fuzz ${said}: expected a number of seconds`);
	return seconds;
}

const parts = [
	coreBench,
	barsBench,
	gesturesBench,
	impactBench,
	() => textBench(fuzzSeconds()),
	...(has('--core') ? [] : [seatsBench, browserBench])
];
const lines: Line[] = [];
for (const part of parts)
	try {
		lines.push(...(await part()));
	} catch (error) {
		// the figures of the other parts are printed all the same
		console.error(error);
		process.exitCode = 1;
	}
if (!report(lines)) process.exitCode = 1;
