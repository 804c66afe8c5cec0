import { browserBench } from './browser.ts';
import { coreBench } from './core.ts';
import { report } from './report.ts';

// npm run bench: every figure that the project promises, measured in one run. Needs a build and Chromium for the second part.
const lines = [...coreBench(), ...(process.argv.includes('--core') ? [] : await browserBench())];
if (!report(lines)) process.exitCode = 1;
