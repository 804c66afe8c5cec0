import { expect } from 'chai';
import { Application } from '../../../../core/application/application.ts';

const node = (id: string, parent?: string) => ({ id, label: id.toUpperCase(), ...(parent && { parent }) });
const rules = { ambiguity: 'first', match: 'character', sequences: 'at-once', typing: [] };
const application = (over: object) => ({
	id: 'rough',
	name: 'Rough',
	version: '1',
	axes: [{ id: 'mode', label: 'Mode', nodes: [node('plan'), node('cut')] }],
	reachable: [{}],
	rules,
	...over
});
const problems = (over: object) => {
	const parsed = Application.safeParse(application(over));
	return parsed.success ? [] : parsed.error.issues.map((issue) => `/${issue.path.join('/')}: ${issue.message}`);
};

describe('an application as somebody brings it', () => {
	it('is taken when it is sound, and keeps no stroke for itself unless it says so', () => {
		expect(problems({})).to.deep.equal([]);
		expect(Application.parse(application({})).rules.hardwired).to.deep.equal([]);
	});

	it('is refused for contexts that form a cycle, with the place', () => {
		const nodes = [node('a', 'c'), node('b', 'a'), node('c', 'b')];
		const [first] = problems({ axes: [{ id: 'mode', label: 'Mode', nodes }] });
		expect(first).to.include('/axes/0/nodes/0').and.include('names the parent "c", which is not listed before it');
		expect(problems({ axes: [{ id: 'mode', label: 'Mode', nodes: [node('a', 'a')] }] })[0]).to.include('"a"');
	});

	it('is refused when no situation can be reached', () => {
		expect(problems({ reachable: [] })[0]).to.include('/reachable');
		expect(problems({ reachable: [{ mode: [] }] })[0]).to.include('/reachable/0/mode');
		expect(problems({ reachable: [{ mode: ['roof'] }] })[0]).to.include('axis "mode" has no context "roof"');
		expect(problems({ reachable: [{ pane: ['plan'] }] })[0]).to.include('there is no axis "pane"');
	});

	it('is refused for two axes of the same name', () => {
		const axes = [
			{ id: 'mode', label: 'Mode', nodes: [node('plan')] },
			{ id: 'modus', label: 'Mode', nodes: [node('cut')] }
		];
		expect(problems({ axes })[0]).to.include('/axes/1: two axes are called "Mode" (mode and modus)');
		expect(problems({ axes: [axes[0], axes[0]] })[0]).to.include('two axes');
	});

	it('is refused for a scope of typed text that it does not have', () => {
		expect(problems({ rules: { ...rules, typing: [{ pane: ['x'] }] } })[0]).to.include('there is no axis "pane"');
	});
});
