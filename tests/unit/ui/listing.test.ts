import { expect } from 'chai';
import fc from 'fast-check';
import type { CommandId } from '../../../core/application/command.ts';
import { commandSearch } from '../../../core/search/search.ts';
import { ANYTHING, compareKeys, listing, sharedLabels, type Question } from '../../../src/lib/ui/commands/listing.ts';
import { demoIndex } from '../demo-office.ts';

const index = demoIndex();
const search = commandSearch(index.catalogue);
const shared = sharedLabels(index.catalogue.values());
const [one, two] = [...index.catalogue.keys()] as [CommandId, CommandId];
const marks = { changed: new Set([one]), findings: new Map([[two, []]]) };
const list = (question: Partial<Question>) => listing({ ...ANYTHING, ...question }, search, index, marks, shared);

describe('list of commands', () => {
	it('has every command for no question, with how many each facet would give', () => {
		const { rows, counts } = list({});
		expect(rows).to.have.length(index.catalogue.size);
		expect(counts.all).to.equal(index.catalogue.size);
		expect(counts.keyed + counts.keyless).to.equal(counts.all);
		expect(counts).to.include({ changed: 1, findings: 1 });
		for (const facet of ['keyed', 'keyless', 'changed', 'findings'] as const)
			expect(list({ facet }).rows, facet).to.have.length(counts[facet]);
	});

	it('counts facets for the rest of the question', () => {
		const { rows, counts } = list({ text: 'mirror', facet: 'keyless' });
		expect(rows.length).to.equal(counts.keyless);
		for (const { command } of rows) expect(index.of(command.id)).to.deep.equal([]);
	});

	it('keeps to a category and to where commands exist', () => {
		const category = [...index.catalogue.values()][0]!.category[0]!;
		for (const { command } of list({ category }).rows) expect(command.category[0]).to.equal(category);
		const [axis] = index.space.axes;
		for (const node of axis!.nodes) {
			const within = index.space.bitsOf({ [axis!.id]: [node.id] } as never);
			for (const { command } of list({ context: `${axis!.id}/${node.id}` }).rows) {
				const where = index.space.bitsOfAny(command.contexts);
				expect(where.some((word, i) => (word & within[i]!) !== 0)).to.equal(true);
			}
		}
	});

	it('tells labels apart that several commands have', () => {
		const labels = [...index.catalogue.values()].map((c) => c.label);
		for (const { command, isShared } of list({}).rows)
			expect(isShared, command.label).to.equal(labels.filter((l) => l === command.label).length > 1);
		expect(
			list({}).rows.some((r) => r.isShared),
			'the demo has such'
		).to.equal(true);
	});

	it('sorts by label, and by key with those that have none last', () => {
		const labels = list({ sort: 'label' }).rows.map((r) => r.command.label);
		expect(labels).to.deep.equal([...labels].sort((a, b) => a.localeCompare(b, 'en')));
		const keyed = list({ sort: 'keys' }).rows.map((r) => r.bindings.length > 0);
		expect(keyed.indexOf(false)).to.equal(keyed.filter(Boolean).length);
	});

	it('puts letters before digits, function keys and others, and bare keys before those with modifiers', () => {
		const keys = ['Enter', 'F10', 'F2', 'Ctrl+Shift+A', '7', 'Ctrl+A', 'B', 'A'];
		expect(keys.sort(compareKeys)).to.deep.equal(['A', 'Ctrl+A', 'Ctrl+Shift+A', 'B', '7', 'F2', 'F10', 'Enter']);
	});

	it('compares keys in one order, whichever comes first', () => {
		const keys = fc.constantFrom('A', 'Ctrl+A', 'G F', 'F2', 'F10', '7', 'Enter', 'Ctrl+Shift+A', '+', 'Ctrl++');
		fc.assert(
			fc.property(keys, keys, keys, (a, b, c) => {
				// 0 - x is no -0, which the assertion would tell apart
				expect(Math.sign(compareKeys(a, b))).to.equal(0 - Math.sign(compareKeys(b, a)));
				if (compareKeys(a, b) <= 0 && compareKeys(b, c) <= 0) expect(compareKeys(a, c)).to.be.at.most(0);
			})
		);
	});
});
