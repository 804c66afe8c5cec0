import { expect } from 'chai';
import { judged } from '../../../scripts/test-results.mjs';

interface Test {
	readonly file: string;
	readonly fullTitle: string;
	readonly err?: { readonly message: string };
}
const passes = (...titles: string[]): Test[] => titles.map((title) => ({ file: title[0]!, fullTitle: title }));
const fails = (...titles: string[]): Test[] =>
	titles.map((title) => ({ file: title[0]!, fullTitle: title, err: { message: 'not so' } }));
const run = (passed: Test[], failed: Test[], status = failed.length > 0 ? 1 : 0) => ({
	status,
	passes: passed,
	failures: failed
});

describe('the totals of a run of tests', () => {
	const never = () => {
		throw new Error('nothing is to be run again');
	};

	it('are what passed, where nothing failed', () => {
		expect(judged('run', run(passes('a 1', 'b 1'), []), never)).to.deep.equal({ passed: 2, failed: 0, failures: [], flaky: [] });
	});

	it('take a failure back that passes alone, and name it', () => {
		const again = (file: string) => run(passes(`${file} 1`, `${file} 2`), []);
		const result = judged('run', run(passes('a 1', 'b 1'), fails('b 2')), again);
		expect(result).to.deep.equal({ passed: 3, failed: 0, failures: [], flaky: ['b 2: not so'] });
	});

	it('count a failure that stays, with the second run in place of the first', () => {
		const again = () => run(passes('b 1'), fails('b 2'));
		const result = judged('run', run(passes('a 1'), fails('b hook')), again);
		expect(result).to.deep.equal({ passed: 2, failed: 1, failures: ['b 2: not so'], flaky: [] });
	});

	it('fail where a run does not end, runs nothing, or ends badly though every test passed', () => {
		expect(judged('run', undefined, never)).to.include({ passed: 0, failed: 1 });
		expect(judged('run', run([], []), never)).to.include({ failed: 1 });
		expect(judged('run', run(passes('a 1'), [], 7), never)).to.include({ passed: 1, failed: 1 });
		const gone = judged('run', run(passes('b 1'), fails('b 2')), () => undefined);
		expect(gone).to.deep.equal({ passed: 1, failed: 1, failures: ['b 2: not so'], flaky: [] });
		const crashed = judged('run', run([], fails('b 1')), () => run(passes('b 1'), [], 7));
		expect([crashed.failed, crashed.flaky]).to.deep.equal([1, []]);
	});
});
