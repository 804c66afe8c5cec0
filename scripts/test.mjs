// npm test: installs what is missing, then types, lint, unit and browser tests. Ends with one line of totals.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { startPostgres } from './postgres.mjs';
import { ensureBuild, ensurePrograms, ensurePackages, root } from './prepare.mjs';
import { judged } from './test-results.mjs';

ensurePackages();
ensurePrograms();
ensureBuild();

const started = Date.now();
const totals = { passed: 0, failed: 0 };
/** Failures by name: only the end of the output is kept by who runs this. */
const failures = [];
/** Tests that failed, and passed when their file was run again alone. */
const flaky = [];

const minutes = () => ((Date.now() - started) / 60_000).toFixed(1);

/** A check that passes or fails as one. */
function step(name, command, args) {
	console.log(`\n== ${name} (after ${minutes()} min)`);
	const { status } = spawnSync(command, args, { cwd: root, stdio: 'inherit' });
	totals[status === 0 ? 'passed' : 'failed']++;
	if (status !== 0) failures.push(name);
}

/** Runs Mocha; undefined if it did not end with a report. */
function report(options, env) {
	const folder = mkdtempSync(join(tmpdir(), 'skarn-test-'));
	const output = join(folder, 'report.json');
	const args = ['mocha', ...options, '--reporter', 'scripts/spec-and-json.cjs', '--reporter-option', `output=${output}`];
	const { status } = spawnSync('npx', args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } });
	try {
		return { status, ...JSON.parse(readFileSync(output, 'utf8')) };
	} catch {
		return undefined;
	} finally {
		rmSync(folder, { recursive: true, force: true });
	}
}

/** A Mocha run. The files of tests that failed are run once more, each alone; what passes then is listed as flaky. */
function mocha(name, config, env = {}) {
	console.log(`\n== ${name} (after ${minutes()} min)`);
	const { parallel: _, jobs: __, ...usual } = JSON.parse(readFileSync(join(root, config), 'utf8'));
	const again = (file) => {
		console.log(`\n== ${relative(root, file)} once more, alone`);
		const folder = mkdtempSync(join(tmpdir(), 'skarn-test-'));
		const alone = join(folder, 'mocharc.json');
		writeFileSync(alone, JSON.stringify({ ...usual, spec: [file] }));
		const found = report(['--config', alone], env);
		rmSync(folder, { recursive: true });
		return found;
	};
	const result = judged(name, report(['--config', config], env), again);
	totals.passed += result.passed;
	totals.failed += result.failed;
	failures.push(...result.failures);
	flaky.push(...result.flaky);
}

step('types', 'npm', ['run', '-s', 'check']);
step('lint', 'npm', ['run', '-s', 'lint']);
mocha('unit tests', '.mocharc.unit.json');
try {
	const postgres = await startPostgres();
	mocha('server tests on PostgreSQL', '.mocharc.shared.json', { SKARN_TEST_POSTGRES: postgres.url });
	postgres.stop();
} catch (error) {
	totals.failed++;
	failures.push(`PostgreSQL did not start: ${error.message}`);
}
mocha('browser tests', '.mocharc.browser.json');

for (const failure of failures) console.log(`\nFAILED ${failure}`);
if (flaky.length > 0) console.log(`\nflaky: ${flaky.join('; ')}`);
console.log(`\nAll took ${minutes()} min.`);
console.log(`\n${totals.passed} passed, ${totals.failed} failed`);
process.exitCode = totals.failed > 0 ? 1 : 0;
