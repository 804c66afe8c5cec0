import { expect } from 'chai';
import fc from 'fast-check';
import { gneiss } from '../../../../demo/gneiss/gneiss.ts';
import { tuff } from '../../../../demo/tuff/tuff.ts';
import { varve } from '../../../../demo/varve/varve.ts';
import { ContextsError, contextsText, parseContexts } from '../../../../core/application/contexts-text.ts';
import { contextSpace } from '../../../../core/context/space.ts';
import { slug } from '../../../../core/text/slug.ts';
import { small } from '../../arbitrary.ts';

const situationsOf = ({ axes, reachable }: ReturnType<typeof parseContexts>) =>
	contextSpace([...axes], reachable)
		.situations.map((s) => s.join(' '))
		.sort();

describe('contexts as text', () => {
	it('come back as they were, of the demo and of any small application', () => {
		for (const { application } of [gneiss, varve, tuff]) {
			const read = parseContexts(contextsText(application));
			expect(read.axes).to.deep.equal(application.axes);
			expect(situationsOf(read)).to.deep.equal(situationsOf(application));
		}
		fc.assert(
			fc.property(small(), ({ axes, reachable }) => {
				const read = parseContexts(contextsText({ axes, reachable }));
				expect(situationsOf(read)).to.deep.equal(situationsOf({ axes, reachable }));
			}),
			{ numRuns: 200 }
		);
	});

	const TREE = 'Document\n  Part\n    Sketch\n  Assembly\nSelection\n  Nothing\n  Edge\n';

	it('make trees of what is indented', () => {
		const { axes, reachable } = parseContexts(TREE);
		expect(axes.map((a) => [a.id, a.nodes.map((n) => `${n.parent ?? ''}/${n.id}`)])).to.deep.equal([
			['document', ['/part', 'part/sketch', '/assembly']],
			['selection', ['/nothing', '/edge']]
		]);
		expect(situationsOf({ axes, reachable })).to.have.length(6);
	});

	it('take away what never occurs, with all that lies below, exactly as enumeration finds it', () => {
		expect(situationsOf(parseContexts(`${TREE}never Part + Edge\n`))).to.deep.equal([
			'assembly edge',
			'assembly nothing',
			'part nothing',
			'sketch nothing'
		]);
		const nodes = ['Part', 'Sketch', 'Assembly'];
		fc.assert(
			fc.property(
				fc.array(fc.tuple(fc.constantFrom(...nodes), fc.option(fc.constantFrom('Nothing', 'Edge'))), { maxLength: 4 }),
				(never) => {
					const all = ['part', 'sketch', 'assembly'].flatMap((d) => ['nothing', 'edge'].map((s) => [d, s]));
					const isWithin = (d: string, top: string) => d === top || (d === 'sketch' && top === 'part');
					const left = all.filter(
						([d, s]) => !never.some(([top, sel]) => isWithin(d!, top.toLowerCase()) && (sel === null || s === sel.toLowerCase()))
					);
					const text = TREE + never.map(([d, s]) => `never ${d}${s === null ? '' : ` + ${s}`}\n`).join('');
					if (left.length === 0) expect(() => parseContexts(text)).to.throw(ContextsError, 'nothing can occur');
					else expect(situationsOf(parseContexts(text))).to.deep.equal(left.map((s) => s.join(' ')).sort());
				}
			)
		);
	});

	it('name the axis among whose contexts people switch, with the commands that do it', () => {
		const modes = (line: string) => parseContexts(`${TREE}${line}\n`).axes.map((axis) => axis.modes);
		expect(modes('modes Document')).to.deep.equal([{}, undefined]);
		expect(modes('modes document: Sketch = sketch.open | assembly = mode 2')).to.deep.equal([
			{ sketch: 'sketch.open', assembly: 'mode 2' },
			undefined
		]);
		const { axes, reachable } = parseContexts(`${TREE}modes Selection: edge = pick.edge\n`);
		expect(parseContexts(contextsText({ axes, reachable })).axes).to.deep.equal(axes);
		expect(() => modes('modes Tool')).to.throw(ContextsError, 'line 8: there is no axis "Tool"; there are Document, Selection');
		expect(() => modes('modes Document: Wall = wall.open')).to.throw(
			ContextsError,
			'line 8: "Wall = wall.open" is not a mode with its command; expected a context of Document, = and the id of the command that switches to it'
		);
		expect(() => modes('modes Document: Part')).to.throw(
			ContextsError,
			'line 8: "Part" is not a mode with its command; expected a context of Document, = and the id of the command that switches to it'
		);
	});

	it('say where they cannot be read, and what was expected', () => {
		for (const [text, line, message] of [
			['  Part', 1, 'line 1: a context belongs under an axis, which starts at the beginning of a line'],
			['', 1, 'there is no axis'],
			['Document\nSelection\n  Edge', 1, 'has no context'],
			[`${TREE}only Document: Nowhere`, 8, 'no context of Document'],
			[`${TREE}never Colour: Red`, 8, 'there is no axis'],
			['Document\n  Part\n  Part', 1, 'listed twice'],
			['Document\n  Part\nDocument\n  Other', 3, 'there twice']
		] as const)
			expect(() => parseContexts(text), text)
				.to.throw(ContextsError, message)
				.with.property('line', line);
	});
});

describe('an id made of a name', () => {
	it('keeps what the letters say', () => {
		expect(slug('Eigenbau Häuser')).to.equal('eigenbau-haeuser');
		expect(slug('Großmaß Øst Čapek')).to.equal('grossmass-oest-capek');
		expect(slug('Żółw & 木')).to.equal('zolw');
		expect(slug('木')).to.equal('x');
		expect(slug('a'.repeat(80))).to.have.length(50);
	});
});
