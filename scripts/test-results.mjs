// The result of a Mocha run whose failed files were run once more, each alone.

/** The tests of a list that stand in the file. */
const inFile = (tests, file) => tests.filter((test) => test.file === file);
const described = ({ fullTitle, err }) => `${fullTitle}: ${err?.message ?? 'failed'}`;

/**
 * Counts a run: `first` is Mocha's JSON report with its exit code as `status`, undefined if the run did not end; `again` runs one
 * file alone and returns its report. The second report of a file stands in place of the first, because a failed hook skips tests.
 * A failure that a passing second run takes back is listed as flaky.
 */
export function judged(name, first, again) {
	const result = { passed: 0, failed: 0, failures: [], flaky: [] };
	if (!first) return { ...result, failed: 1, failures: [`the ${name} did not end`] };
	const { passes, failures, status } = first;
	const files = [...new Set(failures.map(({ file }) => file))];
	result.passed = passes.filter(({ file }) => !files.includes(file)).length;
	for (const file of files) {
		const then = file ? again(file) : undefined;
		const failedFirst = inFile(failures, file).map(described);
		if (!then || then.passes.length + then.failures.length === 0) {
			result.passed += inFile(passes, file).length;
			result.failed += failedFirst.length;
			result.failures.push(...failedFirst);
			continue;
		}
		result.passed += then.passes.length;
		result.failed += then.failures.length;
		result.failures.push(...then.failures.map(described));
		if (then.failures.length === 0 && then.status !== 0) {
			result.failed++;
			result.failures.push(`${file} ended with exit code ${then.status}`);
		} else if (then.failures.length === 0) result.flaky.push(...failedFirst);
	}
	if (passes.length + failures.length === 0) {
		result.failed++;
		result.failures.push(`the ${name} ran no test`);
	} else if (status !== 0 && files.length === 0) {
		result.failed++;
		result.failures.push(`the ${name} ended with exit code ${status}`);
	}
	return result;
}
