import '../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import { FileRefusedError } from '../../../../core/format/problem.ts';
import { profileFile, strataInFile, writeProfileFile } from '../../../../core/hand-over/profile-file.ts';
import { namesOf } from '../../../../core/chapter/chapter.ts';
import { indexOf } from '../../../../core/profile/circumstances.ts';
import { applyEdit } from '../../../../core/profile/edit.ts';
import { wireOf } from '../../../../core/profile/wire.ts';
import { driftOf } from '../../../../core/hand-over/drift.ts';
import { officeOf, type StratumId } from '../../../../core/strata/stratum.ts';
import type { Keys } from '../../../../core/stroke/stroke.ts';
import { varve } from '../../../../demo/varve/varve.ts';
import { subjectOf } from '../../demo-office.ts';
import { stratumOf } from '../../strata.ts';

const officeIn = (file: string, text: string) => officeOf(strataInFile(file, text))!;

describe('a file of a seat that was edited locally', () => {
	const { application } = varve;
	const profile = varve.history().at(-1)!.profile;
	const names = namesOf(indexOf(subjectOf(varve), profile));
	const text = writeProfileFile(
		profileFile(
			application,
			profile.filter((s) => s.kind === 'office')
		)
	);
	const release = officeIn('release 1', text);
	const kinds = (changed: string) =>
		driftOf('interface.json', changed, [release], names).map((item) => `${item.chapter} ${item.kind}`);

	it('says nothing else when only its form or the order of its entries differs', () => {
		expect(kinds(text)).to.deep.equal([]);
		expect(kinds(JSON.stringify(JSON.parse(text), null, 7))).to.deep.equal([]);
		const file = JSON.parse(text) as { strata: { chapters: Record<string, unknown[]> }[] };
		for (const { chapters } of file.strata) for (const said of Object.values(chapters)) if (Array.isArray(said)) said.reverse();
		expect(kinds(JSON.stringify(file))).to.deep.equal([]);
	});

	it('is told entry by entry in every chapter, and the office says the same when it takes all over', () => {
		const file = JSON.parse(text) as { strata: { chapters: Record<string, unknown> }[] };
		const { chapters } = file.strata[0]!;
		const [shortcuts, macros] = ['shortcuts', 'macros'].map((id) => chapters[id] as Record<string, unknown>[]);
		shortcuts!.pop();
		macros![0]!['label'] = 'By hand';
		macros!.push({ ...macros![0], id: 'macro:by-hand' });
		const aliases = chapters['aliases'] as { text: string };
		aliases.text = `qq -> file.save\n${aliases.text}`;
		const changed = JSON.stringify(file);
		const items = driftOf('interface.json', changed, [release], names);
		expect(items.map(({ chapter, kind }) => `${chapter} ${kind}`)).to.have.members([
			'shortcuts removed',
			'macros changed',
			'macros added',
			'aliases changed'
		]);
		expect(items.every(({ about }) => about.length > 3)).to.equal(true);
		const before = profile.map((s) => (s.id === release.id ? { ...s, contents: release.contents } : s));
		const after = applyEdit(
			before,
			items.map((item) => item.change)
		);
		const found = officeIn('found', changed);
		const plain = (stratum: typeof found) => ({ ...wireOf(stratum), name: '' });
		expect(plain(after.find((s) => s.id === release.id)!)).to.deep.equal(plain(found));
	});

	it('is told of each stratum that was laid, and refused where others lie there', () => {
		const head = { id: 'doors' as StratumId, kind: 'discipline' as const, name: 'Doors' };
		const entries = varve.factoryEntries
			.slice(0, 2)
			.map((entry, rank) => ({ ...entry, keys: `Ctrl+Alt+F${rank + 1}` as Keys, rank }));
		const laid = [release, stratumOf(head, entries)];
		const both = writeProfileFile(profileFile(application, laid));
		expect(driftOf('interface.json', both, strataInFile('the installed files', both), names)).to.deep.equal([]);
		const changed = both.replace('Ctrl+Alt+F2', 'Ctrl+Alt+F7');
		const items = driftOf('interface.json', changed, strataInFile('the installed files', both), names);
		expect(items.map(({ stratum, kind, change }) => [stratum, kind, change.stratum])).to.have.deep.members([
			['Doors', 'added', 'doors'],
			['Doors', 'removed', 'doors']
		]);
		expect(() => driftOf('interface.json', text, strataInFile('the installed files', both), names)).to.throw(
			FileRefusedError,
			/Doors is missing/
		);
		expect(() => driftOf('interface.json', both, strataInFile('the installed files', text), names)).to.throw(
			FileRefusedError,
			/Doors, which was not installed/
		);
	});

	it('is refused where it cannot be read, with the line', () => {
		expect(() => driftOf('interface.json', '{"by": "hand"}', [release], names)).to.throw(FileRefusedError, /interface\.json/);
		expect(() => driftOf('interface.json', text.slice(0, -20), [release], names)).to.throw(FileRefusedError);
	});
});
