// npm test: installs what is missing, then types, lint, unit and browser tests. Ends with one line of totals.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startPostgres } from './postgres.mjs';
import { ensureBuild, ensurePrograms, ensurePackages, root } from './prepare.mjs';

ensurePackages();
ensurePrograms();
ensureBuild();

const totals = { passed: 0, failed: 0 };
/** What has failed, by name: the end of the output is what is kept. */
const failures = [];

/** A check that passes or fails as one. */
function step(name, command, args) {
	console.log(`\n== ${name}`);
	const { status } = spawnSync(command, args, { cwd: root, stdio: 'inherit' });
	totals[status === 0 ? 'passed' : 'failed']++;
	if (status !== 0) failures.push(name);
}

/** A Mocha run; its own totals are added, and a run that did not end counts as a failure. */
function mocha(name, config, env = {}) {
	console.log(`\n== ${name}`);
	const folder = mkdtempSync(join(tmpdir(), 'skarn-test-'));
	const report = join(folder, 'report.json');
	const args = ['mocha', '--config', config, '--reporter', 'scripts/spec-and-json.cjs', '--reporter-option', `output=${report}`];
	const { status } = spawnSync('npx', args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } });
	try {
		const { stats, failures: failed } = JSON.parse(readFileSync(report, 'utf8'));
		for (const { fullTitle, err } of failed) failures.push(`${fullTitle}: ${err.message}`);
		totals.passed += stats.passes;
		totals.failed += Math.max(stats.failures, status === 0 ? 0 : 1);
		if (stats.passes + stats.failures === 0) totals.failed++;
	} catch {
		totals.failed++;
		failures.push(`the ${name} did not end`);
	}
	rmSync(folder, { recursive: true, force: true });
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
console.log(`\n${totals.passed} passed, ${totals.failed} failed`);
process.exitCode = totals.failed > 0 ? 1 : 0;
