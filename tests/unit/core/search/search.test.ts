import { expect } from 'chai';
import { commandSearch } from '../../../../core/search/search.ts';
import { demoIndex } from '../../demo-office.ts';

describe('search', () => {
	const index = demoIndex();
	const search = commandSearch(index.catalogue);
	const ids = (text: string) => search.find(text, index).map((hit) => hit.command.id as string);

	it('ranks the beginning of a label before its middle', () => {
		const found = ids('fillet');
		expect(found.slice(0, 3).sort()).to.deep.equal(['sketch.fillet', 'solid.fillet', 'solid.fillet-varying']);
		expect(found).to.include('solid.fillet-face');
		expect(found.indexOf('solid.fillet-face')).to.be.greaterThan(2);
	});

	it('finds by synonym, id, category, part of a word and several words in any order', () => {
		expect(ids('bevel').slice(0, 2).sort()).to.deep.equal(['sketch.chamfer', 'solid.chamfer']);
		expect(ids('solid.fillet-f')).to.deep.equal(['solid.fillet-face']);
		expect(ids('sheet metal')).to.include('sheet.louvre');
		expect(ids('llet ed')).to.include('solid.fillet');
		expect(ids('edges fillet')[0]).to.equal('solid.fillet');
	});

	it('finds by the key itself, also as people write it', () => {
		expect(ids('ctrl e')[0]).to.equal('file.export');
		expect(ids('Ctrl+Shift+P')[0]).to.equal('file.pack');
		expect(ids('f').slice(0, 2).sort()).to.deep.equal(['solid.fillet', 'view.fit']);
		expect(ids('p p')[0]).to.equal('file.print-preview');
	});

	it('forgives a slip of the finger', () => {
		expect(ids('fillte')).to.include('solid.fillet');
		expect(ids('extrdue')).to.include('solid.extrude');
		expect(ids('chamfr')).to.include('solid.chamfer');
	});

	it('puts what is spelled nearest first', () => {
		expect(ids('filet')[0]).to.match(/fillet/);
		expect(ids('dimention')[0]).to.match(/dimension/);
		const labels = (text: string) => search.find(text, index).map((hit) => hit.command.label.toLowerCase());
		expect(labels('dimention')[0]).to.include('dimension');
		expect(labels('chamfr')[0]!.startsWith('chamfer')).to.equal(true);
	});

	it('wants the thing that something like an id names, and gives nothing else', () => {
		const cones = [...index.catalogue.values()].filter((c) => /cone/i.test(c.label + c.id + c.synonyms.join(' ')));
		for (const found of ids('solid.cone')) expect(cones.map((c) => c.id as string)).to.include(found);
		expect(ids('solid.qqqq')).to.deep.equal([]);
		expect(
			ids('mesh.fillet').every((id) => /fillet/.test(id)),
			'another one of the name'
		).to.equal(true);
	});

	it('gives all for nothing, nothing for nonsense, and never throws', () => {
		expect(ids('  ')).to.have.length(index.catalogue.size);
		expect(ids('qqqqzzzz')).to.deep.equal([]);
		for (const text of ['(', '\\', '***', '"', '\n', 'ctrl+', '+'.repeat(50)]) ids(text);
	});

	it('answers a text that is typed letter by letter as one that is pasted', () => {
		for (const text of ['edges chamfer', 'dge cha', 'sheet metal b', 'mirror', 'fillet edges', 'view f', 'ctrl e', 'solid.ex']) {
			const typed = commandSearch(index.catalogue);
			for (let n = 1; n < text.length; n++) typed.find(text.slice(0, n), index);
			const pasted = commandSearch(index.catalogue).find(text, index);
			expect(
				typed.find(text, index).map((h) => h.command.id),
				text
			).to.deep.equal(pasted.map((h) => h.command.id));
		}
	});
});
