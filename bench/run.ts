import { browserBench } from './browser.ts';
import { coreBench } from './core.ts';
import { report } from './report.ts';
import { textBench } from './text.ts';

// npm run bench: every figure that the project promises, measured in one run. Builds what is not built, and needs Chromium, unless --core is given;
// --fuzz gives every importer 100,000 mutated files as well.
const has = (option: string) => process.argv.includes(option);
const { ensureBuild } = (await import('../scripts/prepare.mjs' as string)) as { ensureBuild(): void };
if (!has('--core')) ensureBuild();
const lines = [...coreBench(), ...textBench(has('--fuzz')), ...(has('--core') ? [] : await browserBench())];
if (!report(lines)) process.exitCode = 1;
